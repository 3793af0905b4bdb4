import type { TableRow } from '../formats/table';
import { foldName } from '../people/names';

/** What a column of a roster holds. */
export const columnRoles = [
  'name',
  'given_name',
  'family_name',
  'called',
  'email',
  'grade',
  'cohort',
  'id',
  'guardian1_name',
  'guardian1_email',
  'guardian2_name',
  'guardian2_email',
  'ignored',
] as const;
export type ColumnRole = (typeof columnRoles)[number];

export interface Columns {
  roles: ColumnRole[];
  /** Index among the rows of the header line; -1 when there is none. */
  header: number;
  /** The header's words, or none. */
  titles: string[];
}

const looksLikeEmail = /\S@\S/;
const nameShape = /^\p{L}[\p{L}\p{M}'’ʼ.\- ]*$/u;
const fullNameShape = /^\p{L}[\p{L}\p{M}'’ʼ.\- ]*[, ]\s*\p{L}[\p{L}\p{M}'’ʼ.\- ]*$/u;
const gradeShape = /^((grade|year|yr|class|form|gr)\.? ?)?(1[0-3]|[1-9]|k)(th|st|nd|rd)?[a-f]?$/i;

const guardianWords = /\b(guardian|parent|mother|father|mum|mom|dad|contact|carer|home)\b/;
const secondWords = /\b(2|two|second|other)\b/;

/** Words that head a column, most telling first. */
const headings: [RegExp, ColumnRole][] = [
  [/\b(preferred|called|nick ?name|known as|goes by)\b/, 'called'],
  [/\b(e-?mail|mail|address)\b/, 'email'],
  [/\b(given|first|forename|christian)\b/, 'given_name'],
  [/\b(family|last|sur ?name|second name)\b/, 'family_name'],
  [/\b(grade|year|form|level)\b/, 'grade'],
  [/\b(cohort|group|set|section|house|half|period)\b/, 'cohort'],
  [/\b(id|number|no|code|identifier)\b/, 'id'],
  [/\b(student|pupil|learner|name|full name|participant|child)s?\b/, 'name'],
];

/** What a heading says; null when it says nothing we know. */
export function roleOfHeading(title: string): ColumnRole | null {
  const words = foldName(title)
    .replace(/([a-z])(\d)/g, '$1 $2')
    .replace(/[_./()#:-]+/g, (sign) => (sign === '-' ? '-' : ' '))
    .trim();
  if (guardianWords.test(words)) {
    const which = secondWords.test(words) || /\bfather\b/.test(words) ? 'guardian2' : 'guardian1';
    if (/\b(phone|mobile|tel|relation|relationship)\b/.test(words)) return 'ignored';
    return /\b(e-?mail|mail)\b/.test(words) ? `${which}_email` : `${which}_name`;
  }
  if (/\b(phone|mobile|tel|birth|dob|gender|sex|fee|paid)\b/.test(words)) return 'ignored';
  if (/^(e-?mail|mail).*\bid\b/.test(words)) return 'email';
  return headings.find(([pattern]) => pattern.test(words))?.[1] ?? null;
}

/** A heading line is near the top, is made of known words, and has no addresses in it. */
function findHeader(rows: readonly TableRow[]): number {
  const widest = Math.max(...rows.slice(0, 15).map((row) => filled(row).length));
  return rows.slice(0, 10).findIndex((row) => {
    const cells = filled(row);
    if (cells.some((cell) => looksLikeEmail.test(cell)) || cells.length < Math.min(widest, 2)) return false;
    const known = cells.filter((cell) => cell.length < 40 && roleOfHeading(cell) !== null).length;
    return known >= Math.max(1, Math.ceil(cells.length / 2));
  });
}

function filled(row: TableRow): string[] {
  return row.cells.filter((cell) => cell !== '');
}

function share(values: readonly string[], test: (value: string) => boolean): number {
  return values.length === 0 ? 0 : values.filter(test).length / values.length;
}

/** What a column holds by its cells alone; names of one word are told apart afterwards. */
function roleOfContent(values: readonly string[]): ColumnRole | 'one_word' {
  const present = values.filter((value) => value !== '');
  if (present.length === 0) return 'ignored';
  if (share(present, (v) => looksLikeEmail.test(v)) >= 0.5) return 'email';
  if (share(present, (v) => gradeShape.test(v)) >= 0.8) return 'grade';
  if (share(present, (v) => /\d/.test(v) && /^[\w-]{3,}$/.test(v)) >= 0.8) {
    return new Set(present).size > present.length * 0.9 ? 'id' : 'cohort';
  }
  if (share(present, (v) => fullNameShape.test(v)) >= 0.6) return 'name';
  if (share(present, (v) => nameShape.test(v)) >= 0.7) {
    return present.length >= 6 && new Set(present).size <= present.length / 3 ? 'cohort' : 'one_word';
  }
  return 'ignored';
}

/** Of two columns of one-word names, the given one is that which e-mail addresses begin with. */
function givenComesFirst(first: string[], second: string[], emails: string[]): boolean {
  const begins = (names: string[]) =>
    names.filter((name, row) => name && foldName(emails[row] ?? '').startsWith(foldName(name))).length;
  return begins(first) >= begins(second);
}

/** Each role but `ignored` is held once; later e-mail columns are those of guardians. */
function settleRoles(found: (ColumnRole | 'one_word')[], columns: string[][]): ColumnRole[] {
  const roles: ColumnRole[] = [];
  const free = (role: ColumnRole) => !roles.includes(role) && !found.includes(role);
  found.forEach((role, index) => {
    if (role === 'one_word') roles[index] = 'ignored';
    else if (role === 'ignored' || !roles.includes(role)) roles[index] = role;
    else if (role === 'email')
      roles[index] = free('guardian1_email')
        ? 'guardian1_email'
        : free('guardian2_email')
          ? 'guardian2_email'
          : 'ignored';
    else if (role === 'name') roles[index] = free('guardian1_name') ? 'guardian1_name' : 'ignored';
    else roles[index] = 'ignored';
  });
  const words = found.flatMap((role, index) => (role === 'one_word' ? [index] : []));
  const named = roles.some((role) => role === 'name' || role === 'given_name' || role === 'family_name');
  if (named || words.length === 0) return roles;
  const [first, second] = words as [number, number | undefined];
  if (second === undefined) {
    roles[first] = 'name';
    return roles;
  }
  const emails = columns[roles.indexOf('email')] ?? [];
  const inOrder = givenComesFirst(columns[first] ?? [], columns[second] ?? [], emails);
  roles[first] = inOrder ? 'given_name' : 'family_name';
  roles[second] = inOrder ? 'family_name' : 'given_name';
  return roles;
}

/**
 * What each column of a table holds: by its heading where there is one that says it, else by its
 * content.
 * @param rows at least one
 */
export function recogniseColumns(rows: readonly TableRow[]): Columns {
  const header = findHeader(rows);
  const titles = header >= 0 ? (rows[header]?.cells ?? []) : [];
  const body = rows.slice(header + 1);
  const width = Math.max(...rows.map((row) => row.cells.length));
  const columns = Array.from({ length: width }, (_, index) => body.map((row) => row.cells[index] ?? ''));
  const found = columns.map((values, index) => {
    const title = titles[index];
    const said = title ? roleOfHeading(title) : null;
    if (said) return said;
    const content = roleOfContent(values);
    // Under a heading with words of its own, only an e-mail address is sure enough.
    return title && content !== 'email' ? 'ignored' : content;
  });
  const one = found.filter((role) => role === 'given_name').length;
  const family = found.includes('family_name');
  const roles = settleRoles(found, columns);
  // "First" and "last" beside a column of whole names: the two tell more than the one.
  if (one > 0 && family) return { roles: roles.map((r) => (r === 'name' ? 'ignored' : r)), header, titles };
  return { roles, header, titles };
}
