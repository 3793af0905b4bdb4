import Papa from 'papaparse';
import { readSheet } from 'read-excel-file/universal';
import { decodeText } from './decodeText';
import { TableError } from './tableError';
import { unzipWanted } from './zip';

/** A record of a table and the line (in a workbook, the row) on which it begins, from 1. */
export interface TableRow {
  line: number;
  cells: string[];
}

export { TableError };

export const largestFileBytes = 5_000_000;
export const mostRows = 5_000;

/** How much a file may be, and what it is called where it is more. */
export interface TableLimits {
  bytes: number;
  rows: number;
  what: string;
}

const rosterLimits: TableLimits = { bytes: largestFileBytes, rows: mostRows, what: 'a roster' };
const largestUnpackedBytes = 60_000_000;
const delimiters = [',', ';', '\t', '|'];

const pictures: [name: string, ...start: number[]][] = [
  ['a PNG picture', 0x89, 0x50, 0x4e, 0x47],
  ['a JPEG picture', 0xff, 0xd8, 0xff],
  ['a GIF picture', 0x47, 0x49, 0x46, 0x38],
  ['a PDF', 0x25, 0x50, 0x44, 0x46],
  ['a workbook of the old kind (.xls)', 0xd0, 0xcf, 0x11, 0xe0],
];

function isZip(bytes: Uint8Array): boolean {
  return bytes[0] === 0x50 && bytes[1] === 0x4b && bytes[2] === 0x03 && bytes[3] === 0x04;
}

/**
 * Rows of a file that holds a table: CSV or TSV in any common delimiter and encoding, pasted cells,
 * or an XLSX workbook's first sheet with anything in it. Empty rows are left out, line numbers kept.
 * @throws TableError for what is too large, empty, a picture, or no text
 */
export async function readTable(bytes: Uint8Array, limits: TableLimits = rosterLimits): Promise<TableRow[]> {
  if (bytes.length === 0) throw new TableError('The file is empty. Nothing was changed.');
  if (bytes.length > limits.bytes)
    throw new TableError(
      `The file is over ${limits.bytes / 1_000_000} MB. Leave out what is not needed, or split it.`,
    );
  const picture = pictures.find(([, ...start]) => start.every((byte, i) => bytes[i] === byte));
  if (picture)
    throw new TableError(
      `This is ${picture[0]}, not a table. Save the list as CSV or XLSX, or paste its cells.`,
    );
  const rows = isZip(bytes) ? await readWorkbook(bytes) : readDelimited(textOf(bytes));
  const wide = rows.find(({ cells }) => cells.length > mostColumns);
  if (wide)
    throw new TableError(
      `There are ${wide.cells.length} columns in line ${wide.line}; a list of people has at most ${mostColumns}. Nothing was changed. Save the list alone.`,
    );
  const filled = rows.filter((row) => row.cells.some((cell) => cell !== ''));
  if (filled.length === 0) throw new TableError('There is nothing in this file. Nothing was changed.');
  if (filled.length > limits.rows)
    throw new TableError(
      `There are ${filled.length} rows in this file; ${limits.what} has at most ${limits.rows.toLocaleString('en')}. Split it.`,
    );
  return filled;
}

function textOf(bytes: Uint8Array): string {
  const text = decodeText(bytes);
  // eslint-disable-next-line no-control-regex -- control characters are what tells a program from a text
  const strange = text.match(/[\u0000-\u0008\u000E-\u001F\uFFFD]/g)?.length ?? 0;
  if (strange > text.length / 100)
    throw new TableError('This file is not text. Save the list as CSV or XLSX, or paste its cells.');
  return text;
}

const emailShape = /^[^\s@,;|<>]+@[^\s@,;|<>]+\.[a-z]{2,}$/i;

/** A cell of one address, or of several. */
const isAddresses = (cell: string) =>
  cell
    .trim()
    .split(/[\s,;]+/)
    .every((part) => emailShape.test(part));

/**
 * How well a delimiter explains a text: cells that are whole e-mail addresses count most, then rows
 * of one and the same length, then how many columns there are.
 */
function delimiterScore(sample: string, delimiter: string): number {
  const { data: rows, errors } = Papa.parse<string[]>(sample, { delimiter, skipEmptyLines: 'greedy' });
  const widths = rows.map((row) => row.length);
  const common = widths.toSorted((a, b) => a - b)[Math.floor(widths.length / 2)] ?? 1;
  if (common < 2) return 0;
  const even = widths.filter((width) => width === common).length / widths.length;
  const emails = rows.flat().filter(isAddresses).length / rows.length;
  // Quotes that do not close swallow the lines after them: then it is another sign that parts the cells.
  const broken = errors.some(({ type }) => type === 'Quotes') ? 1 : 0;
  // "Baker, Hannah": a sign with a space after it stands inside of a cell rather than between two.
  const later = rows.flatMap((row) => row.slice(1));
  const spaced = later.filter((cell) => cell.startsWith(' ')).length / Math.max(later.length, 1);
  return Math.max(2 * emails + even - broken - spaced / 4, 0.01) + Math.min(common, 10) / 100;
}

function guessDelimiter(text: string): string {
  const sample = text.slice(0, 20_000);
  const scored = delimiters.map((delimiter) => ({ delimiter, score: delimiterScore(sample, delimiter) }));
  scored.sort((a, b) => b.score - a.score);
  return scored[0]?.delimiter ?? ',';
}

/** Rows of delimited text, the line on which each begins counted through quoted line breaks. */
export function readDelimited(text: string): TableRow[] {
  const rows: TableRow[] = [];
  const body = text.replace(/\r\n?/g, '\n');
  let line = 1;
  let cursor = 0;
  Papa.parse<string[]>(body, {
    delimiter: guessDelimiter(body),
    newline: '\n',
    step: ({ data, meta }) => {
      rows.push({ line, cells: data.map((cell) => tidy(cell)) });
      for (; cursor < meta.cursor; cursor += 1) if (body.charCodeAt(cursor) === 10) line += 1;
    },
  });
  return rows;
}

/** What a cell holds; the library's own type names the constructor of dates, not dates. */
type Cell = string | number | boolean | Date | null | undefined;

/** A workbook keeps a time of day as one of its first days. */
function writtenDate(cell: Date): string {
  if (Number.isNaN(cell.getTime())) return '';
  // A day's fraction is seldom a whole second: 8:30 comes as 8:29:59.999.
  const rounded = new Date(Math.round(cell.getTime() / 1000) * 1000);
  const [date = '', time = ''] = rounded.toISOString().slice(0, 19).split('T');
  if (date < '1900-01-03') return time;
  return time === '00:00:00' ? date : `${date}T${time}`;
}

/** What is longer is no name, address or number: how it goes on tells nothing more of a person. */
const longestCell = 300;
/** Blank cells and spaces that stand before what is in it may be more than that. */
const longestWritten = 5_000;

function tidy(cell: Cell): string {
  if (cell === null || cell === undefined) return '';
  const text = cell instanceof Date ? writtenDate(cell) : String(cell);
  return text
    .slice(0, longestWritten)
    .replace(/[\u200B\uFEFF]/g, '')
    .replace(/[\s\u00A0]+/g, ' ')
    .trim()
    .slice(0, longestCell)
    .trimEnd();
}

async function readWorkbook(bytes: Uint8Array): Promise<TableRow[]> {
  try {
    refuseFarCells(bytes);
    // `slice` of a Buffer would share its memory, and that of others.
    const copy = new Uint8Array(bytes).buffer;
    const sheet = await readSheet(copy);
    return sheet.map((cells, index) => ({ line: index + 1, cells: cells.map((cell) => tidy(cell as Cell)) }));
  } catch (error) {
    if (error instanceof TableError) throw error;
    throw new TableError(
      'This looks like a workbook but cannot be read: it is damaged, protected, or another kind of zip.',
    );
  }
}

/** The most columns and rows of a sheet, empty ones among them: the library lays out all of them. */
const mostColumns = 500;
const mostSheetRows = 20_000;

function columnNumber(letters: string): number {
  return Array.from(letters).reduce((sum, letter) => sum * 26 + letter.charCodeAt(0) - 64, 0);
}

/** A few bytes can name a cell a million rows below: all between would have to be laid out. */
function refuseFarCells(bytes: Uint8Array): void {
  const isSheet = (name: string) => /^\/?xl\/worksheets\/[^/]+\.xml$/i.test(name);
  const sheets = unzipWanted(bytes, isSheet, largestUnpackedBytes);
  for (const sheet of Object.values(sheets))
    for (const [, letters = '', row] of decodeText(sheet).matchAll(
      /[\s]r=["']\$?([A-Z]{0,4})\$?(\d{1,8})["']/g,
    ))
      if (Number(row) > mostSheetRows || columnNumber(letters) > mostColumns)
        throw new TableError(
          `A cell of this workbook is at ${letters}${row ?? ''}, far from a roster. Nothing was changed. Save the list alone, or as CSV.`,
        );
}
