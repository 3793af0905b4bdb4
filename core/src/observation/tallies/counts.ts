import { groupBy } from '../../records/groupBy';
import type { LookFor, Tally } from '../../records/schema';

/** What a student's tallies of one look-for come to in one lesson: a number, or seconds. */
export interface Count {
  lessonId: string;
  /** Null is the whole class. */
  studentId: string | null;
  lookForId: string;
  amount: number;
}

type Counted = Pick<Tally, 'lessonId' | 'studentId' | 'lookForId' | 'amount' | 'removed'>;

const keyOf = ({ lessonId, studentId, lookForId }: Counted) =>
  `${lessonId}\n${studentId ?? ''}\n${lookForId}`;

/**
 * The sum of some tallies. Corrections by hand are tallies with a difference, so that what two devices
 * counted meanwhile is kept; a sum never falls below none. What is only ticked is there once or not.
 * A timed one that still runs (its amount is null) is not in it yet.
 * @param tallies of one lesson, student and look-for, in any order; removed ones count nowhere
 */
export function sumOf(
  tallies: readonly Pick<Tally, 'amount' | 'removed'>[],
  measure: LookFor['measure'],
): number {
  const sum = tallies.reduce((total, { amount, removed }) => total + (removed ? 0 : (amount ?? 0)), 0);
  return Math.min(Math.max(sum, 0), measure === 'tick' ? 1 : Infinity);
}

/** Every lesson's, student's and look-for's sum that is not none. @param lookFors by id, retired ones too */
export function countsOf(
  tallies: readonly Counted[],
  lookFors: Readonly<Record<string, Pick<LookFor, 'measure'>>>,
): Count[] {
  const standing = tallies.filter(({ removed }) => !removed);
  return [...groupBy(standing, keyOf).values()].flatMap((found) => {
    const [first] = found;
    if (!first) return [];
    const { lessonId, studentId, lookForId } = first;
    const amount = sumOf(found, lookFors[lookForId]?.measure ?? 'count');
    return amount === 0 ? [] : [{ lessonId, studentId, lookForId, amount }];
  });
}
