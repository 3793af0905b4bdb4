import { minutesOf } from '../calendar/localTime';
import type { Lesson, Mark, Standing } from '../records/schema';

/** Minutes after the start, or before the end, that are forgiven unless the class says otherwise. */
export const defaultGraceMinutes = 5;

/** How one student was there in one lesson whose roll was taken. Minutes are whole. */
export interface Presence {
  away: boolean;
  excused: boolean;
  late: boolean;
  leftEarly: boolean;
  /** The student's own lesson does not count. */
  setAside: boolean;
  minutesLate: number;
  minutesEarly: number;
  lessonMinutes: number;
  /** 0 to 1, as the standing gives it. */
  credit: number;
  /** Part of the lesson there, as shares of it from 0 to 1; null when away or set aside. */
  there: { from: number; to: number } | null;
}

type LessonTimes = Pick<Lesson, 'startsAt' | 'endsAt'>;
type MarkTimes = Pick<Mark, 'arrivedAt' | 'leftAt'>;

/**
 * Reads a mark by the rules of the archive format: no mark is here for all of it; late by its
 * standing, or here and arrived later than the grace; left early likewise; away beats any times.
 * Late without a time is late by unknown minutes, counted as none.
 */
export function presenceOf(
  lesson: LessonTimes,
  mark: MarkTimes | undefined,
  standing: Pick<Standing, 'countsAs' | 'credit' | 'excused'> | undefined,
  graceMinutes = defaultGraceMinutes,
): Presence {
  const start = minutesOf(lesson.startsAt);
  const end = minutesOf(lesson.endsAt);
  const lessonMinutes = Math.max(end - start, 0);
  const countsAs = standing?.countsAs ?? 'here';
  const away = countsAs === 'away';
  const setAside = countsAs === 'not_counted';
  const within = (time: string) => Math.min(Math.max(minutesOf(time), start), end);
  const arrived = mark?.arrivedAt ? within(mark.arrivedAt) : start;
  const left = mark?.leftAt ? within(mark.leftAt) : end;
  const there = !away && !setAside;
  const late = there && (countsAs === 'late' || arrived - start > graceMinutes);
  const leftEarly = there && (countsAs === 'left_early' || end - left > graceMinutes);
  const minutesLate = late ? arrived - start : 0;
  const minutesEarly = leftEarly ? Math.min(end - left, lessonMinutes - minutesLate) : 0;
  const share = (minute: number) => (lessonMinutes === 0 ? 0 : (minute - start) / lessonMinutes);
  return {
    away,
    excused: (away || setAside) && (standing?.excused ?? false),
    late,
    leftEarly,
    setAside,
    minutesLate,
    minutesEarly,
    lessonMinutes,
    credit: setAside ? 0 : (standing?.credit ?? 1),
    there: there ? { from: share(start + minutesLate), to: share(end - minutesEarly) } : null,
  };
}

/** Minutes of the lesson missed: all of it when away, else late plus early. */
export function minutesMissed(presence: Presence): number {
  if (presence.setAside) return 0;
  return presence.away ? presence.lessonMinutes : presence.minutesLate + presence.minutesEarly;
}
