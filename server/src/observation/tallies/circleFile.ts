import { escaped } from '@slate-path/core/formats/html';
import { circleShares } from '@slate-path/core/observation/circle/shares';
import { aimWords, circleTable, feedbackOf } from '@slate-path/core/observation/circle/circleTable';
import type { FileFormat } from '@slate-path/core/api/endpoint';
import type { PaperSize } from '@slate-path/core/sharing/papers/sizes';
import { writeCsv } from '@slate-path/core/formats/csv';
import { displayName, shortName } from '@slate-path/core/people/names';
import type { TableCell } from '@slate-path/core/attendance/roll/rollTable';
import { RecordReader } from '../../database/readRecords';
import { circleSlips, type Slip } from './circleSlips';
import { printedPage, printedTable } from '../../files/printed';
import { workbook } from '../../files/workbook';

export interface CircleFileRequest {
  file: string;
  teacherId: string;
  circleId: string;
  format: FileFormat;
  paper: PaperSize;
}

interface CircleSheet {
  title: string;
  school: string;
  slips: Slip[];
  rows: TableCell[][];
}

/** A circle's table and what it is called, in six queries. */
function readCircle({ file, teacherId, circleId }: CircleFileRequest): CircleSheet {
  const reader = new RecordReader(file);
  try {
    const [circle] = reader.seenBy(teacherId, 'circle', '"id" = ?', [circleId]);
    if (!circle) throw new Error(`There is no circle ${circleId}`);
    const ofIt = 'NOT "removed" AND "circleId" = ?';
    const members = reader
      .seenBy(teacherId, 'circleMember', ofIt, [circleId])
      .sort((a, b) => a.place - b.place);
    const lookFors = reader.seenBy(teacherId, 'lookFor');
    const students = new Map(
      reader
        .seenBy(
          teacherId,
          'student',
          '"id" IN (SELECT "studentId" FROM "circleMember" WHERE "circleId" = ?)',
          [circleId],
        )
        .map((student) => [student.id, student]),
    );
    const [lesson] = reader.seenBy(teacherId, 'lesson', '"id" = ?', [circle.lessonId]);
    const shares = circleShares(members, reader.seenBy(teacherId, 'tally', ofIt, [circleId]), lookFors);
    const lines = members.flatMap((member) => {
      const student = students.get(member.studentId);
      return student ? [{ member, name: displayName(student), calledName: shortName(student) }] : [];
    });
    const byId = Object.fromEntries(lookFors.map((lookFor) => [lookFor.id, lookFor]));
    const [school] = reader.seenBy(teacherId, 'school');
    return {
      school: school?.name ?? '',
      slips: lines.map((line) => ({
        name: line.name,
        feedback: feedbackOf(line, shares, byId),
        goal: aimWords(line.member.goalLookForId, line.member.goalCount, byId),
        nextGoal: aimWords(line.member.nextLookForId, line.member.nextCount, byId),
      })),
      title: [circle.groupName || 'Circle', lesson?.date].filter(Boolean).join(', '),
      rows: circleTable(circle, lines, shares, byId),
    };
  } finally {
    reader.close();
  }
}

function printable({ title, rows }: Pick<CircleSheet, 'title' | 'rows'>): string {
  return printedPage(title, `<h1>${escaped(title)}</h1>${printedTable(rows, () => 'wrapped')}`);
}

/** A circle as a file: to keep, or to print. */
export async function circleFile(request: CircleFileRequest): Promise<Uint8Array> {
  const sheet = readCircle(request);
  if (request.format === 'xlsx') return workbook([{ name: sheet.title, rows: sheet.rows }]);
  if (request.format === 'pdf') return circleSlips({ ...sheet, paper: request.paper });
  const text = request.format === 'html' ? printable(sheet) : writeCsv(sheet.rows, true);
  return new TextEncoder().encode(text);
}
