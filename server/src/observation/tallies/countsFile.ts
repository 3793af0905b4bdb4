import { writeCsv } from '@slate-path/core/formats/csv';
import {
  countGroupings,
  countsTable,
  type CountGrouping,
} from '@slate-path/core/observation/tallies/countsTable';
import { RecordReader } from '../../database/readRecords';
import { workbook } from '../../files/workbook';
import { rollsOf } from '../../attendance/roll/readRoll';
import type { CountFileRequest } from './countFileRequest';
import { countsPaper, type CountsOfClass } from './countsPaper';
import { countsOf } from './readCounts';

const sheetTitles: Record<CountGrouping, string> = { student: 'Students', lesson: 'Lessons', week: 'Weeks' };

function readClass({ file, ...range }: CountFileRequest): CountsOfClass {
  const reader = new RecordReader(file);
  try {
    const rolls = rollsOf(reader, range);
    const { name = '' } = rolls.classes[0]?.section ?? {};
    return {
      ...countsOf(reader, range, rolls),
      className: name,
      school: rolls.school,
      today: rolls.now.date,
    };
  } finally {
    reader.close();
  }
}

/** The counts of a class over some days as a file. */
export async function countsFile(request: CountFileRequest): Promise<Uint8Array> {
  const counts = readClass(request);
  const { seen, lookFors, students } = counts;
  if (request.format === 'pdf') return countsPaper(counts, request);
  const table = (by: CountGrouping) => countsTable(seen, lookFors, students, by, request.order);
  if (request.format === 'xlsx')
    return workbook(countGroupings.map((by) => ({ name: sheetTitles[by], rows: table(by) })));
  return new TextEncoder().encode(writeCsv(table(request.by), true));
}
