import { useEffect, useRef, useState } from 'react';
import { ApiProblem } from '../../sync/api';

/** What was typed or tapped is waited for so long before it is asked about. */
const settleMs = 400;

interface Settled<T> {
  /** The last answer; null before there is one. */
  answer: T | null;
  /** It is about what stands in the form now. */
  isCurrent: boolean;
  problem: ApiProblem | null;
}

/**
 * Asks the server about a form that is being filled in, once nobody has changed it for a moment.
 * @param asked what is asked about, as text that is the same as long as the form is; null: nothing
 */
export function useSettled<T>(asked: string | null, ask: (asked: string) => Promise<T>): Settled<T> {
  const [last, setLast] = useState<{ asked: string; answer: T } | null>(null);
  const [problem, setProblem] = useState<ApiProblem | null>(null);
  const asking = useRef(ask);
  useEffect(() => {
    asking.current = ask;
  });
  useEffect(() => {
    if (asked === null) return undefined;
    let isLatest = true;
    const timer = setTimeout(() => {
      asking.current(asked).then(
        (answer) => {
          if (!isLatest) return;
          setLast({ asked, answer });
          setProblem(null);
        },
        (error: unknown) => {
          if (isLatest && error instanceof ApiProblem) setProblem(error);
        },
      );
    }, settleMs);
    return () => {
      isLatest = false;
      clearTimeout(timer);
    };
  }, [asked]);
  return { answer: last?.answer ?? null, isCurrent: last !== null && last.asked === asked, problem };
}
