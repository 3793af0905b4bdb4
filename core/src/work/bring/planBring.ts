import type { HandIn, Work } from '../../records/schema';
import type { HandInToSet } from '../changes';
import { handInId } from '../handInId';
import type { HandInRead, PieceRead } from './reading';

export type BringFate = 'new' | 'changed' | 'same';

export interface PlannedPiece {
  id: string;
  title: string;
  assignedAt: string | null;
  dueAt: string | null;
  points: number | null;
  studentId: null;
  fate: BringFate;
}

export interface PlannedHandIn extends HandInToSet {
  workId: string;
  fate: BringFate;
}

export interface BringPlan {
  pieces: PlannedPiece[];
  handIns: PlannedHandIn[];
}

interface Here {
  /** Of the class. */
  work: readonly Work[];
  handIns: Readonly<Record<string, HandIn>>;
  /** By place in the file’s list of people. */
  students: ReadonlyMap<number, string>;
  /** An id for a piece that is not there yet, by its title. */
  newId: (title: string) => string;
}

/** By which a piece of work is known: its title, however it is written. */
export const pieceKey = (title: string) => title.toLowerCase().replace(/\s+/g, ' ').trim();

/** What a file does not say stays as it is. */
function plannedPiece(read: PieceRead, known: Work | undefined, id: string): PlannedPiece {
  const piece = {
    id,
    title: known?.title ?? read.title,
    assignedAt: read.assignedAt ?? known?.assignedAt ?? null,
    dueAt: read.dueAt ?? known?.dueAt ?? null,
    points: read.points ?? known?.points ?? null,
    studentId: null,
  };
  if (piece.assignedAt !== null && piece.dueAt !== null && piece.dueAt < piece.assignedAt)
    piece.assignedAt = null;
  const isSame =
    known?.assignedAt === piece.assignedAt && known.dueAt === piece.dueAt && known.points === piece.points;
  return { ...piece, fate: known === undefined ? 'new' : isSame ? 'same' : 'changed' };
}

/** A share of the points, to the hundredth. */
const scoreOf = ({ score, share }: HandInRead, points: number | null) =>
  share === undefined || points === null ? score : Math.round(share * points * 100) / 100;

function plannedHandIn(
  read: HandInRead,
  { id: workId, points }: PlannedPiece,
  studentId: string,
  known: HandIn | undefined,
): PlannedHandIn {
  const before = known && !known.removed ? known : undefined;
  const score = scoreOf(read, points);
  const fields = {
    status: read.status,
    handedInAt: read.handedInAt ?? (read.status === 'missing' ? null : (before?.handedInAt ?? null)),
    handedBackAt: read.handedBackAt ?? before?.handedBackAt ?? null,
    // A number takes the place of a word, and a word of a number.
    score: read.written === undefined ? (score ?? before?.score ?? null) : null,
    written: read.written ?? (score === null ? (before?.written ?? null) : null),
  };
  const isSame =
    before?.status === fields.status &&
    before.handedInAt === fields.handedInAt &&
    before.handedBackAt === fields.handedBackAt &&
    before.score === fields.score &&
    before.written === fields.written;
  return { workId, studentId, ...fields, fate: before === undefined ? 'new' : isSame ? 'same' : 'changed' };
}

/**
 * What becomes of a file’s pieces of work and hand-ins beside what is there: pieces are known by their titles. What it
 * does not say is kept, so that the same file twice changes nothing.
 */
export function planBring(
  read: {
    pieces: readonly PieceRead[];
    handIns: readonly HandInRead[];
    onlyKnown?: boolean | undefined;
  },
  { work, handIns, students, newId }: Here,
): BringPlan {
  // What one student has to do of their own is no piece that a file speaks of.
  const ofAll = work.filter(({ removed, studentId }) => !removed && studentId === null);
  const byTitle = new Map(ofAll.map((one) => [pieceKey(one.title), one]));
  const pieces = read.pieces.map((piece) => {
    const known = byTitle.get(pieceKey(piece.title));
    return plannedPiece(piece, known, known?.id ?? newId(piece.title));
  });
  const planned = read.handIns.flatMap((one): PlannedHandIn[] => {
    const studentId = students.get(one.person);
    const piece = pieces[one.piece];
    if (studentId === undefined || !piece) return [];
    if (read.onlyKnown && piece.fate === 'new') return [];
    const known = handIns[handInId(piece.id, studentId)];
    // Handed in once more is not handed in later.
    const first = known && !known.removed ? known.handedInAt : null;
    const isLater = first !== null && one.handedInAt !== null && first < one.handedInAt;
    const counted = read.onlyKnown && isLater ? { ...one, handedInAt: first } : one;
    return [plannedHandIn(counted, piece, studentId, known)];
  });
  // A piece of which the file has parts, none of anybody here, is another class's.
  const ofSomebody = new Set(planned.map(({ workId }) => workId));
  const ofNobody = new Set(
    read.handIns.flatMap(({ piece }) => pieces[piece]?.id ?? []).filter((id) => !ofSomebody.has(id)),
  );
  const kept = pieces.filter(({ id, fate }) => fate !== 'new' || (!read.onlyKnown && !ofNobody.has(id)));
  return { pieces: kept, handIns: planned };
}
