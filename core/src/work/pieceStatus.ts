import { addMinutes, format, parseISO } from 'date-fns';
import type { HandIn } from '../records/schema';
import { wholeMoment } from './wholeMoment';

/** How a piece of work stands for a student; the names of the open format. */
export const pieceStatuses = ['on_time', 'late', 'missing', 'excused', 'not_due', 'unknown'] as const;
export type PieceStatus = (typeof pieceStatuses)[number];
export type PieceCounts = Record<PieceStatus, number>;

/** What is known of one student's part of a piece. */
export type HandInFacts = Pick<HandIn, 'status' | 'handedInAt' | 'handedBackAt' | 'score'>;

/**
 * Was it handed in by a moment? What has a time came at that time, whatever else is said of it; what was handed in
 * without one came at an unknown time, which is taken for early enough.
 */
export function isHandedIn({ status, handedInAt }: HandInFacts, asOf: string): boolean {
  return handedInAt === null ? status === 'handed_in' : wholeMoment(handedInAt) <= wholeMoment(asOf);
}

/** Was it handed back by a moment? */
export function isHandedBack({ handedBackAt }: HandInFacts, asOf: string): boolean {
  return handedBackAt !== null && wholeMoment(handedBackAt) <= wholeMoment(asOf);
}

/** The last moment at which a piece is on time. */
function latest(dueAt: string, graceMinutes: number): string {
  const due = wholeMoment(dueAt);
  return graceMinutes === 0 ? due : format(addMinutes(parseISO(due), graceMinutes), "yyyy-MM-dd'T'HH:mm:ss");
}

/**
 * How a piece stands for a student at a moment; nothing later is known. All moments are local to the school.
 * Excused whatever else is known; on time when handed in at or before it was due (and the grace), or at an unknown
 * time; late when handed in after it; missing when due, known and not handed in; not due yet; unknown when due and
 * nothing was said of this student. A piece without a due time is never late and never missing.
 * @param handIn undefined: nothing is known of this student
 */
export function statusOf(
  dueAt: string | null,
  handIn: HandInFacts | undefined,
  asOf: string,
  graceMinutes = 0,
): PieceStatus {
  if (handIn?.status === 'excused') return 'excused';
  if (handIn && isHandedIn(handIn, asOf)) {
    if (dueAt === null || handIn.handedInAt === null) return 'on_time';
    return wholeMoment(handIn.handedInAt) <= latest(dueAt, graceMinutes) ? 'on_time' : 'late';
  }
  if (dueAt === null || wholeMoment(dueAt) > wholeMoment(asOf)) return 'not_due';
  return handIn ? 'missing' : 'unknown';
}

/** None of any status. */
export const noPieces = (): PieceCounts => ({
  on_time: 0,
  late: 0,
  missing: 0,
  excused: 0,
  not_due: 0,
  unknown: 0,
});

/** How many pieces stand how. */
export function countStatuses(statuses: Iterable<PieceStatus>): PieceCounts {
  const counts = noPieces();
  for (const status of statuses) counts[status] += 1;
  return counts;
}
