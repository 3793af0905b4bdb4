import { TableError, type TableRow } from '../../formats/table';
import { dateOrderOf } from '../../attendance/participants/moment';
import { readScore, readSaid } from './cellWords';
import { workRoleOf, type WorkRole } from './headingRoles';
import { People } from './people';
import { readActivityRows } from './readActivity';
import { readGradeBook } from './readGradeBook';
import { Pieces, readHandInRows } from './readHandIns';
import type { LineSaid, ReadingOptions, WorkReading } from './reading';

/** Headings stand within the first lines. */
const mostAbove = 12;

const who: ReadonlySet<WorkRole | null> = new Set(['name', 'given_name', 'family_name', 'email', 'id']);
const moments: ReadonlySet<WorkRole | null> = new Set([
  'when',
  'date',
  'time',
  'assigned',
  'due',
  'handed_in',
  'handed_back',
]);

/** Each role once: of two columns with one heading the first counts, the other is none we know. */
function rolesOf(row: TableRow): (WorkRole | null)[] {
  const seen = new Set<WorkRole>();
  return row.cells.map((cell) => {
    const role = workRoleOf(cell);
    if (role === null || role === 'total') return role;
    if (seen.has(role)) return null;
    seen.add(role);
    return role;
  });
}

function headingIn(
  rows: readonly TableRow[],
): { row: TableRow; roles: (WorkRole | null)[]; at: number } | null {
  for (const [at, row] of rows.slice(0, mostAbove).entries()) {
    const roles = rolesOf(row);
    const known = roles.filter((role) => role !== null).length;
    const has = (role: WorkRole) => roles.includes(role);
    const named = roles.some((role) => who.has(role));
    const filled = row.cells.filter((cell) => cell.trim() !== '').length;
    if (filled >= 2 && (known >= 2 || named) && (named || has('title') || has('when')))
      return { row, roles, at };
  }
  return null;
}

/** Most of what stands under a heading are scores, or words that stand for them. */
function looksScored(rows: readonly TableRow[], column: number): boolean {
  const cells = rows.map((row) => (row.cells[column] ?? '').trim()).filter((cell) => cell !== '');
  const scored = cells.filter((cell) => readScore(cell) !== null || readSaid(cell) !== undefined);
  return cells.length > 0 && scored.length / cells.length >= 0.5;
}

type Shape = WorkReading['shape'];

function shapeOf(
  roles: readonly (WorkRole | null)[],
  heading: TableRow,
  rows: readonly TableRow[],
): Shape | null {
  const has = (...wanted: WorkRole[]) => wanted.some((role) => roles.includes(role));
  const named = roles.some((role) => who.has(role));
  if (has('title') && named && has('status', 'score', 'handed_in', 'handed_back')) return 'hand_ins';
  if (named && (has('when') || (has('date') && has('time')) || (has('date', 'time') && has('kind'))))
    return 'activity';
  if (has('title') && !named) return 'pieces';
  if (has('title') && named && has('due', 'assigned', 'points')) return 'hand_ins';
  const scored = heading.cells.some(
    (title, index) =>
      title.trim() !== '' && gradeBookRole(roles[index] ?? null) === null && looksScored(rows, index),
  );
  return named && scored ? 'grade_book' : null;
}

/** In a grade book every column that is not about who somebody is or a total is a piece of work. */
const gradeBookRole = (role: WorkRole | null): WorkRole | null =>
  who.has(role) || role === 'total' ? role : null;

/**
 * Reads a table about work or activity: actions, hand-ins or pieces of work one a row, or a grade book with a column a
 * piece. Columns are told by their headings, in a dozen languages.
 * @throws TableError with a sentence where it is none of these
 */
export function readWork(rows: readonly TableRow[], { zone, order: chosen }: ReadingOptions): WorkReading {
  const heading = headingIn(rows);
  const below = heading ? rows.slice(heading.at + 1) : [];
  const shape = heading && shapeOf(heading.roles, heading.row, below);
  if (!heading || !shape)
    throw new TableError(
      'There are no headings in this file that say who did what, or which work was handed in: a column for the student, and one for the time, for the title of the work, or one for each piece. Nothing was changed.',
    );
  if (below.length === 0) throw new TableError('There is nothing below the headings. Nothing was changed.');
  const roles = shape === 'grade_book' ? heading.roles.map(gradeBookRole) : heading.roles;
  const dated = heading.roles.flatMap((role, index) => (moments.has(role) ? [index] : []));
  const written = below.flatMap((row) => dated.map((index) => row.cells[index] ?? ''));
  const { order, sure } = chosen ? { order: chosen, sure: true } : dateOrderOf(written, null);
  const into = {
    people: new People(),
    pieces: new Pieces(),
    leftOut: [] as LineSaid[],
    told: [] as LineSaid[],
  };
  const clock = { zone, order };
  const actions = shape === 'activity' ? readActivityRows(below, roles, clock, into) : [];
  const handIns =
    shape === 'grade_book'
      ? readGradeBook(heading.row, below, roles, clock, into)
      : shape === 'activity'
        ? []
        : readHandInRows(below, roles, clock, into);
  return {
    shape,
    columns: heading.row.cells.map((title, index) => ({ heading: title, role: roles[index] ?? null })),
    people: into.people.list,
    actions,
    pieces: into.pieces.list,
    handIns: lastOfEach(handIns, into.told),
    leftOut: into.leftOut,
    told: into.told,
    order,
    orderUnsure: !sure,
  };
}

/** Of what is said twice of one student's part, the last counts. */
function lastOfEach(handIns: WorkReading['handIns'], told: LineSaid[]): WorkReading['handIns'] {
  const last = new Map<string, WorkReading['handIns'][number]>();
  for (const one of handIns) {
    const key = `${one.person} ${one.piece}`;
    const before = last.get(key);
    if (before) told.push({ line: before.line, reason: `said again in line ${one.line}, which counts` });
    last.set(key, one);
  }
  return [...last.values()];
}
