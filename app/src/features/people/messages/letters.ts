import type { AnswerOf } from '@slate-path/core/api/contract';
import type { Message } from '@slate-path/core/records/schema';

export type Letter = AnswerOf<'outbox'>['letters'][number];

/** A letter to one address, and the message whose words it has; none where it held a link. */
export interface Written {
  letter: Letter;
  message: Message | null;
}

/** Letters that did not arrive, and of which no other one has gone since. */
export function failedOf(letters: readonly Letter[]): ReadonlySet<string> {
  const replaced = new Set(letters.map(({ insteadOf }) => insteadOf));
  return new Set(
    letters.flatMap(({ id, state }) =>
      (state === 'refused' || state === 'given_up') && !replaced.has(id) ? [id] : [],
    ),
  );
}
