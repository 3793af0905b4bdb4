import { Words } from '../parts/Words';
import type { ApiProblem } from '../sync/api';

/** The sentence of what went wrong, said aloud too; nothing while nothing has. */
export function WhatWentWrong({ problem }: { problem: ApiProblem | null }) {
  if (!problem) return null;
  return (
    <Words tone="ember" live>
      {problem.detail}
    </Words>
  );
}
