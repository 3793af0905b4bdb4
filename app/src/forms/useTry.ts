import { useState } from 'react';
import { ApiProblem } from '../sync/api';

/** Runs what a button starts, with the sentence of what went wrong, if anything. */
export function useTry(): [
  run: (work: () => Promise<void>) => void,
  problem: ApiProblem | null,
  busy: boolean,
] {
  const [problem, setProblem] = useState<ApiProblem | null>(null);
  const [busy, setBusy] = useState(false);
  const run = (work: () => Promise<void>) => {
    setBusy(true);
    setProblem(null);
    work()
      .catch((error: unknown) => {
        setProblem(
          error instanceof ApiProblem ? error : new ApiProblem(0, 'Something broke here. Try again.'),
        );
      })
      .finally(() => {
        setBusy(false);
      });
  };
  return [run, problem, busy];
}

/** What is wrong with one field, and what with the whole. */
export function errorsOf(problem: ApiProblem | null) {
  return {
    of: (field: string) => problem?.errors.find((error) => error.field === field)?.message,
    whole: problem && problem.errors.length === 0 ? problem.detail : null,
  };
}
