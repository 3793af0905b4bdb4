import { minutesOf } from '../../calendar/localTime';
import type { Lesson, Mark, Standing } from '../../records/schema';
import { defaultGraceMinutes, type RollRules } from './rules';

const plainRules = {
  graceMinutes: defaultGraceMinutes,
  awayFromShare: null,
  creditBy: 'standing',
} as const;

/** How one student was there in one lesson whose roll was taken. Minutes are whole. */
export interface Presence {
  /** All of it, or so much of it that the class counts it as such. */
  away: boolean;
  excused: boolean;
  late: boolean;
  leftEarly: boolean;
  /** The student's own lesson does not count. */
  setAside: boolean;
  minutesLate: number;
  minutesEarly: number;
  lessonMinutes: number;
  /** Minutes of the lesson there. */
  minutesThere: number;
  /** 0 to 1, as the standing gives it, or by the minutes where the class says so. */
  credit: number;
  /** Part of the lesson there, as shares of it from 0 to 1; null when away or set aside. */
  there: { from: number; to: number } | null;
}

type LessonTimes = Pick<Lesson, 'startsAt' | 'endsAt'>;
type MarkTimes = Pick<Mark, 'arrivedAt' | 'leftAt'>;

/**
 * Reads a mark by the rules of the archive format: no mark is here for all of it; late by its
 * standing, or here and arrived later than the grace; left early likewise; away beats any times.
 * Late without a time is late by unknown minutes, counted as none. A class may say that missing a
 * part of a lesson is being away, and that credit goes by the minutes there.
 */
export function presenceOf(
  lesson: LessonTimes,
  mark: MarkTimes | undefined,
  standing: Pick<Standing, 'countsAs' | 'credit' | 'excused'> | undefined,
  rules: Pick<RollRules, 'graceMinutes' | 'awayFromShare' | 'creditBy'> = plainRules,
): Presence {
  const { graceMinutes } = rules;
  const start = minutesOf(lesson.startsAt);
  const end = minutesOf(lesson.endsAt);
  const lessonMinutes = Math.max(end - start, 0);
  const countsAs = standing?.countsAs ?? 'here';
  const absent = countsAs === 'away';
  const setAside = countsAs === 'not_counted';
  const within = (time: string) => Math.min(Math.max(minutesOf(time), start), end);
  const arrived = mark?.arrivedAt ? within(mark.arrivedAt) : start;
  const left = mark?.leftAt ? within(mark.leftAt) : end;
  const there = !absent && !setAside;
  const late = there && (countsAs === 'late' || arrived - start > graceMinutes);
  const leftEarly = there && (countsAs === 'left_early' || end - left > graceMinutes);
  const minutesLate = late ? arrived - start : 0;
  const minutesEarly = leftEarly ? Math.min(end - left, lessonMinutes - minutesLate) : 0;
  const share = (minute: number) => (lessonMinutes === 0 ? 0 : (minute - start) / lessonMinutes);
  const minutesThere = there ? lessonMinutes - minutesLate - minutesEarly : 0;
  const missed = lessonMinutes === 0 ? 0 : 1 - minutesThere / lessonMinutes;
  const tooLittle = there && rules.awayFromShare !== null && missed >= rules.awayFromShare;
  const away = absent || tooLittle;
  return {
    away,
    excused: (absent || setAside) && (standing?.excused ?? false),
    late: late && !away,
    leftEarly: leftEarly && !away,
    setAside,
    minutesLate,
    minutesEarly,
    lessonMinutes,
    minutesThere,
    credit: creditOf({ setAside, tooLittle, there, missed }, standing, rules),
    there: there ? { from: share(start + minutesLate), to: share(end - minutesEarly) } : null,
  };
}

interface CreditBasis {
  setAside: boolean;
  tooLittle: boolean;
  there: boolean;
  /** Share of the lesson missed. */
  missed: number;
}

function creditOf(
  { setAside, tooLittle, there, missed }: CreditBasis,
  standing: Pick<Standing, 'credit'> | undefined,
  { creditBy }: Pick<RollRules, 'creditBy'>,
): number {
  if (setAside || (tooLittle && creditBy === 'standing')) return 0;
  return there && creditBy === 'minutes' ? 1 - missed : (standing?.credit ?? 1);
}

/** Minutes of the lesson missed: all of it by an away standing, else late plus early. */
export function minutesMissed(presence: Presence): number {
  if (presence.setAside) return 0;
  return presence.lessonMinutes - presence.minutesThere;
}
