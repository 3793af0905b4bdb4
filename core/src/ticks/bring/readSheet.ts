import type { TableRow } from '../../formats/table';
import { isSummary } from '../../people/roster/tidyName';
import { cellsBy, People, personIn } from '../../work/bring/people';
import { workRoleOf, type WorkRole } from '../../work/bring/headingRoles';
import type { LineSaid, PersonWritten } from '../../work/bring/reading';

/** A column of a file, with what stands in it of each person. */
export interface SheetColumn {
  /** Empty where it has none. */
  heading: string;
  cells: { person: number; line: number; written: string }[];
}

/** How a table of small things is understood: who stands in its rows, and what in its columns. */
export interface SheetReading {
  people: PersonWritten[];
  columns: SheetColumn[];
  leftOut: LineSaid[];
}

const who: ReadonlySet<WorkRole | null> = new Set(['name', 'given_name', 'family_name', 'email', 'id']);

/** Headings stand within the first lines. */
const mostAbove = 12;

/** Roles that are about people, each once; all else is a column of the sheet. */
function rolesOf({ cells }: TableRow): (WorkRole | null)[] {
  const seen = new Set<WorkRole>();
  return cells.map((cell) => {
    const role = workRoleOf(cell);
    if (role === null || !who.has(role) || seen.has(role)) return null;
    seen.add(role);
    return role;
  });
}

interface Heading {
  cells: string[];
  roles: (WorkRole | null)[];
  /** Rows to and with it. */
  above: number;
}

function headingOf(rows: readonly TableRow[], isSomebody: (written: string) => boolean): Heading {
  for (const [at, row] of rows.slice(0, mostAbove).entries()) {
    const roles = rolesOf(row);
    const first = row.cells[0] ?? '';
    if (roles.some((role) => role !== null) && !isSomebody(first))
      return { cells: row.cells, roles, above: at + 1 };
  }
  // Nothing says where the names are: they stand first, below a line of headings unless somebody is in it.
  const [first] = rows;
  const width = Math.max(...rows.map(({ cells }) => cells.length));
  const roles: (WorkRole | null)[] = Array.from({ length: width }, (_, at) => (at === 0 ? 'name' : null));
  return !first || isSomebody(first.cells[0] ?? '')
    ? { cells: [], roles, above: 0 }
    : { cells: first.cells, roles, above: 1 };
}

/**
 * Reads a table of small things: a row a student, a column for each thing.
 * @param rows of `readTable` @param isSomebody is it the name or address of a student of the class?
 */
export function readSheet(rows: readonly TableRow[], isSomebody: (written: string) => boolean): SheetReading {
  const { cells, roles, above } = headingOf(rows, isSomebody);
  const people = new People();
  const leftOut: LineSaid[] = [];
  const width = Math.max(cells.length, ...rows.slice(above).map((row) => row.cells.length));
  const columns = Array.from({ length: width }, (_, index) => index)
    .filter((index) => (roles[index] ?? null) === null)
    .map((index): SheetColumn & { index: number } => ({ index, heading: cells[index] ?? '', cells: [] }));
  for (const row of rows.slice(above)) {
    const person = personIn(cellsBy(row, roles));
    if (!person || (person.email === '' && isSummary(person.name))) {
      leftOut.push({ line: row.line, reason: person ? 'it is about the class' : 'nobody is named' });
      continue;
    }
    const index = people.add(person, row.line);
    for (const column of columns) {
      const written = (row.cells[column.index] ?? '').trim();
      if (written !== '') column.cells.push({ person: index, line: row.line, written });
    }
  }
  return {
    people: people.list,
    columns: columns
      .filter((column) => column.heading !== '' || column.cells.length > 0)
      .map(({ index: _index, ...column }) => column),
    leftOut,
  };
}
