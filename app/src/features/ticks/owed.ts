import type { Records } from '@slate-path/core/records/records';
import { listOf } from '@slate-path/core/records/records';
import { isOwing } from '@slate-path/core/ticks/tickState';
import { owedWords } from '@slate-path/core/ticks/tickWords';
import { columnsOf, tickIn } from './useSheet';

/** What each student of a class owes on its tick-sheet, or in one column of it, as one would write it home. */
export function ticksOwedIn(
  records: Records,
  sectionId: string,
  columnId?: string,
): ReadonlyMap<string, string[]> {
  const tickOf = tickIn(records);
  const columns = columnsOf(records, sectionId).filter(({ id }) => columnId === undefined || id === columnId);
  const owed = new Map<string, string[]>();
  for (const { studentId, sectionId: of } of listOf(records, 'enrolment')) {
    if (of !== sectionId) continue;
    const own = columns.filter((column) => isOwing(column, tickOf(column, studentId)));
    if (own.length > 0)
      owed.set(
        studentId,
        own.map((column) => owedWords(column, tickOf(column, studentId))),
      );
  }
  return owed;
}
