import type { CheckIn, OtherCheckIn, Student } from '../../records/schema';

/** Storm and rain: somebody to look at. */
export const lowWeather = 2;

/** The five kinds of inner weather, from 1. */
export const weatherWords = ['storm', 'rain', 'cloud', 'breaks', 'clear'] as const;

/** Anything said for a student on coming in: the first, or what another device said later. */
export type AnyCheckIn = CheckIn | OtherCheckIn;

export interface SaidBy {
  student: Student;
  checkIn: AnyCheckIn;
}

export interface CheckInRoundUp {
  /** Who has not checked in, in the order in which the students were given. */
  missing: Student[];
  /** Who feels low, by any of what was said for them. */
  low: SaidBy[];
  /** Who asks for a word, by any of what was said for them: another device cannot take that away. */
  wantsWord: SaidBy[];
  /** From a device that had just checked in somebody else. */
  sameDevice: SaidBy[];
  /** Said from another device for somebody who had checked in, each beside the first of that student. */
  twice: (SaidBy & { first: CheckIn })[];
  /** Checked in, and away by the teacher's hand, which stands until the teacher changes it. */
  markedAway: SaidBy[];
  /** How many want which lunch, most first; of several answers for a student the first counts. */
  lunch: { choice: string; count: number }[];
  checkedIn: number;
}

/**
 * What a lesson's check-ins come to.
 * @param students of the lesson, in the order of the roll
 * @param others what was said from other devices for students who had checked in
 * @param isAwayByHand whether the teacher marked this student away
 */
export function roundUp(
  students: readonly Student[],
  checkIns: readonly CheckIn[],
  others: readonly OtherCheckIn[],
  isAwayByHand: (studentId: string) => boolean = () => false,
): CheckInRoundUp {
  const byStudent = new Map(
    checkIns.filter((c) => !c.removed).map((checkIn) => [checkIn.studentId, checkIn]),
  );
  const said = students.flatMap((student) => {
    const first = byStudent.get(student.id);
    const more = others
      .filter(({ removed, studentId }) => !removed && studentId === student.id)
      .sort((a, b) => (a.at < b.at ? -1 : 1));
    return first ? [{ student, first, more, all: [first, ...more] }] : [];
  });
  // Each student once, with the answer that says it.
  const whoever = (says: (checkIn: AnyCheckIn) => boolean): SaidBy[] =>
    said.flatMap(({ student, all }) => {
      const checkIn = all.find(says);
      return checkIn ? [{ student, checkIn }] : [];
    });
  const counts = new Map<string, number>();
  for (const { first } of said) if (first.lunch) counts.set(first.lunch, (counts.get(first.lunch) ?? 0) + 1);
  return {
    missing: students.filter(({ id }) => !byStudent.has(id)),
    low: whoever(({ weather }) => weather !== null && weather <= lowWeather),
    wantsWord: whoever(({ wantsWord }) => wantsWord),
    sameDevice: said.flatMap(({ student, first }) => (first.sameDevice ? [{ student, checkIn: first }] : [])),
    twice: said.flatMap(({ student, first, more }) => more.map((checkIn) => ({ student, first, checkIn }))),
    markedAway: said.flatMap(({ student, all }) => {
      const latest = all.at(-1);
      return latest && isAwayByHand(student.id) ? [{ student, checkIn: latest }] : [];
    }),
    lunch: [...counts]
      .map(([choice, count]) => ({ choice, count }))
      .sort((a, b) => b.count - a.count || (a.choice < b.choice ? -1 : 1)),
    checkedIn: said.length,
  };
}
