import { listOf, type Records } from '@slate-path/core/records/records';
import { groupBy } from '@slate-path/core/records/groupBy';
import { statusOf } from '@slate-path/core/work/pieceStatus';

/** What each student owes in a class: titles of pieces that are due, known and not handed in, the oldest first. */
export function owedIn(records: Records, sectionId: string, asOf: string): ReadonlyMap<string, string[]> {
  const work = listOf(records, 'work')
    .filter((one) => one.sectionId === sectionId)
    .sort((a, b) => ((a.dueAt ?? '') < (b.dueAt ?? '') ? -1 : 1));
  const handIns = groupBy(listOf(records, 'handIn'), ({ workId }) => workId);
  const owed = new Map<string, string[]>();
  for (const { id, title, dueAt } of work)
    for (const handIn of handIns.get(id) ?? [])
      if (statusOf(dueAt, handIn, asOf) === 'missing')
        owed.set(handIn.studentId, [...(owed.get(handIn.studentId) ?? []), title]);
  return owed;
}
