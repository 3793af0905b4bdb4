import type { Content } from 'pdfmake/interfaces';
import { notTakenWords, totalColumns, type TableCell } from '@slate-path/core/attendance/roll/rollTable';
import { dayIn } from '@slate-path/core/sharing/readerPage/language';
import { heading, pdfOf, textWidth, type Sheet } from '../../files/pdf/document';
import { table } from '../../files/pdf/table';
import { words } from '../../files/pdf/text';
import type { RollReading } from './readRoll';
import type { RollFileRequest } from './rollFileRequest';

/** A class with its roll as rows, a heading first: student, cohort, lessons, totals. */
export type ClassTable = RollReading['classes'][number] & { rows: TableCell[][] };

/** What is printed of the totals: paper is narrow. */
const printed = ['Taken', 'Not taken', 'Late', 'Away', 'Excused', 'Percent'];

/** A lesson's column has its day over its time. */
export function lessonHeading(cell: TableCell | undefined): string {
  const [date = '', time = ''] = String(cell ?? '').split(' ');
  return `${Number(date.slice(8))}.${Number(date.slice(5, 7))}.\n${time}`;
}

/** Columns of the totals that are printed, by their places in a row. */
export const printedTotals = (lessons: number): number[] =>
  totalColumns.flatMap(([title], at) => (printed.includes(title) ? [2 + lessons + at] : []));

const nameWidth = 104;
const lessonWidth = 23;
const totalWidth = 30;
/** Between the texts of two columns, in points. */
const gap = 6;

/** A column of a lesson has room for a sign. */
const shortCell = (cell: TableCell | undefined) => (cell === notTakenWords ? '–' : cell);

type Columns = readonly { at: number; width: number }[];

/** The columns of each table, as many lessons as fit beside the names; the totals close the last one. */
function tablesOf(lessons: number, detail: RollFileRequest['detail'], width: number): Columns[] {
  const totals = printedTotals(lessons).map((at) => ({ at, width: totalWidth }));
  if (detail === 'totals') return [totals];
  const room = width - nameWidth - gap;
  const wide = (columns: Columns) => columns.reduce((all, column) => all + column.width + gap, 0);
  const tables: { at: number; width: number }[][] = [[]];
  for (let lesson = 0; lesson < lessons; lesson++) {
    const column = { at: 2 + lesson, width: lessonWidth };
    const own = tables.at(-1) ?? [];
    if (wide([...own, column]) > room) tables.push([column]);
    else own.push(column);
  }
  const last = tables.at(-1) ?? [];
  return wide([...last, ...totals]) > room
    ? [...tables, totals]
    : [...tables.slice(0, -1), [...last, ...totals]];
}

function classContent(
  { section, rows, roll }: ClassTable,
  request: RollFileRequest,
  width: number,
): Content[] {
  const [head = [], ...lines] = rows;
  const lessons = roll.lessons.length;
  const title = (at: number) => (at < 2 + lessons ? lessonHeading(head[at]) : (head[at] ?? ''));
  if (lines.length === 0) return [heading(section.name, 1), words('Nobody was in this class in these days.')];
  return [
    heading(section.name, 1),
    ...tablesOf(lessons, request.detail, width).map((columns) =>
      table(
        [
          ['Student', ...columns.map(({ at }) => title(at))],
          ...lines.map((line) => [line[0], ...columns.map(({ at }) => shortCell(line[at]))]),
        ],
        { size: 7.5, tight: true, widths: [nameWidth, ...columns.map((column) => column.width)] },
      ),
    ),
  ];
}

/** The register of classes as a PDF, a class a sheet, with what its letters mean. */
export function rollPaper(
  classes: readonly ClassTable[],
  { school, now }: RollReading,
  request: RollFileRequest,
): Promise<Uint8Array> {
  const { from, to, paper, detail } = request;
  const landscape = detail === 'lessons';
  const width = textWidth({ paper, landscape });
  const days = `${dayIn('en', from, true)} to ${dayIn('en', to, true)}`;
  const standings = Object.values(classes[0]?.roll.book.standings ?? {});
  const legend = [...new Set(standings)].map(({ code, name }) => `${code} ${name}`).join('   ');
  const notes = [
    words(`${days}. Lessons that were not taken count nowhere.`, { size: 9, tone: 'inkQuiet' }),
    ...(landscape ? [words(`${legend}   – not taken`, { size: 9, tone: 'inkQuiet', width })] : []),
  ];
  const content = classes.flatMap((found, at): Content[] => [
    ...(at > 0 ? [{ text: '', pageBreak: 'before' as const }] : []),
    ...classContent(found, request, width),
    ...notes,
  ]);
  const title = detail === 'totals' ? `Totals, ${days}` : `Register, ${days}`;
  const sheet: Sheet = { paper, landscape, title, school, made: dayIn('en', now.date, true) };
  return pdfOf(sheet, content);
}
