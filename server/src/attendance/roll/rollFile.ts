import { escaped } from '@slate-path/core/formats/html';
import { writeCsv } from '@slate-path/core/formats/csv';
import type { Standing } from '@slate-path/core/records/schema';
import { rollTable } from '@slate-path/core/attendance/roll/rollTable';
import { printedPage, printedTable } from '../../files/printed';
import { workbook } from '../../files/workbook';
import { readRolls, type RollRange } from './readRoll';
import type { RollFileRequest } from './rollFileRequest';
import { lessonHeading, printedTotals, rollPaper, type ClassTable } from './rollPaper';

function printedRoll({ section, rows, roll }: ClassTable): string {
  const [heading = [], ...lines] = rows;
  const first = 2 + roll.lessons.length;
  const columns = [0, ...roll.lessons.map((_, index) => index + 2), ...printedTotals(roll.lessons.length)];
  const head = columns.map((column) => {
    const isLesson = column >= 2 && column < first;
    return isLesson ? lessonHeading(heading[column]).replace('\n', ' ') : heading[column];
  });
  const body = lines.map((row) => columns.map((column) => row[column]));
  return `<h1>${escaped(section.name)}</h1>${printedTable([head, ...body])}`;
}

function printable(classes: readonly ClassTable[], { from, to }: RollRange): string {
  const standings: Standing[] = Object.values(classes[0]?.roll.book.standings ?? {});
  const legend = [...new Set(standings)].map(({ code, name }) => `${code} ${name}`).join(' · ');
  const tables = classes.map((found) => `<section>${printedRoll(found)}</section>`).join('');
  const note = `<p>${from} to ${to}. ${escaped(legend)}. Lessons not taken count nowhere.</p>`;
  return printedPage(`Roll ${from} to ${to}`, note + tables);
}

/** The roll of one class or all, lesson by lesson with all totals, as a file in the format asked for. */
export async function rollFile(request: RollFileRequest): Promise<Uint8Array> {
  const reading = readRolls(request);
  const { now, classes } = reading;
  const tables = classes.map((found) => ({
    ...found,
    rows: rollTable(found.section.id, found.roll, now, request.order),
  }));
  if (request.format === 'xlsx')
    return workbook(tables.map(({ section, rows }) => ({ name: section.name, rows })));
  if (request.format === 'pdf') return rollPaper(tables, reading, request);
  if (request.format === 'html') return new TextEncoder().encode(printable(tables, request));
  return new TextEncoder().encode(
    writeCsv(
      tables.flatMap(({ rows }) => rows),
      true,
    ),
  );
}
