import type { TableRow } from '../../formats/table';
import { cutName, type CutName, type NameOrder } from '../cutName';
import { isParticle } from '../particles';
import { nameOrderOf } from '../nameOrder';
import { foldName } from '../names';
import { groupBy } from '../../records/groupBy';
import { readAddresses } from './addresses';
import { recogniseColumns, type ColumnRole, type Columns } from './columns';
import { isSummary, tidyName } from './tidyName';

export interface Doubt {
  /** Column from 1; null when it is about the whole row. */
  column: number | null;
  reason: string;
  /** It is somebody for certain, and only what is said of them is in doubt: the row goes in unless it is left out. */
  mild: boolean;
}

/** A row of a roster file as it is understood on its own, before it meets those who are there. */
export interface RosterRow {
  line: number;
  fate: 'new' | 'in_doubt' | 'left_out';
  givenName: string;
  familyName: string;
  called: string;
  email: string;
  grade: string;
  cohort: string;
  schoolId: string;
  /** Their number as it is written, where there is one. */
  guardians: { name: string; email: string; phone?: string }[];
  doubts: Doubt[];
}

export interface RosterReading {
  columns: Columns;
  rows: RosterRow[];
}

/** One row's cells by what they hold. */
function reader(row: TableRow, roles: readonly ColumnRole[], logins = -1) {
  const at = (role: ColumnRole) => roles.indexOf(role);
  return {
    cell: (role: ColumnRole) => (at(role) < 0 ? '' : (row.cells[at(role)] ?? '')),
    /** Of a name in two columns both. */
    all: (role: ColumnRole) =>
      roles
        .map((found, index) => (found === role ? (row.cells[index] ?? '') : ''))
        .filter(Boolean)
        .join(' '),
    column: (role: ColumnRole) => at(role) + 1,
    login: row.cells[logins] ?? '',
  };
}

type Cells = ReturnType<typeof reader>;

/** "Ana Silva <ana@x.org>" in the column of names or of addresses is both. */
interface Written {
  name: string;
  called: string;
  emails: string;
}

const withAddress = /^(.*?)\s*[<(]?\s*(?:mailto:)?([^\s<>()]+@[^\s<>()]+\.[^\s<>()]+)\s*[>)]?\s*$/i;

function writtenIn({ cell }: Cells): Written {
  const inName = nameAndAddress(cell('name'));
  const { name, called } = tidyName(inName?.name ?? cell('name'));
  const emails = [cell('email'), inName?.email ?? ''].filter(Boolean).join('; ');
  if (name !== '' || cell('given_name') !== '' || cell('family_name') !== '') return { name, called, emails };
  const inEmail = nameAndAddress(cell('email'));
  return { ...tidyName(inEmail?.name ?? ''), emails: inEmail?.name ? inEmail.email : emails };
}

/** "hannah@x.org Hannah Baker". */
const afterAddress =
  /^[<(]?\s*(?:mailto:)?([^\s<>()]+@[^\s<>()]+\.[^\s<>(),;:]+)\s*[>)]?[\s,:;-]+(\p{L}[^@]*)$/iu;

/** A cell of a name and an address, in whichever order; null where it is not both. */
function nameAndAddress(cell: string): { name: string; email: string } | null {
  const [, before = '', last = ''] = withAddress.exec(cell) ?? [];
  if (last !== '') return { name: before.replace(/["“”]/g, ''), email: last };
  const [, first = '', behind = ''] = afterAddress.exec(cell) ?? [];
  return first === '' ? null : { name: behind, email: first };
}

/** What tells of a name: the address, else the name to sign in by. */
const addressOf = ({ login }: Cells, emails: string) => readAddresses(emails).emails[0] ?? login;

/** The names of all rows, to tell by them together how they are written. */
function orderOf(rows: readonly Cells[], said: NameOrder | null): NameOrder {
  if (said) return said;
  const ends = rows.flatMap((cells) => {
    const { name, emails } = writtenIn(cells);
    const words = name.split(' ');
    if (name.includes(',') || words.length < 2 || isSummary(name)) return [];
    const { givenName, familyName } = cutName(name, { order: 'given_first', email: '', families: new Set() });
    const [first = '', last = ''] = [words[0], words.at(-1)];
    // Capitals say by themselves which part is the family name, wherever it stands.
    if (familyName === familyName.toUpperCase() && givenName !== givenName.toUpperCase())
      return name.startsWith(familyName) ? [{ first: last, last: first, email: '' }] : [];
    return [{ first, last, email: addressOf(cells, emails) }];
  });
  return nameOrderOf(ends);
}

/** Family names that are certain, for the names that could be cut in two places. */
function knownFamilies(rows: readonly Cells[], order: NameOrder): Set<string> {
  const families = rows.flatMap((cells) => {
    const { name, emails } = writtenIn(cells);
    const email = addressOf(cells, emails);
    const { familyName, unsure } = cutName(name, { order, email, families: new Set() });
    return unsure || !familyName.includes(' ') ? [] : [foldName(familyName)];
  });
  return new Set(families);
}

interface NameReading {
  order: NameOrder;
  families: ReadonlySet<string>;
}

/** "Dijk, van": the particles of a family name behind it, as lists in order of names have them. */
function familyCell(name: string): string {
  const [family = '', behind] = name.split(/\s*,\s*/);
  return behind && behind.split(' ').every(isParticle) ? `${behind} ${family}` : name;
}

function namesOf(cells: Cells, { name, emails }: Written, reading: NameReading): CutName {
  const sure = (givenName: string, familyName: string) => ({ givenName, familyName, unsure: false });
  const [given, own] = [
    tidyName(cells.cell('given_name')).name,
    familyCell(tidyName(cells.all('family_name')).name),
  ];
  const familyName = [cells.cell('family_prefix'), own].filter(Boolean).join(' ');
  const email = addressOf(cells, emails);
  if (given) return sure(given, familyName);
  if (own && cells.column('given_name') > 0) return sure(familyName, '');
  if (own) return own.includes(',') ? cutName(own, { ...reading, email }) : sure(familyName, '');
  return cutName(name, { ...reading, email });
}

function doubtBroken(
  broken: readonly string[],
  cells: Cells,
  role: ColumnRole,
  whose: string,
  doubts: Doubt[],
): void {
  for (const text of broken)
    doubts.push({
      column: cells.column(role),
      reason: `“${text}” is not an e-mail address${whose}`,
      mild: false,
    });
}

/** Names between signs that part them; between "and" too, where there is an address for each. */
function namesIn(cell: string, addresses: number): string[] {
  const parted = cell.split(/\s*[;/|]\s*/).filter(Boolean);
  if (parted.length > 1 || addresses < 2) return parted;
  const both = cell.split(/\s+(?:and|und|et|y|e|og|och|en|i|ve|ja|&)\s+|\s*&\s*|\s*,\s*/).filter(Boolean);
  if (both.length !== addresses) return parted;
  // "Ana & Rui Silva": the family name stands once for both.
  const family = both.at(-1)?.split(' ').slice(1).join(' ') ?? '';
  return both.map((name) => (name.includes(' ') || family === '' ? name : `${name} ${family}`));
}

const longestPhone = 200;

/** Up to two guardians: from a column each, and from several names or addresses in one cell. */
function guardiansOf(cells: Cells, more: readonly string[], doubts: Doubt[]): RosterRow['guardians'] {
  const found = (['guardian1', 'guardian2'] as const).flatMap((which) => {
    const { emails, broken, names: beside } = readAddresses(cells.cell(`${which}_email`));
    doubtBroken(broken, cells, `${which}_email`, ' of a guardian', doubts);
    const named = cells.all(`${which}_name`);
    const inName = readAddresses(named);
    const names =
      inName.emails.length > 0 ? inName.names : namesIn(tidyName(named).name || named, emails.length);
    const addresses = [...emails, ...inName.emails];
    const all = names.length > 0 ? names : beside;
    const phone = cells.cell(`${which}_phone`).slice(0, longestPhone);
    const many = Math.max(all.length, addresses.length, phone === '' ? 0 : 1);
    return Array.from({ length: many }, (_, index) => ({
      name: all[index] ?? '',
      email: addresses[index] ?? '',
      ...(index === 0 && phone !== '' ? { phone } : {}),
    }));
  });
  const guardians: RosterRow['guardians'] = found.filter(
    ({ name, email, phone }) => name !== '' || email !== '' || phone !== undefined,
  );
  for (const email of more) {
    const nameless = guardians.find((guardian) => guardian.email === '');
    if (nameless) nameless.email = email;
    else guardians.push({ name: '', email });
  }
  for (const { name, email } of guardians.slice(2))
    doubts.push({ column: null, reason: `a third guardian is not kept: ${name || email}`, mild: false });
  return guardians.slice(0, 2).map((guardian) => ({ ...guardian, name: guardian.name.slice(0, 120) }));
}

/** The student's own address, and those that stand with it in one cell. */
function emailsOf(cells: Cells, { emails: cell }: Written, names: CutName, doubts: Doubt[]) {
  const { emails, broken } = readAddresses(cell);
  doubtBroken(broken, cells, 'email', '', doubts);
  const family = foldName(names.familyName).split(' ').at(-1) ?? '';
  const given = foldName(names.givenName).split(/[ -]/)[0] ?? '';
  const own = emails.find((email) => given !== '' && foldName(email).includes(given)) ?? emails[0] ?? '';
  const others = emails.filter((email) => email !== own);
  if (others.length > 0)
    doubts.push({
      column: cells.column('email'),
      reason: `several addresses stand here; ${others.join(', ')} ${others.length === 1 ? 'was' : 'were'} taken as a guardian’s`,
      mild: true,
    });
  return { own, others, family };
}

/** Why a row is no person; null where it is one. */
function noPerson({ givenName, familyName }: CutName, written: Written): string | null {
  if (givenName === '' && familyName === '') return 'there is no name in this row';
  const whole = written.name || `${givenName} ${familyName}`;
  const isNone = !/\p{L}/u.test(givenName + familyName) || (isSummary(whole) && written.emails === '');
  return isNone ? 'this does not look like a person' : null;
}

function readRow(row: TableRow, cells: Cells, reading: NameReading): RosterRow {
  const doubts: Doubt[] = [];
  const written = writtenIn(cells);
  const names = namesOf(cells, written, reading);
  const { own: email, others } = emailsOf(cells, written, names, doubts);
  const guardians = guardiansOf(cells, others, doubts);
  const reason = noPerson(names, written);
  if (reason) doubts.unshift({ column: null, reason, mild: false });
  else if (names.unsure)
    doubts.push({
      column: cells.column('name') || null,
      reason: `it is not certain where the family name begins; it was read as “${names.familyName}”`,
      mild: true,
    });
  const { givenName, familyName } = names;
  return {
    line: row.line,
    fate: reason ? 'left_out' : doubts.length > 0 ? 'in_doubt' : 'new',
    givenName: givenName.slice(0, 120),
    familyName: familyName.slice(0, 120),
    called: (cells.cell('called') || written.called).slice(0, 120),
    email,
    grade: cells.cell('grade').slice(0, 200),
    cohort: cells.cell('cohort').slice(0, 200),
    schoolId: cells.cell('id').slice(0, 200),
    guardians,
    doubts,
  };
}

/** Groups of two and more rows of people that share a key; an empty key says nothing. */
function repeatsOf(rows: RosterRow[], key: (row: RosterRow) => string): RosterRow[][] {
  const people = rows.filter((row) => row.fate !== 'left_out' && key(row) !== '');
  return [...groupBy(people, key).values()].filter((group) => group.length > 1);
}

function doubt(row: RosterRow, reason: string, column: number | null = null): void {
  row.fate = 'in_doubt';
  row.doubts.push({ column, reason, mild: false });
}

/** The same person twice: the second is in doubt. The same address for two: both are. */
function doubtRepeats(rows: RosterRow[], emailColumn: number | null): void {
  const repeated = new Set<RosterRow>();
  for (const [first, ...others] of repeatsOf(rows, (r) => foldName(`${r.givenName} ${r.familyName}`))) {
    for (const other of others) {
      const apart = first && other.email && first.email && other.email !== first.email;
      const ids = first && other.schoolId && first.schoolId && other.schoolId !== first.schoolId;
      if (!first || apart || ids) continue;
      repeated.add(other);
      doubt(other, `the same name stands on line ${first.line}`);
    }
  }
  for (const group of repeatsOf(rows, (row) => row.email.toLowerCase())) {
    const people = group.filter((row) => !repeated.has(row));
    if (people.length < 2) continue;
    for (const row of people) {
      const others = people.filter((other) => other !== row).map((other) => other.line);
      doubt(row, `the same e-mail address stands on line ${others.join(', ')}`, emailColumn);
    }
  }
}

/** A heading that a file repeats on each of its pages. */
const isHeadingAgain = (row: TableRow, titles: readonly string[]) =>
  titles.length > 0 &&
  row.cells.length > 0 &&
  row.cells.every((cell, index) => cell === (titles[index] ?? ''));

/**
 * How a roster file is understood: what each column holds, and each row that could be a person.
 * @param rows of `readRosterFile` @param roles the teacher's correction of what the columns hold
 */
export function readRoster(rows: readonly TableRow[], roles?: readonly ColumnRole[]): RosterReading {
  const recognised = recogniseColumns(rows);
  const columns = roles ? { ...recognised, roles: [...roles] } : recognised;
  const body = rows
    .slice(columns.header + 1)
    .filter((row) => !isHeadingAgain(row, columns.titles))
    .map((row) => ({ row, cells: reader(row, columns.roles, columns.logins) }));
  const cells = body.map((each) => each.cells);
  const order = orderOf(cells, columns.nameOrder);
  const reading = { order, families: knownFamilies(cells, order) };
  const read = body.map((each) => readRow(each.row, each.cells, reading));
  const emailColumn = columns.roles.indexOf('email');
  doubtRepeats(read, emailColumn < 0 ? null : emailColumn + 1);
  return { columns, rows: read };
}
