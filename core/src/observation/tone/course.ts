import type { RoomTone } from '../../records/schema';

/** How the class was for some minutes of a lesson. */
export interface ToneStep {
  /** Milliseconds since 1970. */
  from: number;
  to: number;
  level: number;
}

/** What is needed of a tone. */
export type Told = Pick<RoomTone, 'id' | 'at' | 'level' | 'removed'>;

/**
 * The course of the tone over a lesson: each level from when it was set until the next one, the last until the end.
 * Before the first nothing is known; what was set earlier than the lesson counts from its beginning.
 * @param from of the lesson, milliseconds since 1970 @param to its end, or now while it lasts
 */
export function toneCourse(tones: readonly Told[], from: number, to: number): ToneStep[] {
  const set = tones
    .filter(({ removed, at }) => !removed && Date.parse(at) < to)
    .sort((a, b) => Date.parse(a.at) - Date.parse(b.at) || (a.id < b.id ? -1 : 1));
  const steps: ToneStep[] = [];
  set.forEach(({ at, level }, index) => {
    const next = set[index + 1];
    const begins = Math.max(Date.parse(at), from);
    const ends = Math.min(next ? Math.max(Date.parse(next.at), from) : to, to);
    const before = steps.at(-1);
    if (ends <= begins) return;
    if (before?.level === level && before.to === begins) before.to = ends;
    else steps.push({ from: begins, to: ends, level });
  });
  return steps;
}

/** The mean over a course, each level by how long it lasted; null where none is known. */
export function meanTone(course: readonly ToneStep[]): number | null {
  const length = course.reduce((sum, { from, to }) => sum + to - from, 0);
  if (length === 0) return null;
  return course.reduce((sum, { from, to, level }) => sum + level * (to - from), 0) / length;
}

/** How a lesson went. */
export interface LessonTone {
  lessonId: string;
  /** YYYY-MM-DD */
  date: string;
  startsAt: string;
  mean: number;
  lowest: number;
  highest: number;
  /** For so many minutes it is known. */
  minutes: number;
}

/** A lesson's tone in one line; null where none was set. */
export function lessonTone(
  lesson: { id: string; date: string; startsAt: string },
  course: readonly ToneStep[],
): LessonTone | null {
  const mean = meanTone(course);
  if (mean === null) return null;
  const levels = course.map(({ level }) => level);
  return {
    lessonId: lesson.id,
    date: lesson.date,
    startsAt: lesson.startsAt,
    mean,
    lowest: Math.min(...levels),
    highest: Math.max(...levels),
    minutes: Math.round(course.reduce((sum, { from, to }) => sum + to - from, 0) / 60_000),
  };
}
