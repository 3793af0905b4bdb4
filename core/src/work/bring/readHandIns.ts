import type { TableRow } from '../../formats/table';
import { addMinutes, format, parseISO } from 'date-fns';
import type { DateOrder } from '../../attendance/participants/moment';
import { readSaid, readScore } from './cellWords';
import type { WorkRole } from './headingRoles';
import { readLocalMoment } from './localMoment';
import { cellsBy, personIn, type CellOf, type People } from './people';
import type { HandInRead, LineSaid, PieceRead } from './reading';

/** A score in letters or words is as long as this at most. */
const longestScore = 40;

/**
 * A score that is no number, as it is kept: as written, counted nowhere. That is told once for a piece of work, with
 * the first line; what is too long for a score is told line by line and not kept.
 */
export function inWordsOf(
  cell: string,
  line: number,
  title: string,
  { told }: Pick<Into, 'told'>,
): string | undefined {
  if (cell.length > longestScore) {
    told.push({ line, reason: `${title}: too long for a score; kept as handed in, without a score` });
    return undefined;
  }
  const begins = `${title}: scores in letters or words`;
  if (!told.some(({ reason }) => reason.startsWith(begins)))
    told.push({ line, reason: `${begins}, as “${cell}”, are kept as written and count in no average` });
  return cell;
}

export interface Into {
  people: People;
  pieces: Pieces;
  leftOut: LineSaid[];
  told: LineSaid[];
}

interface Clock {
  zone: string;
  order: DateOrder;
}

/** Pieces of work of a file, each once. */
export class Pieces {
  readonly list: PieceRead[] = [];
  private readonly byTitle = new Map<string, number>();

  /** @returns the index of a piece, which is added where it is new; what was not known of it is filled in */
  add(piece: PieceRead): number {
    const key = piece.title.toLowerCase().replace(/\s+/g, ' ').trim();
    const at = this.byTitle.get(key);
    const known = at === undefined ? undefined : this.list[at];
    if (at !== undefined && known) {
      known.dueAt ??= piece.dueAt;
      known.assignedAt ??= piece.assignedAt;
      known.points ??= piece.points;
      return at;
    }
    this.byTitle.set(key, this.list.length);
    this.list.push(piece);
    return this.list.length - 1;
  }
}

/** A moment of a cell; null where it is empty, or cannot be read, which is told. */
function momentOf(
  written: string,
  what: string,
  line: number,
  told: LineSaid[],
  { zone, order, endOfDay = false }: Clock & { endOfDay?: boolean },
): string | null {
  if (written === '') return null;
  const moment = readLocalMoment(written, { zone, order, endOfDay });
  if ('at' in moment) return moment.at;
  told.push({ line, reason: `${what}: ${moment.reason}; kept without it` });
  return null;
}

/** What can be late came so long after it was due, where nothing but that it was late is known. */
const leastLate = 1;

export function lateAt(dueAt: string | null): string | null {
  return dueAt === null ? null : format(addMinutes(parseISO(dueAt), leastLate), "yyyy-MM-dd'T'HH:mm:ss");
}

/** What a row says of its piece of work. */
function pieceOf(cell: CellOf, line: number, clock: Clock, told: LineSaid[]): PieceRead {
  const points = readScore(cell('points'));
  const assignedAt = momentOf(cell('assigned'), 'assigned', line, told, clock);
  const dueAt = momentOf(cell('due'), 'due', line, told, { ...clock, endOfDay: true });
  const isOrdered = assignedAt === null || dueAt === null || assignedAt <= dueAt;
  if (!isOrdered)
    told.push({ line, reason: 'it is due before it was assigned; kept without when it was assigned' });
  return {
    title: cell('title').slice(0, 200),
    assignedAt: isOrdered ? assignedAt : null,
    dueAt,
    points: points && points.score > 0 ? points.score : null,
  };
}

/** How one student’s part came, from a status, times and a score. */
function handInOf(
  cell: CellOf,
  line: number,
  piece: PieceRead,
  clock: Clock,
  told: LineSaid[],
): Omit<HandInRead, 'person' | 'piece' | 'line'> | null {
  const said = readSaid(cell('status'));
  const handedIn = cell('handed_in');
  // A column of when it was handed in may hold a word.
  const saidIn = readSaid(handedIn);
  const handedInAt =
    saidIn === undefined
      ? momentOf(handedIn, 'handed in', line, told, clock)
      : saidIn === 'late'
        ? lateAt(piece.dueAt)
        : null;
  let handedBackAt = momentOf(cell('handed_back'), 'handed back', line, told, clock);
  if (handedInAt !== null && handedBackAt !== null && handedBackAt < handedInAt) {
    told.push({ line, reason: 'handed back before it was handed in; kept without when it was handed back' });
    handedBackAt = null;
  }
  const scored = readScore(cell('score'));
  const saidScore = scored ? undefined : readSaid(cell('score'));
  const score = scored ? pointsOf(scored, piece) : null;
  const isInWords = !scored && saidScore === undefined && cell('score') !== '';
  const written = isInWords ? inWordsOf(cell('score'), line, piece.title, { told }) : undefined;
  if (score !== null && piece.points !== null && score > piece.points)
    told.push({ line, reason: `${score} is more than the ${piece.points} points; kept all the same` });
  const status = [said, saidIn, saidScore].find((one) => one !== undefined && one !== 'nothing');
  if (status === 'excused') return { status: 'excused', handedInAt, handedBackAt, score, written };
  if (handedInAt !== null || status === 'handed_in' || status === 'late')
    return {
      status: 'handed_in',
      handedInAt: handedInAt ?? (status === 'late' ? lateAt(piece.dueAt) : null),
      ...{ handedBackAt, score, written },
    };
  if (status === 'missing')
    return { status: 'missing', handedInAt: null, handedBackAt: null, score, written };
  return score === null && written === undefined
    ? null
    : { status: 'handed_in', handedInAt: null, handedBackAt, score, written };
}

/** A score in points: percents of them, or, without points, of a hundred, which the piece then has. */
export function pointsOf(read: NonNullable<ReturnType<typeof readScore>>, piece: PieceRead): number {
  if (read.points !== undefined) piece.points ??= read.points;
  if (!read.percent) return read.score;
  piece.points ??= 100;
  return Math.round(read.score * piece.points) / 100;
}

/** Rows of which each is one student’s part of a piece of work, or, without anybody, a piece. */
export function readHandInRows(
  rows: readonly TableRow[],
  roles: readonly (WorkRole | null)[],
  clock: Clock,
  { people, pieces, leftOut, told }: Into,
): HandInRead[] {
  const hasPeople = roles.some(
    (role) =>
      role === 'name' || role === 'email' || role === 'id' || role === 'given_name' || role === 'family_name',
  );
  return rows.flatMap((row): HandInRead[] => {
    const cell = cellsBy(row, roles);
    if (cell('title') === '') {
      leftOut.push({ line: row.line, reason: 'no piece of work is named' });
      return [];
    }
    const index = pieces.add(pieceOf(cell, row.line, clock, told));
    const piece = pieces.list[index];
    const person = personIn(cell);
    if (!piece || !hasPeople) return [];
    if (!person) {
      leftOut.push({ line: row.line, reason: 'nobody is named' });
      return [];
    }
    const found = handInOf(cell, row.line, piece, clock, told);
    const who = people.add(person, row.line);
    return found ? [{ person: who, piece: index, ...found, line: row.line }] : [];
  });
}
