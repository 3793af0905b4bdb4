import type { TableRow } from '../../formats/table';
import { isFullName, looksLikeEmail } from './columnContent';
import { readHeading } from './headings';
import { tidyName } from './tidyName';

/** Nobody's name with an address is longer. */
const longestPerson = 400;

const isHeading = (cell: string) => cell.length < 40 && readHeading(cell) !== null;

/** "Baker, Hannah": one comma with a space after it, and a name on either side. */
function isTurnedName(line: string): boolean {
  const parts = line.split(',');
  return (
    line.length <= longestPerson &&
    parts.length === 2 &&
    /^ \S/.test(parts[1] ?? '') &&
    parts.every((part) => /\p{L}/u.test(part) && !/[;\t|]/.test(part)) &&
    !looksLikeEmail(line) &&
    isFullName(line)
  );
}

const mailed = /^\s*(?:"[^"]*"|[^"<>,;]*?)\s*<\s*[^\s<>]+@[^\s<>]+\s*>\s*[,;]?\s*$/;

/** Lines as mail programs write them: `"Baker, Hannah" <hannah@x.org>`; several on a line are one each. */
function mailedPeople(text: string): TableRow[] | null {
  const rows = text.split('\n').flatMap((line, index) =>
    line
      .split(/(?<=> {0,3})[,;]/)
      .filter((part) => part.trim() !== '')
      .map((part) => ({ line: index + 1, written: part.trim() })),
  );
  const isMailed = (written: string) => written.length <= longestPerson && mailed.test(written);
  if (rows.length === 0 || !rows.every(({ written }) => isMailed(written))) return null;
  return rows.map(({ line, written }) => ({
    line,
    cells: [written.replace(/["“”]/g, '').replace(/[,;]$/, '')],
  }));
}

/** Names on one line between semicolons, or between commas where each is a whole name. */
function namesOnOneLine(line: string): string[] | null {
  for (const sign of [';', '|', '\t', ',']) {
    const parts = line
      .split(sign)
      .map((part) => part.trim())
      .filter((part) => part !== '');
    const isNamed = (part: string) =>
      part.length <= longestPerson &&
      (looksLikeEmail(part) ? /\s/.test(part) && /\p{L}/u.test(part) : isFullName(part));
    // An address alone belongs to the name beside it.
    if (parts.some((part) => looksLikeEmail(part) && !isNamed(part))) continue;
    // Between other signs than commas a single name may stand too.
    const named = parts.filter(isNamed).length;
    const enough = sign === ',' ? named === parts.length : named >= Math.ceil(parts.length / 2);
    if (parts.some((part) => part.length > longestPerson)) continue;
    if (parts.length >= 2 && enough && parts.every((part) => !isHeading(part) && /\p{L}/u.test(part)))
      return parts;
  }
  return null;
}

/**
 * People that were pasted as plain lines, which a table would cut at the wrong places: "Baker, Hannah" a line, or all of
 * them on one line.
 * @returns a cell for each with the line on which it stands; null where it is a table
 */
export function readNameList(text: string): TableRow[] | null {
  const plainText = text.replace(/\r\n?/g, '\n').replace(/^\uFEFF/, '');
  const mailedOnes = mailedPeople(plainText);
  if (mailedOnes) return mailedOnes;
  const lines = plainText.split('\n');
  const written = lines.flatMap((line, index) =>
    line.trim() === '' ? [] : [{ line: index + 1, text: line.trim() }],
  );
  const people = written.filter(
    ({ text: line }, index) => index > 0 || !(isHeading(line) && !/[,;\t|]/.test(line)),
  );
  const [only] = people;
  if (only && people.length === 1) {
    const [label = ''] = /^\p{L}[\p{L} ]{2,30}:\s*/u.exec(only.text) ?? [];
    const names = namesOnOneLine(
      isHeading(label.replace(':', '')) ? only.text.slice(label.length) : only.text,
    );
    if (names) return names.map((name) => ({ line: only.line, cells: [name] }));
  }
  const turned = people.filter(
    ({ text: line }) => isTurnedName(line) && !line.split(',').every((cell) => isHeading(cell.trim())),
  );
  const plain = people.filter(
    ({ text: line }) => line.length <= longestPerson && !/[,;\t|@]/.test(line) && tidyName(line).name !== '',
  );
  if (turned.length === 0 || turned.length + plain.length < people.length) return null;
  if (turned.length < people.length / 2) return null;
  return written.map(({ line, text: cell }) => ({ line, cells: [cell] }));
}
