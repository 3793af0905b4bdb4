/** What the thumb has in hand: nothing, a student, or a look-for. */
export type Hold =
  | { what: 'nothing' }
  | { what: 'student'; studentId: string | null }
  | { what: 'lookFor'; lookForId: string };

/** What was tapped; a student of null is the whole class. */
export type HoldTap = { student: string | null } | { lookFor: string };

export interface Held {
  hold: Hold;
  /** The tally that the tap makes, if any. */
  tally: { studentId: string | null; lookForId: string } | null;
}

export const emptyHand: Hold = { what: 'nothing' };

/**
 * Two ways to tally with the same thumb. A student first: then each look-for is one tally of that student.
 * A look-for first: it is held, and each student tapped has one. Another of the same sort takes the place of
 * what is in hand; tapped again it stays in hand, for whoever goes from student to look-for and back means the
 * same student. Letting go is a gesture of its own (`emptyHand`).
 */
export function tapWith(hold: Hold, tap: HoldTap): Held {
  if ('student' in tap) {
    const { student: studentId } = tap;
    if (hold.what === 'lookFor') return { hold, tally: { studentId, lookForId: hold.lookForId } };
    return { hold: { what: 'student', studentId }, tally: null };
  }
  const { lookFor: lookForId } = tap;
  if (hold.what === 'student') return { hold, tally: { studentId: hold.studentId, lookForId } };
  return { hold: { what: 'lookFor', lookForId }, tally: null };
}
