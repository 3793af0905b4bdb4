import type { Count } from '../observation/tallies/counts';
import type { LookFor } from '../records/schema';
import { durationWords } from '../work/durationWords';
import { listed } from '../words/listed';

type NamedLookFor = Pick<LookFor, 'id' | 'name' | 'measure' | 'position'>;

function one({ name, measure }: NamedLookFor, amount: number): string {
  const what = name.toLocaleLowerCase();
  if (measure === 'tick') return what;
  return measure === 'seconds' ? `${what} ${durationWords(amount / 60)}` : `${what} ${amount}`;
}

/**
 * What a student's tallies of a lesson come to, as part of a sentence: "evidence 2, question 1 and off task 4 minutes".
 * @param lookFors by id, retired ones too @returns empty for none
 */
export function countsWords(
  counts: readonly Pick<Count, 'lookForId' | 'amount'>[],
  lookFors: Readonly<Record<string, NamedLookFor>>,
): string {
  const found = counts.flatMap(({ lookForId, amount }) => {
    const lookFor = lookFors[lookForId];
    return lookFor ? [{ lookFor, amount }] : [];
  });
  return listed(
    found
      .sort((a, b) => a.lookFor.position - b.lookFor.position)
      .map(({ lookFor, amount }) => one(lookFor, amount)),
  );
}
