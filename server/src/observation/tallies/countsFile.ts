import { writeCsv } from '@slate-path/core/formats/csv';
import type { NameOrder } from '@slate-path/core/people/names';
import {
  countGroupings,
  countsTable,
  type CountGrouping,
} from '@slate-path/core/observation/tallies/countsTable';
import { workbook } from '../../files/workbook';
import { readCounts, type CountRange } from './readCounts';

export interface CountFileRequest extends CountRange {
  format: 'csv' | 'xlsx';
  /** What stands in a line of the CSV; the workbook has a sheet for each. */
  by: CountGrouping;
  order: NameOrder;
}

const sheetTitles: Record<CountGrouping, string> = { student: 'Students', lesson: 'Lessons', week: 'Weeks' };

/** The counts of a class over some days as a file. */
export async function countsFile(request: CountFileRequest): Promise<Uint8Array> {
  const { seen, lookFors, students } = readCounts(request);
  const table = (by: CountGrouping) => countsTable(seen, lookFors, students, by, request.order);
  if (request.format === 'xlsx')
    return workbook(countGroupings.map((by) => ({ name: sheetTitles[by], rows: table(by) })));
  return new TextEncoder().encode(writeCsv(table(request.by), true));
}
