import { useEffect, useState } from 'react';
import { useRecords, type RecordsState } from './useRecords';

/**
 * Does something once the frame that is being made is on the screen: what the teacher sees comes first.
 * In a hidden tab no frame is made, so it is done at once.
 */
export function afterPaint(work: () => void): void {
  if (document.hidden) {
    work();
    return;
  }
  requestAnimationFrame(() => {
    setTimeout(work, 0);
  });
}

/** Like `useRecords`, one frame late: for what may follow behind the row that was tapped. */
export function useRecordsAfterPaint<T>(selector: (state: RecordsState) => T): T {
  const [shown, setShown] = useState(() => selector(useRecords.getState()));
  useEffect(() => {
    let wanted = true;
    let waiting = false;
    const renew = () => {
      waiting = false;
      if (wanted) setShown(() => selector(useRecords.getState()));
    };
    renew();
    const forget = useRecords.subscribe(() => {
      if (waiting) return;
      waiting = true;
      afterPaint(renew);
    });
    return () => {
      wanted = false;
      forget();
    };
  }, [selector]);
  return shown;
}
