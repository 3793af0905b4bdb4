import type { CheckIn, Student } from '../records/schema';

/** Storm and rain: somebody to look at. */
export const lowWeather = 2;

/** The five kinds of inner weather, from 1. */
export const weatherWords = ['storm', 'rain', 'cloud', 'breaks', 'clear'] as const;

export interface CheckInRoundUp {
  /** Who has not checked in, in the order in which the students were given. */
  missing: Student[];
  /** Who feels low. */
  low: { student: Student; checkIn: CheckIn }[];
  wantsWord: { student: Student; checkIn: CheckIn }[];
  /** From a device that had just checked in somebody else. */
  sameDevice: { student: Student; checkIn: CheckIn }[];
  /** How many want which lunch, most first. */
  lunch: { choice: string; count: number }[];
  checkedIn: number;
}

/** What a lesson's check-ins come to. @param students of the lesson, in the order of the roll */
export function roundUp(students: readonly Student[], checkIns: readonly CheckIn[]): CheckInRoundUp {
  const byStudent = new Map(
    checkIns.filter((c) => !c.removed).map((checkIn) => [checkIn.studentId, checkIn]),
  );
  const said = students.flatMap((student) => {
    const checkIn = byStudent.get(student.id);
    return checkIn ? [{ student, checkIn }] : [];
  });
  const counts = new Map<string, number>();
  for (const { checkIn } of said)
    if (checkIn.lunch) counts.set(checkIn.lunch, (counts.get(checkIn.lunch) ?? 0) + 1);
  return {
    missing: students.filter(({ id }) => !byStudent.has(id)),
    low: said.filter(({ checkIn }) => checkIn.weather !== null && checkIn.weather <= lowWeather),
    wantsWord: said.filter(({ checkIn }) => checkIn.wantsWord),
    sameDevice: said.filter(({ checkIn }) => checkIn.sameDevice),
    lunch: [...counts]
      .map(([choice, count]) => ({ choice, count }))
      .sort((a, b) => b.count - a.count || (a.choice < b.choice ? -1 : 1)),
    checkedIn: said.length,
  };
}
