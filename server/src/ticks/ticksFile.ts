import type { FileFormat } from '@slate-path/core/api/endpoint';
import { dayIn } from '@slate-path/core/sharing/readerPage/language';
import type { PaperSize } from '@slate-path/core/sharing/papers/sizes';
import { writeCsv } from '@slate-path/core/formats/csv';
import { legendTable } from '@slate-path/core/ticks/legendTable';
import { sheetTable } from '@slate-path/core/ticks/sheetTable';
import { tickId } from '@slate-path/core/ticks/tickId';
import { tickWords } from '@slate-path/core/ticks/tickWords';
import { heading, pdfOf } from '../files/pdf/document';
import { table } from '../files/pdf/table';
import { workbook } from '../files/workbook';
import { asRow, readSheet, type Sheet, type SheetRequest } from './readSheet';

export interface TicksFileRequest extends SheetRequest {
  format: FileFormat;
  paper: PaperSize;
}

const day = (date: string) => dayIn('en', date, true);
const shortDay = (date: string) => `${Number(date.slice(8))}.${Number(date.slice(5, 7))}.`;

/** So many columns stand beside each other on a sheet. */
const perPage = 8;

/** The list on paper: a table for every few columns, each with the names, then what they mean. */
function paperOf({ columns, students, ticks, ...sheet }: Sheet, paper: PaperSize): Promise<Uint8Array> {
  const parts = Array.from({ length: Math.max(1, Math.ceil(columns.length / perPage)) }, (_, at) =>
    columns.slice(at * perPage, (at + 1) * perPage),
  );
  const title = `${sheet.className}: tick-sheet`;
  const made = day(sheet.today);
  const tables = parts.map((some) =>
    table(
      [
        ['Student', ...some.map(({ number, name }) => `${number}  ${name}`)],
        ...students.map((student) => [
          asRow(student).name,
          ...some.map((column) => tickWords(column, ticks[tickId(column.id, student.id)], shortDay)),
        ]),
      ],
      { widths: ['auto', ...some.map(() => '*' as const)], tight: true, size: 8.5 },
    ),
  );
  const legend = legendTable(columns).map((row) => row.map((cell) => String(cell ?? '')));
  return pdfOf({ paper, landscape: true, title, school: sheet.school, made }, [
    heading(title, 1),
    ...tables,
    heading('What the columns mean', 2),
    table(legend, { widths: ['auto', 'auto', '*', 'auto', '*'], size: 8.5, long: true }),
  ]);
}

/** A class's tick-sheet as a file. */
export async function ticksFile(request: TicksFileRequest): Promise<Uint8Array> {
  const sheet = readSheet(request);
  const rows = sheetTable(sheet.students.map(asRow), sheet.columns, sheet.ticks);
  if (request.format === 'pdf') return paperOf(sheet, request.paper);
  if (request.format === 'xlsx')
    return workbook([
      { name: sheet.className || 'Tick-sheet', rows },
      { name: 'Legend', rows: legendTable(sheet.columns) },
    ]);
  const written = rows.map((row) =>
    row.map((cell) => (cell instanceof Date ? cell.toISOString().slice(0, 10) : cell)),
  );
  return new TextEncoder().encode(writeCsv(written, true));
}
