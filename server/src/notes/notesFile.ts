import type { FileFormat } from '@slate-path/core/api/endpoint';
import { dayIn } from '@slate-path/core/sharing/readerPage/language';
import type { PaperSize } from '@slate-path/core/sharing/papers/sizes';
import { escaped } from '@slate-path/core/formats/html';
import { writeCsv } from '@slate-path/core/formats/csv';
import { localMoment } from '@slate-path/core/calendar/zone';
import { textForReader } from '@slate-path/core/notes/forReader';
import { topicNow } from '@slate-path/core/notes/topics';
import { displayName } from '@slate-path/core/people/names';
import { groupBy } from '@slate-path/core/records/groupBy';
import type { TableCell } from '@slate-path/core/attendance/roll/rollTable';
import { RecordReader } from '../database/readRecords';
import { printedPage, printedTable } from '../files/printed';
import { workbook } from '../files/workbook';
import { heading as title1, pdfOf, textWidth } from '../files/pdf/document';
import { table } from '../files/pdf/table';

export interface NotesFileRequest {
  file: string;
  teacherId: string;
  studentId: string;
  now: number;
  format: FileFormat;
  paper: PaperSize;
}

/** A student's notes, the earliest first, as another reader may see them. */
function rowsOf(records: RecordReader, { teacherId, studentId }: NotesFileRequest): TableCell[][] {
  const ofNotes = `"noteId" IN (SELECT "noteId" FROM "noteStudent" WHERE "studentId" = ? AND NOT "removed") AND NOT "removed"`;
  const byId = <T extends { id: string }>(list: T[]) => Object.fromEntries(list.map((one) => [one.id, one]));
  const notes = records.seenBy(
    teacherId,
    'note',
    `"id" IN (SELECT "noteId" FROM "noteStudent" WHERE "studentId" = ? AND NOT "removed") AND NOT "removed" AND NOT "own" ORDER BY "at"`,
    [studentId],
  );
  const mentions = groupBy(records.all('noteStudent', ofNotes, [studentId]), ({ noteId }) => noteId);
  const touched = groupBy(records.all('noteTopic', ofNotes, [studentId]), ({ noteId }) => noteId);
  const topics = byId(records.seenBy(teacherId, 'topic'));
  const students = byId(records.seenBy(teacherId, 'student'));
  const sections = byId(records.seenBy(teacherId, 'section'));
  const [school] = records.seenBy(teacherId, 'school');
  return notes.map(({ id, at, sectionId, text, doubts }) => {
    const { date, time } = localMoment(Date.parse(at), school?.zone ?? 'UTC');
    const named = (mentions.get(id) ?? []).flatMap(({ studentId: who, spans }) => {
      const student = students[who];
      return student ? [{ student, spans }] : [];
    });
    const names = (touched.get(id) ?? []).flatMap(({ topicId }) => topicNow(topics, topicId)?.name ?? []);
    const shown = textForReader({ text, mentions: named, doubts }, studentId);
    return [
      date,
      time,
      (sectionId && sections[sectionId]?.name) ?? '',
      shown,
      [...new Set(names)].join(', '),
    ];
  });
}

const heading = ['Day', 'Time', 'Class', 'Note', 'Topics'];

/** The text of a note keeps its own lines. */
const textColumn = 3;

function page(title: string, rows: TableCell[][]): string {
  const table = printedTable([heading, ...rows], (at) => (at === textColumn ? 'as written' : 'plain'));
  return printedPage(title, `<h1>${escaped(title)}</h1>${table}`);
}

function paperOf(
  title: string,
  rows: TableCell[][],
  { paper, school, today }: { paper: PaperSize; school: string; today: string },
): Promise<Uint8Array> {
  const widths = [52, 28, 70, textWidth({ paper }) - 300, 110];
  const made = dayIn('en', today, true);
  return pdfOf({ paper, title, school, made }, [
    title1(title, 1),
    table([heading, ...rows], { widths, long: true }),
  ]);
}

/** A student's notes as a file for another reader. */
export async function notesFile(request: NotesFileRequest): Promise<Uint8Array> {
  const records = new RecordReader(request.file);
  try {
    const rows = rowsOf(records, request);
    if (request.format === 'xlsx') return await workbook([{ name: 'Notes', rows: [heading, ...rows] }]);
    const [student] = records.all('student', '"id" = ?', [request.studentId]);
    const title = `Notes on ${student ? displayName(student) : ''}`;
    if (request.format === 'pdf') {
      const [school] = records.seenBy(request.teacherId, 'school');
      const today = localMoment(request.now, school?.zone ?? 'UTC').date;
      return await paperOf(title, rows, { ...request, school: school?.name ?? '', today });
    }
    const text = request.format === 'csv' ? writeCsv([heading, ...rows], true) : page(title, rows);
    return new TextEncoder().encode(text);
  } finally {
    records.close();
  }
}
