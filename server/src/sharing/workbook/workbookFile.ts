import { shippedLevels } from '@slate-path/core/observation/sweep/levels';
import type { NameOrder } from '@slate-path/core/people/names';
import { attendanceSheet, totalsSheet } from '@slate-path/core/sharing/workbook/attendance';
import type { BookFrame, ClassBook } from '@slate-path/core/sharing/workbook/book';
import { definitionsSheet } from '@slate-path/core/sharing/workbook/definitions';
import { countsSheet, engagementSheet } from '@slate-path/core/sharing/workbook/observed';
import { contactSheet, workSheet } from '@slate-path/core/sharing/workbook/work';
import { rollsOf, type RollRange, type RollReading } from '../../attendance/roll/readRoll';
import { RecordReader } from '../../database/readRecords';
import { workbook } from '../../files/workbook';
import { countsOf } from '../../observation/tallies/readCounts';

export interface WorkbookRequest extends RollRange {
  order: NameOrder;
}

/** Everything of one class in some days that whoever asks may see. */
function bookOf(
  reader: RecordReader,
  { teacherId, from, to, now }: Omit<WorkbookRequest, 'file'>,
  rolls: RollReading,
  { section, roll }: RollReading['classes'][number],
): ClassBook {
  const counts = countsOf(reader, { teacherId, sectionId: section.id, from, to, now }, rolls);
  const counted = new Set(counts.seen.counts.map(({ lookForId }) => lookForId));
  const inRange = `NOT "removed" AND "lessonId" IN (SELECT "id" FROM "lesson" WHERE "sectionId" = ? AND "date" BETWEEN ? AND ?)`;
  const ofWork = `NOT "removed" AND "workId" IN (SELECT "id" FROM "work" WHERE "sectionId" = ?)`;
  const ofPeople = `NOT "removed" AND "studentId" IN (SELECT "studentId" FROM "enrolment" WHERE "sectionId" = ? AND NOT "removed") ORDER BY "writtenAt"`;
  const days = `NOT "removed" AND "sectionId" = ? AND ("dueAt" IS NULL OR "dueAt" BETWEEN ? AND ?) ORDER BY "dueAt", rowid`;
  return {
    section,
    roll,
    counts: counts.seen,
    lookFors: counts.lookFors.filter(({ id }) => counted.has(id)),
    sweeps: reader.seenBy(teacherId, 'sweep', inRange, [section.id, from, to]),
    work: reader.seenBy(teacherId, 'work', days, [section.id, from, `${to}U`]),
    handIns: reader.seenBy(teacherId, 'handIn', ofWork, [section.id]),
    messages: reader.seenBy(teacherId, 'message', ofPeople, [section.id]),
  };
}

/** One class, or all that somebody sees, over some days as one workbook. */
export async function workbookFile({ file, order, ...range }: WorkbookRequest): Promise<Uint8Array> {
  const reader = new RecordReader(file);
  try {
    const rolls = rollsOf(reader, range);
    const books = rolls.classes.map((one) => bookOf(reader, { ...range, order }, rolls, one));
    const levels = reader.seenBy(range.teacherId, 'levelNames')[0]?.names ?? shippedLevels;
    const { from, to } = range;
    const frame: BookFrame = { from, to, now: rolls.now, zone: rolls.zone, order, levels };
    return await workbook([
      { name: 'Attendance', rows: attendanceSheet(books, frame) },
      { name: 'Totals', rows: totalsSheet(books, frame) },
      { name: 'Counts', rows: countsSheet(books, frame) },
      { name: 'Engagement', rows: engagementSheet(books, frame) },
      { name: 'Work', rows: workSheet(books, frame) },
      { name: 'Contact', rows: contactSheet(books, frame) },
      { name: 'Definitions', rows: definitionsSheet(books, frame) },
    ]);
  } finally {
    reader.close();
  }
}
