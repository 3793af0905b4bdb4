import type { TableRow } from '../../formats/table';
import { addressFit } from '../cutName';
import { nameOrderOf } from '../nameOrder';
import { foldName } from '../names';
import type { ColumnRole } from './columnRoles';
import { roleOfContent, type ContentRole } from './columnContent';
import { findHeader } from './findHeader';
import { headingTokens, readHeading, type Heading } from './headings';
import { headingWords } from './headingWords';
import { tidyName } from './tidyName';
import type { NameOrder } from '../cutName';

export { columnRoles, type ColumnRole } from './columnRoles';

export interface Columns {
  roles: ColumnRole[];
  /** Index among the rows of the header line; -1 when there is none. */
  header: number;
  /** The header's words, or none. */
  titles: string[];
  /** How whole names are written, where the heading says it. */
  nameOrder: NameOrder | null;
  /** Index of a column of names to sign in by, which tell of names as addresses do; -1 where there is none. */
  logins: number;
}

interface Column {
  title: string;
  values: string[];
  said: Heading | null;
  content: ContentRole;
}

const isName = (role: ColumnRole | null) =>
  role === 'name' || role === 'given_name' || role === 'family_name';

const share = (values: readonly string[], test: (value: string, row: number) => boolean) =>
  values.length === 0 ? 0 : values.filter(test).length / values.length;

/** 1, 2, 3 …: the number of the line, which is nobody's id. */
function isCounting(values: readonly string[]): boolean {
  const numbers = values.filter((value) => value !== '').map((value) => Number(value.replace(/[.)]$/, '')));
  return (
    numbers.length > 0 &&
    numbers.every((number, at) => number === (numbers[0] ?? 0) + at) &&
    (numbers[0] ?? 9) <= 1
  );
}

/** What a heading says of a column, unless its cells say plainly otherwise. */
function byHeading({ said, values, content, title }: Column): ColumnRole | null {
  if (!said) return null;
  const present = values.filter((value) => value !== '');
  if (present.length === 0) return said.role;
  if (said.role === 'id' && isCounting(values)) return 'ignored';
  if (said.role === 'email' && content !== 'email' && share(present, (value) => value.includes('@')) === 0)
    return headingTokens(title).some((word) => headingWords.email.has(word)) ? 'email' : 'ignored';
  if (content === 'email' && !said.isOthers && (isName(said.role) || said.role === 'ignored')) return 'email';
  if (said.role === 'guardian1_name' && content === 'email') return 'guardian1_email';
  if (said.role === 'guardian2_name' && content === 'email') return 'guardian2_email';
  if (/^guardian\d_name$/.test(said.role) && share(present, (value) => /\p{L}/u.test(value)) < 0.3)
    return 'ignored';
  if (isName(said.role) && share(present, (value) => /\p{L}{2}/u.test(value)) < 0.3) return 'ignored';
  return said.role;
}

/** Do the cells of a column hold those of another, as whole names hold the given ones? */
function holds(whole: Column, part: Column): boolean {
  const both = whole.values.flatMap((value, row) => {
    const own = part.values[row] ?? '';
    return value !== '' && own !== '' ? [[foldName(value), foldName(own)] as const] : [];
  });
  return (
    both.length > 0 &&
    both.filter(([value, own]) => value !== own && value.includes(own)).length / both.length > 0.5
  );
}

/**
 * A column headed "Name" beside one for given names is that of the whole name, or of the family's: its cells say which.
 */
function settleNames(roles: ColumnRole[], columns: readonly Column[]): void {
  const at = (role: ColumnRole) => roles.indexOf(role);
  const [name, given, family] = [at('name'), at('given_name'), at('family_name')];
  const column = (index: number) => columns[index];
  if (name >= 0 && given >= 0 && family >= 0) {
    // "First" and "last" beside a column of whole names: the two tell more than the one.
    roles[name] = 'ignored';
    return;
  }
  const half = given >= 0 ? given : family;
  const [whole, part] = [column(name), column(half)];
  if (!whole || !part || half < 0) return;
  if (holds(whole, part)) roles[half] = 'ignored';
  else roles[name] = given >= 0 ? 'family_name' : 'given_name';
}

/** Which of two columns holds the given names, and which the family's. */
function settleHalves(
  first: number,
  second: number,
  roles: (ColumnRole | null)[],
  columns: readonly Column[],
): void {
  const emails = columns.find(({ content }) => content === 'email')?.values ?? [];
  const [a, b] = [columns[first], columns[second]];
  const ends = (a?.values ?? []).map((value, row) => ({
    first: value,
    last: b?.values[row] ?? '',
    email: emails[row] ?? '',
  }));
  const inOrder = nameOrderOf(ends) === 'given_first';
  roles[first] = inOrder ? 'given_name' : 'family_name';
  roles[second] = inOrder ? 'family_name' : 'given_name';
}

/** Names under headings with words of their own, where no heading that is known tells of any. */
function namesByContent(roles: (ColumnRole | null)[], columns: readonly Column[]): void {
  const given = roles.indexOf('given_name');
  const family = roles.indexOf('family_name');
  if (roles.includes('name') || (given >= 0 && family >= 0)) return;
  const free = columns.flatMap(({ content }, index) =>
    roles[index] === null && (content === 'name' || content === 'one_word') ? [index] : [],
  );
  const beside = (index: number) => free.find((other) => Math.abs(other - index) === 1);
  if (given >= 0 || family >= 0) {
    const other = beside(Math.max(given, family));
    if (other !== undefined) roles[other] = given >= 0 ? 'family_name' : 'given_name';
    return;
  }
  const whole = free.find((index) => columns[index]?.content === 'name');
  const words = free.filter((index) => columns[index]?.content === 'one_word');
  const halves = whole === undefined ? words : besideWhole(whole, words, columns);
  const [first, second] = halves;
  if (first !== undefined && second !== undefined && (whole === undefined || first <= whole))
    settleHalves(first, second, roles, columns);
  else if (whole !== undefined) roles[whole] = 'name';
  else if (first !== undefined) roles[first] = 'name';
}

/** "Aoife" beside "Ní Dhuibhir" are the halves of one name, unless the several words hold the one. */
function besideWhole(whole: number, words: readonly number[], columns: readonly Column[]): number[] {
  const [word, another] = words;
  if (word === undefined || another !== undefined) return [...words];
  const [several, one] = [columns[whole], columns[word]];
  const isHalf = Math.abs(whole - word) === 1 && several && one && !holds(several, one);
  return isHalf ? [Math.min(whole, word), Math.max(whole, word)] : [];
}

/** Of several columns of addresses the student's own is the one that fits the names. */
function ownEmail(
  indices: readonly number[],
  columns: readonly Column[],
  roles: readonly (ColumnRole | null)[],
): number {
  const cell = (role: ColumnRole, row: number) => columns[roles.indexOf(role)]?.values[row] ?? '';
  const fit = (index: number) =>
    (columns[index]?.values ?? []).reduce((sum, email, row) => {
      const words = tidyName(cell('name', row)).name.split(/[ ,]+/);
      const given = cell('given_name', row) || (words[0] ?? '');
      const family = cell('family_name', row) || (words.at(-1) ?? '');
      return sum + addressFit(email, given, family) + addressFit(email, family, given);
    }, 0);
  const [first = -1, ...others] = indices;
  return others.reduce((best, index) => (fit(index) > fit(best) * 1.5 ? index : best), first);
}

/** How well the addresses of a column fit some names, row by row. */
function fitOf(emails: Column, nameOf: (row: number) => string): number {
  return emails.values.reduce((sum, email, row) => {
    const words = tidyName(nameOf(row)).name.split(/[ ,]+/);
    const [first = '', last = ''] = [words[0], words.at(-1)];
    return sum + Math.max(addressFit(email, first, last), addressFit(email, last, first));
  }, 0);
}

/** Addresses that fit the names of guardians better than the students' are the guardians'. */
function guardiansAddresses(roles: (ColumnRole | null)[], columns: readonly Column[]): void {
  const cell = (role: ColumnRole, row: number) => columns[roles.indexOf(role)]?.values[row] ?? '';
  const studentOf = (row: number) =>
    (['name', 'given_name', 'family_name'] as const)
      .map((role) => cell(role, row))
      .join(' ')
      .trim();
  columns.forEach((column, index) => {
    if (roles[index] !== 'email') return;
    const student = fitOf(column, studentOf);
    const [first, second] = (['guardian1', 'guardian2'] as const).map((which) =>
      fitOf(column, (row) => cell(`${which}_name`, row)),
    ) as [number, number];
    const whose = second > first ? 'guardian2' : 'guardian1';
    if (Math.max(first, second) > student && !roles.includes(`${whose}_email`))
      roles[index] = `${whose}_email`;
  });
}

/** A guardian's name in two columns stays one guardian's. */
const isHalfName = (title: string) => {
  const role = readHeading(title.replace(/guardian|parent|mother|father|contact|carer/gi, ''))?.role;
  return role === 'given_name' || role === 'family_name';
};

const isSame = (a: Column | undefined, b: Column | undefined) =>
  (a?.values ?? []).every((value, row) => foldName(value) === foldName(b?.values[row] ?? ''));

/** Each role but `ignored` is held once, and a guardian's name by its halves; later addresses are those of guardians. */
function onceEach(roles: (ColumnRole | null)[], columns: readonly Column[]): ColumnRole[] {
  const emails = roles.flatMap((role, index) => (role === 'email' ? [index] : []));
  const own = ownEmail(emails, columns, roles);
  const settled: ColumnRole[] = [];
  const isFree = (role: ColumnRole) => !settled.includes(role) && !roles.includes(role);
  const instead = (...wanted: ColumnRole[]) => wanted.find(isFree) ?? 'ignored';
  roles.forEach((role, index) => {
    if (role === null || role === 'ignored') settled[index] = 'ignored';
    else if (role === 'email')
      settled[index] = index === own ? 'email' : instead('guardian1_email', 'guardian2_email');
    else if (!settled.includes(role)) settled[index] = role;
    else if (role === 'guardian1_name')
      settled[index] = isHalfName(columns[index]?.title ?? '') ? role : instead('guardian2_name');
    // "Primer apellido", "Segundo apellido": both are of the family name, unless they say the same.
    else if (role === 'family_name')
      settled[index] = isSame(columns[settled.indexOf(role)], columns[index]) ? 'ignored' : role;
    else if (role === 'guardian1_email') settled[index] = instead('guardian2_email');
    else if (role === 'guardian2_name' && isHalfName(columns[index]?.title ?? '')) settled[index] = role;
    else if (role === 'name' && columns[index]?.said === null) settled[index] = instead('guardian1_name');
    else settled[index] = 'ignored';
  });
  return settled;
}

/**
 * What each column of a table holds: by its heading where there is one that says it, else by its cells.
 * @param rows at least one
 */
export function recogniseColumns(rows: readonly TableRow[]): Columns {
  const header = findHeader(rows);
  const titles = header >= 0 ? (rows[header]?.cells ?? []) : [];
  const body = rows.slice(header + 1);
  const width = Math.max(...rows.map((row) => row.cells.length));
  const columns = Array.from({ length: width }, (_, index): Column => {
    const title = titles[index] ?? '';
    const values = body.map((row) => row.cells[index] ?? '');
    return { title, values, said: title ? readHeading(title) : null, content: roleOfContent(values) };
  });
  const roles = columns.map((column): ColumnRole | null => {
    const said = byHeading(column);
    if (said) return said;
    const { content, title } = column;
    if (content === 'email') return 'email';
    if (content === 'name' || content === 'one_word') return null;
    // Under a heading with words of its own a number or a word that repeats could be anything.
    return title ? 'ignored' : content;
  });
  namesByContent(roles, columns);
  if (header < 0)
    columns.forEach(({ content }, index) => {
      if (roles[index] === null) roles[index] = content === 'name' ? 'name' : 'ignored';
    });
  guardiansAddresses(roles, columns);
  const settled = onceEach(roles, columns);
  settleNames(settled, columns);
  const nameOrder = columns[settled.indexOf('name')]?.said?.order ?? null;
  const logins = columns.findIndex(({ title }) =>
    headingTokens(title).some((word) => headingWords.login.has(word)),
  );
  return { roles: settled, header, titles, nameOrder, logins };
}
