import type { TableRow } from '../../formats/table';
import { foldName } from '../names';
import { isFullName, looksLikeEmail } from './columnContent';
import { readHeading } from './headings';

const filled = (row: TableRow) => row.cells.filter((cell) => cell !== '');
const isNumber = (cell: string) => /^[\d.,%/ -]+$/.test(cell);

const nameRoles: ReadonlySet<string> = new Set(['name', 'given_name', 'family_name']);

/** Words of a heading that no person is called by. */
const isNameHeading = (cell: string) => cell.length < 40 && nameRoles.has(readHeading(cell)?.role ?? '');

/** What stands above a list of names and is none. */
const listTitles =
  /^(class |student |pupil )?(roster|register|list|classlist|members|attendees|enrol?ments?|klassenliste|liste|lista|elenco|lijst)( of .*)?:?$/;

/** Most of a heading line is made of known words, one of which heads names or addresses. */
function saysMuch(row: TableRow, widest: number, below: readonly TableRow[]): boolean {
  const cells = filled(row);
  if (cells.length < Math.min(widest, 2)) return false;
  const known = cells.flatMap((cell) => (cell.length < 40 ? (readHeading(cell)?.role ?? []) : []));
  const telling = known.some((role) => role !== 'ignored' && role !== 'id');
  if (!telling || known.length < Math.max(1, Math.ceil(cells.length / 2))) return false;
  return known.some((role) => nameRoles.has(role)) || !isPerson(row, below);
}

/** One of a list of names: "Name" above "Hannah Baker", however many cells the rows below have. */
function standsAlone(row: TableRow): boolean {
  const cells = filled(row);
  const [only = ''] = cells;
  if (cells.length !== 1) return false;
  return (isNameHeading(only) && !isFullName(only)) || listTitles.test(foldName(only));
}

/** A grade book: one word for the name, and then pieces of work that nobody could know. */
function beginsWithName(row: TableRow): boolean {
  const [first = '', second = ''] = filled(row);
  return isNameHeading(first) || isNameHeading(second);
}

/** Somebody's name where below it stand names as well. */
function isPerson(row: TableRow, below: readonly TableRow[]): boolean {
  return row.cells.some((cell, index) => {
    const words = cell.split(/[ ,]+/).filter(Boolean);
    if (words.length < 2 || !words.every((word) => /^\p{Lu}/u.test(word)) || !isFullName(cell)) return false;
    const cells = below.map((other) => other.cells[index] ?? '').filter((other) => other !== '');
    return cells.length > 0 && cells.filter(isFullName).length / cells.length >= 0.6;
  });
}

/** Below it stand addresses, numbers or the same few words, and in it others: a heading in whatever language. */
function differsFromBelow(row: TableRow, below: readonly TableRow[]): boolean {
  if (below.length < 2 || filled(row).length < 2 || isPerson(row, below)) return false;
  return row.cells.some((cell, index) => {
    if (cell === '' || looksLikeEmail(cell) || isNumber(cell)) return false;
    const cells = below.map((other) => other.cells[index] ?? '').filter((other) => other !== '');
    if (cells.length < 2) return false;
    const emails = cells.filter(looksLikeEmail).length / cells.length;
    const numbers = cells.filter(isNumber).length / cells.length;
    // A few short words again and again, and above them a longer one: "Skupina" above A, B, A.
    const kinds = new Set(cells);
    const longest = Math.max(...cells.map((other) => other.length));
    const repeats = cells.length > 2 && kinds.size <= cells.length * 0.7 && !kinds.has(cell);
    return emails >= 0.6 || numbers >= 0.8 || (repeats && cell.length >= 2 * longest);
  });
}

/**
 * The line that heads a table: near the top, without an address in it, of words that are known, or of words that stand
 * above what is plainly something else.
 * @returns its index; -1 where there is none
 */
export function findHeader(rows: readonly TableRow[]): number {
  const widest = Math.max(...rows.slice(0, 15).map((row) => filled(row).length));
  const top = rows.slice(0, 10);
  const candidates = top.map((row) => !filled(row).some((cell) => looksLikeEmail(cell)));
  const find = (is: (row: TableRow, index: number) => boolean) =>
    top.findIndex((row, index) => candidates[index] && is(row, index));
  const known = find((row, index) => saysMuch(row, widest, rows.slice(index + 1)));
  if (known >= 0) return known;
  const wide = find((row) => filled(row).length > 2 && beginsWithName(row));
  if (wide >= 0) return wide;
  const alone = find(standsAlone);
  if (alone >= 0) return alone;
  return find((row, index) => index < 3 && differsFromBelow(row, rows.slice(index + 1)));
}
