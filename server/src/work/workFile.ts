import { escaped } from '@slate-path/core/formats/html';
import type { FileFormat } from '@slate-path/core/api/endpoint';
import { dayIn } from '@slate-path/core/sharing/readerPage/language';
import type { PaperSize } from '@slate-path/core/sharing/papers/sizes';
import { localSeconds } from '@slate-path/core/keeping/archive/localSeconds';
import { addDays } from '@slate-path/core/calendar/localTime';
import { schoolDaysOf } from '@slate-path/core/calendar/schoolDays';
import { writeCsv } from '@slate-path/core/formats/csv';
import type { NameOrder } from '@slate-path/core/people/names';
import { besideUsual, daysForUsual, usualWords } from '@slate-path/core/work/besideUsual';
import type { ActivityDay } from '@slate-path/core/work/rollUp';
import {
  workSheets,
  workSheetTitles,
  workTable,
  type WorkOfClass,
  type WorkSheet,
} from '@slate-path/core/work/workTables';
import { dayLength } from '../database/activity/rollUps';
import { dateOf, moment, numberOf, word } from '../database/activity/tables';
import { RecordReader } from '../database/readRecords';
import { printedPage, printedTable } from '../files/printed';
import { heading, pdfOf } from '../files/pdf/document';
import { table } from '../files/pdf/table';
import { words } from '../files/pdf/text';
import { workbook } from '../files/workbook';

export interface WorkFileRequest {
  file: string;
  teacherId: string;
  sectionId: string;
  from: string;
  to: string;
  now: number;
  format: FileFormat;
  paper: PaperSize;
  /** Which table a CSV has; the workbook has all, a printed page the class without names. */
  sheet: WorkSheet;
  order: NameOrder;
}

const daysOfClass = `SELECT "who"."text" AS "studentId", ${dateOf('"day"')} AS "day", ${word('"kind"')} AS "kind", ${word('"place"')} AS "place", "count", "seconds", ${moment('"first"')} AS "first", ${moment('"last"')} AS "last", "hours" FROM "actionDay" JOIN "activityWord" AS "who" ON "who"."n" = "student" WHERE "scope" = ${numberOf('?')} AND "day" BETWEEN unixepoch(?) / ${dayLength} AND unixepoch(?) / ${dayLength} ORDER BY 2, 1, 3, 4`;

function readWork(request: WorkFileRequest): WorkOfClass & { school: string } {
  const { file, teacherId, sectionId, from, to, now, order } = request;
  const reader = new RecordReader(file);
  try {
    const ofSection = 'NOT "removed" AND "sectionId" = ?';
    const [school] = reader.seenBy(teacherId, 'school', 'NOT "removed"');
    const [section] = reader.all('section', '"id" = ?', [sectionId]);
    const zone = school?.zone ?? 'UTC';
    const enrolments = reader.all('enrolment', ofSection, [sectionId]);
    const ofClass = `"id" IN (SELECT "studentId" FROM "enrolment" WHERE ${ofSection})`;
    const work = reader.all('work', `${ofSection} ORDER BY "dueAt", rowid`, [sectionId]);
    const handIns = reader.all(
      'handIn',
      `NOT "removed" AND "workId" IN (SELECT "id" FROM "work" WHERE ${ofSection})`,
      [sectionId],
    );
    const activity = reader.rows<ActivityDay>(daysOfClass, [sectionId, from, to]);
    const isSchoolDay = schoolDaysOf({
      terms: reader.seenBy(teacherId, 'term', 'NOT "removed"'),
      daysOff: reader.seenBy(teacherId, 'dayOff', 'NOT "removed"'),
      meetings: reader.seenBy(teacherId, 'meeting', 'NOT "removed"'),
    });
    return {
      school: school?.name ?? '',
      className: section?.name ?? '',
      rows: { enrolments, work, handIns, activity },
      range: { from, to, asOf: localSeconds(new Date(now).toISOString(), zone), zone, isSchoolDay },
      students: reader.all('student', `NOT "removed" AND ${ofClass}`, [sectionId]),
      order,
    };
  } finally {
    reader.close();
  }
}

/** Work and activity of a class over some days as a file. */
export async function workFile(request: WorkFileRequest): Promise<Uint8Array> {
  const { format, sheet } = request;
  const withoutNames = format === 'html' || format === 'pdf';
  const from = withoutNames ? addDays(request.to, 1 - daysForUsual) : request.from;
  const work = readWork({ ...request, from });
  if (format === 'xlsx')
    return workbook(workSheets.map((one) => ({ name: workSheetTitles[one], rows: workTable(one, work) })));
  if (format === 'csv') return new TextEncoder().encode(writeCsv(workTable(sheet, work), true));
  const title = `${work.className}: work and activity`;
  const upTo = `Without names, up to ${dayIn('en', request.to, true)}`;
  if (format === 'pdf') {
    const usual = besideUsual(work.rows, work.range);
    const made = dayIn('en', work.range.asOf.slice(0, 10), true);
    return pdfOf({ paper: request.paper, title, school: work.school, made }, [
      heading(title, 1),
      words(upTo, { size: 9, tone: 'inkQuiet' }),
      table(usual, { widths: (usual[0] ?? []).map((_, at) => (at === 0 ? '*' : 'auto')) }),
      words(usualWords, { size: 9, tone: 'inkQuiet', margin: [0, 6, 0, 10] }),
      table(workTable('definitions', work), { widths: [120, '*'], size: 8.5 }),
    ]);
  }
  const body = [
    `<h1>${escaped(title)}</h1><p>${escaped(upTo)}</p>`,
    printedTable(besideUsual(work.rows, work.range), () => 'wrapped'),
    `<p>${escaped(usualWords)}</p>`,
    printedTable(workTable('definitions', work), () => 'wrapped'),
  ];
  return new TextEncoder().encode(printedPage(title, body.join('')));
}
