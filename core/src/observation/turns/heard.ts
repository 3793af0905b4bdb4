import type { LookFor } from '../../records/schema';
import type { Count } from '../tallies/counts';

/**
 * How often each student was heard: what is wanted and was counted or ticked, and turns in which they spoke. Time
 * that ran is no number of times.
 * @param spoke one entry for each such turn
 */
export function timesHeard(
  counts: readonly Pick<Count, 'studentId' | 'lookForId' | 'amount'>[],
  lookFors: Readonly<Record<string, Pick<LookFor, 'tone' | 'measure'>>>,
  spoke: readonly { studentId: string }[],
): Map<string, number> {
  const heard = new Map<string, number>();
  const add = (studentId: string | null, times: number) => {
    if (studentId !== null) heard.set(studentId, (heard.get(studentId) ?? 0) + times);
  };
  for (const { studentId, lookForId, amount } of counts) {
    const lookFor = lookFors[lookForId];
    if (lookFor?.tone === 'wanted' && lookFor.measure !== 'seconds') add(studentId, amount);
  }
  for (const { studentId } of spoke) add(studentId, 1);
  return heard;
}
