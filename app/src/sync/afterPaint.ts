import { useEffect, useState } from 'react';
import { shallow } from 'zustand/shallow';
import { useRecords, type RecordsState } from './useRecords';

let waiting: (() => void)[] = [];

/** Each by itself, so that one that fails keeps no other from being done. */
function doWaiting(one: (work: () => void) => void): void {
  for (const work of waiting) one(work);
  waiting = [];
}

const afterThePicture = () => {
  doWaiting((work) => setTimeout(work, 0));
};

/** A dark screen makes no picture, and its page may be stopped at any moment. */
const atOnce = () => {
  doWaiting(queueMicrotask);
};

document.addEventListener('visibilitychange', () => {
  if (document.hidden) atOnce();
});

/**
 * Does something once the frame that is being made is on the screen: what the teacher sees comes first.
 * One frame is asked for, however much waits for it. In a hidden tab none is made, so there nothing waits.
 */
export function afterPaint(work: () => void): void {
  waiting.push(work);
  if (document.hidden) atOnce();
  else if (waiting.length === 1) requestAnimationFrame(afterThePicture);
}

const followers = new Set<() => void>();
let following = false;

/** All that follows a change follows it together: one more picture, not one for each part of the page. */
function follow(renew: () => void): () => void {
  followers.add(renew);
  return () => {
    followers.delete(renew);
  };
}

useRecords.subscribe(() => {
  if (following || followers.size === 0) return;
  following = true;
  afterPaint(() => {
    following = false;
    for (const renew of followers) renew();
  });
});

/**
 * Like `useRecords`, one frame late: for what may follow behind the row that was tapped. What is the same field
 * by field draws nothing.
 */
export function useRecordsAfterPaint<T>(selector: (state: RecordsState) => T): T {
  const [shown, setShown] = useState(() => selector(useRecords.getState()));
  useEffect(() => {
    const renew = () => {
      const next = selector(useRecords.getState());
      setShown((last) => (shallow(last, next) ? last : next));
    };
    renew();
    return follow(renew);
  }, [selector]);
  return shown;
}
