import type { TableRow } from '../../formats/table';
import { readMoment } from './moment';

/** An address within a text; its parts are no longer than mail allows (RFC 5321, 4.5.3.1), so that it is soon told. */
export const emailShape = /[^\s@,;|<>()"']{1,64}@[^\s@,;|<>()"'?]{1,190}\.[a-z]{2,60}/i;

/** An address with what stands round it: brackets, quotes, `mailto:` and what may follow it there. */
const recipient = new RegExp(
  `["'(<]{0,4}\\s?(?:mailto:)?(${emailShape.source})(?:\\?[^\\s<>,;"']*)?\\s?["')>]*`,
  'gi',
);
const fieldName = /^(?:to|cc|bcc|from|an|von|à|de|para|a|aan|till|til)\s*:\s*/i;
const tidy = (text: string) =>
  text
    .replace(fieldName, '')
    .replace(/^[\s,;]+|(?<![\s,;])[\s,;]+$/g, '')
    .replace(/["“”]|^'|'$/g, '')
    .trim();

/** Names that stand before an address: the last belongs to it, unless a sign parts them. */
function namesBefore(text: string): { others: string[]; own: string } {
  const parted = /[,;]\s*$/.test(text) && text.trim().replace(/[,;]/g, '') !== '';
  const parts = text.split(';').map(tidy).filter(Boolean);
  if (parted) return { others: parts, own: '' };
  return { others: parts.slice(0, -1), own: parts.at(-1) ?? '' };
}

/** One line for each recipient: `Name <address>`, an address alone, or a name between semicolons. */
function recipientsOf(text: string): string[] {
  const found: string[] = [];
  let from = 0;
  for (const match of text.matchAll(recipient)) {
    const { others, own } = namesBefore(text.slice(from, match.index));
    found.push(...others, own ? `${own} <${match[1] ?? ''}>` : (match[1] ?? ''));
    from = match.index + match[0].length;
  }
  const rest = text.slice(from).split(';').map(tidy).filter(Boolean);
  return [...found, ...rest];
}

/** A line that only goes on with the address of the one before. */
const isOnlyAddress = (row: TableRow) => /^<[^<>]+>[,;]?$/.test(row.cells.filter(Boolean).join(''));

function joined(rows: readonly TableRow[]): TableRow[] {
  const all: TableRow[] = [];
  for (const row of rows) {
    const last = all.at(-1);
    if (last && isOnlyAddress(row) && !last.cells.some((cell) => cell.includes('@')))
      all[all.length - 1] = { line: last.line, cells: [`${last.cells.join(' ')} ${row.cells.join('')}`] };
    else all.push(row);
  }
  return all;
}

/** All of a list on one line: names between signs, more of them whole than single. */
function namesOnOneLine(rows: readonly TableRow[]): TableRow[] | null {
  const [only, another] = rows;
  const [first = '', ...others] = only?.cells.filter(Boolean) ?? [];
  const cells = [first.replace(/^\p{L}[\p{L} ]{2,30}:\s*/u, ''), ...others];
  if (!only || another || cells.length < 2 || cells.some((cell) => /[\d@]/.test(cell))) return null;
  const whole = cells.filter((cell) => cell.includes(' ')).length;
  return whole >= cells.length / 2 ? cells.map((cell) => ({ line: only.line, cells: [cell] })) : null;
}

/** Several addresses in one line, as a mail program gives them, are a line each; so is what is written as mail. */
export function splitRecipients(rows: readonly TableRow[]): TableRow[] {
  const onOneLine = namesOnOneLine(rows);
  if (onOneLine) return onOneLine;
  return joined(rows).flatMap((row) => {
    const text = row.cells.filter(Boolean).join(', ');
    const many = (text.match(new RegExp(emailShape.source, 'gi')) ?? []).length;
    const asMail = fieldName.test(text) || /mailto:|[,;]\s*$/i.test(text);
    const times = row.cells.some((cell) => readMoment(cell, 'day_first') !== null);
    if (times || many === 0 || (many === 1 && !asMail)) return [row];
    return recipientsOf(text).map((cell) => ({ line: row.line, cells: [cell] }));
  });
}
