import type { TableRow } from '../formats/table';
import { foldName, splitName } from '../people/names';
import { groupBy } from '../records/groupBy';
import { Email } from '../records/schema';
import { recogniseColumns, type ColumnRole, type Columns } from './columns';

export interface Doubt {
  /** Column from 1; null when it is about the whole row. */
  column: number | null;
  reason: string;
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
  guardians: { name: string; email: string }[];
  doubts: Doubt[];
}

export interface RosterReading {
  columns: Columns;
  rows: RosterRow[];
}

/** One row's cells by what they hold. */
function reader(row: TableRow, roles: readonly ColumnRole[]) {
  const at = (role: ColumnRole) => roles.indexOf(role);
  return {
    cell: (role: ColumnRole) => (at(role) < 0 ? '' : (row.cells[at(role)] ?? '')),
    column: (role: ColumnRole) => at(role) + 1,
  };
}

type Cells = ReturnType<typeof reader>;

function namesOf({ cell }: Cells): { givenName: string; familyName: string } {
  const givenName = cell('given_name');
  const familyName = cell('family_name');
  if (givenName || familyName) {
    if (givenName) return { givenName, familyName };
    return familyName.includes(',') ? splitName(familyName) : { givenName: familyName, familyName: '' };
  }
  return splitName(cell('name'));
}

/** An address, or none and a doubt that names its column. `<Name> a@b.org` and `mailto:` are read. */
function emailOf(cells: Cells, role: ColumnRole, doubts: Doubt[], whose: string): string {
  const written = cells.cell(role);
  if (written === '') return '';
  const bare = (/<([^<>]+)>/.exec(written)?.[1] ?? written).replace(/^mailto:/i, '').trim();
  if (Email.safeParse(bare).success) return bare;
  doubts.push({ column: cells.column(role), reason: `“${written}” is not an e-mail address${whose}` });
  return '';
}

function guardiansOf(cells: Cells, doubts: Doubt[]): { name: string; email: string }[] {
  return (['guardian1', 'guardian2'] as const)
    .map((which) => ({
      name: cells.cell(`${which}_name`),
      email: emailOf(cells, `${which}_email`, doubts, ' of a guardian'),
    }))
    .filter(({ name, email }) => name !== '' || email !== '');
}

const summaryWords = /^(total|sum|count|average|students?|page|printed|generated|exported)\b/i;

function readRow(row: TableRow, roles: readonly ColumnRole[]): RosterRow {
  const cells = reader(row, roles);
  const doubts: Doubt[] = [];
  const { givenName, familyName } = namesOf(cells);
  const email = emailOf(cells, 'email', doubts, '');
  const guardians = guardiansOf(cells, doubts);
  const nameless = givenName === '' && familyName === '';
  const noName = !nameless && !/\p{L}/u.test(givenName + familyName);
  const summary = summaryWords.test(givenName) && email === '';
  if (nameless) doubts.push({ column: null, reason: 'there is no name in this row' });
  else if (noName || summary) doubts.push({ column: null, reason: 'this does not look like a person' });
  const leftOut = nameless || noName || summary;
  return {
    line: row.line,
    fate: leftOut ? 'left_out' : doubts.length > 0 ? 'in_doubt' : 'new',
    givenName: givenName.slice(0, 120),
    familyName: familyName.slice(0, 120),
    called: cells.cell('called').slice(0, 120),
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
  row.doubts.push({ column, reason });
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

/**
 * How a roster file is understood: what each column holds, and each row that could be a person.
 * @param rows of `readTable` @param roles the teacher's correction of what the columns hold
 */
export function readRoster(rows: readonly TableRow[], roles?: readonly ColumnRole[]): RosterReading {
  const recognised = recogniseColumns(rows);
  const columns = roles ? { ...recognised, roles: [...roles] } : recognised;
  const read = rows.slice(columns.header + 1).map((row) => readRow(row, columns.roles));
  const emailColumn = columns.roles.indexOf('email');
  doubtRepeats(read, emailColumn < 0 ? null : emailColumn + 1);
  return { columns, rows: read };
}
