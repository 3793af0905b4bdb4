import type { HandIn, Work } from '../../records/schema';
import { handInId } from '../handInId';

/** What one student has finished, or has still to: a piece of their own, on which day, in how many minutes. */
export interface Finished {
  work: Work;
  studentId: string;
  /** Local day; null is not yet. */
  doneOn: string | null;
  minutes: number | null;
}

/** The pieces of their own that students of a class have, finished or not; class's pieces are none of them. */
export function finishedIn(
  work: readonly Work[],
  handIns: Readonly<Record<string, HandIn>>,
  sectionId: string,
): Finished[] {
  return work.flatMap((piece): Finished[] => {
    const { id, studentId, removed } = piece;
    if (studentId === null || removed || piece.sectionId !== sectionId) return [];
    const handIn = handIns[handInId(id, studentId)];
    const isDone = handIn?.removed === false && handIn.status === 'handed_in';
    const doneOn = isDone ? (handIn.handedInAt?.slice(0, 10) ?? null) : null;
    return [{ work: piece, studentId, doneOn, minutes: handIn?.minutes ?? null }];
  });
}
