import type { Lesson, Sweep } from '../../records/schema';

/** One student in a sweep, beside the last ones. */
export interface SweepRow {
  studentId: string;
  /** Null: not set in this lesson. */
  level: number | null;
  /** The levels of the lessons before in which the student was set, the latest last. */
  before: number[];
}

/** How many of the lessons before stand beside it. */
const shownBefore = 3;

/**
 * The sweep of a lesson, a student a row, in the order given.
 * @param earlier lessons of the class before this one, in order of time
 */
export function sweepRows(
  lessonId: string,
  studentIds: readonly string[],
  earlier: readonly Pick<Lesson, 'id'>[],
  sweeps: readonly Sweep[],
): SweepRow[] {
  const levelOf = new Map(
    sweeps
      .filter(({ removed }) => !removed)
      .map((sweep) => [`${sweep.lessonId} ${sweep.studentId}`, sweep.level]),
  );
  return studentIds.map((studentId) => ({
    studentId,
    level: levelOf.get(`${lessonId} ${studentId}`) ?? null,
    before: earlier
      .map(({ id }) => levelOf.get(`${id} ${studentId}`) ?? null)
      .filter((level) => level !== null)
      .slice(-shownBefore),
  }));
}
