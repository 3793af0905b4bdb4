import type { LocalMoment } from '../calendar/zone';
import type { Enrolment, Lesson, Mark, Standing } from '../records/schema';
import { markId } from './markId';
import { defaultGraceMinutes, minutesMissed, presenceOf, type Presence } from './presence';

/** One student's attendance over some lessons; `here` + (late or left early) + `away` = `taken`. */
export interface Totals {
  /** Held while enrolled, less those set aside for all. */
  lessons: number;
  taken: number;
  notTaken: number;
  /** In time and to the end. */
  here: number;
  late: number;
  leftEarly: number;
  /** Away all of it, excused or not. */
  away: number;
  excused: number;
  /** Lessons set aside for all, and the student's own. */
  setAside: number;
  credit: number;
  /** Credit per lesson taken, 0 to 100; null where nothing was taken. */
  percent: number | null;
  minutesMissed: number;
  minutesLate: number;
}

/** The records that totals are made of, ready for look-up. */
export interface RollBook {
  marks: Readonly<Record<string, Mark>>;
  standings: Readonly<Record<string, Standing>>;
  graceMinutes?: number;
}

/** Is a student of the class on that date? Both days count; null is from the beginning, to the end. */
export function isEnrolledOn(enrolment: Pick<Enrolment, 'startsOn' | 'endsOn'>, date: string): boolean {
  return (
    (enrolment.startsOn === null || enrolment.startsOn <= date) &&
    (enrolment.endsOn === null || date <= enrolment.endsOn)
  );
}

/** A lesson counts once its roll is taken, or when it is over without. */
export function wasHeld(lesson: Lesson, now: LocalMoment): boolean {
  if (lesson.takenAt !== null || lesson.date < now.date) return true;
  return lesson.date === now.date && lesson.endsAt <= now.time;
}

/** How a student was there in a lesson; null when its roll was not taken or it was set aside. */
export function presenceIn(lesson: Lesson, studentId: string, book: RollBook): Presence | null {
  if (lesson.takenAt === null || lesson.setAside) return null;
  const found = book.marks[markId(lesson.id, studentId)];
  const mark = found && !found.removed ? found : undefined;
  const standing = mark?.standingId ? book.standings[mark.standingId] : undefined;
  return presenceOf(lesson, mark, standing, book.graceMinutes ?? defaultGraceMinutes);
}

function emptyTotals(): Totals {
  return {
    lessons: 0,
    taken: 0,
    notTaken: 0,
    here: 0,
    late: 0,
    leftEarly: 0,
    away: 0,
    excused: 0,
    setAside: 0,
    credit: 0,
    percent: null,
    minutesMissed: 0,
    minutesLate: 0,
  };
}

function addPresence(totals: Totals, presence: Presence): void {
  if (presence.setAside) {
    totals.setAside += 1;
    return;
  }
  totals.taken += 1;
  totals.credit += presence.credit;
  totals.minutesMissed += minutesMissed(presence);
  totals.minutesLate += presence.minutesLate;
  if (presence.away) totals.away += 1;
  if (presence.away && presence.excused) totals.excused += 1;
  if (presence.late) totals.late += 1;
  if (presence.leftEarly) totals.leftEarly += 1;
  if (!presence.away && !presence.late && !presence.leftEarly) totals.here += 1;
}

/**
 * A student's totals in one class over some of its lessons. Rates are over lessons taken while
 * enrolled; lessons not taken are reported, never counted as attended.
 * @param lessons of one class, any order, removed ones left out by the caller
 */
export function studentTotals(
  enrolment: Pick<Enrolment, 'studentId' | 'startsOn' | 'endsOn'>,
  lessons: readonly Lesson[],
  book: RollBook,
  now: LocalMoment,
): Totals {
  const totals = emptyTotals();
  for (const lesson of lessons) {
    if (!isEnrolledOn(enrolment, lesson.date)) continue;
    if (lesson.setAside) {
      totals.setAside += 1;
      continue;
    }
    if (!wasHeld(lesson, now)) continue;
    totals.lessons += 1;
    const presence = presenceIn(lesson, enrolment.studentId, book);
    if (presence) addPresence(totals, presence);
    else totals.notTaken += 1;
  }
  totals.percent = totals.taken === 0 ? null : (totals.credit / totals.taken) * 100;
  return totals;
}

export interface LessonCounts {
  enrolled: number;
  here: number;
  late: number;
  leftEarly: number;
  away: number;
  excused: number;
}

/** How many of a class were there in one lesson; null when its roll was not taken or it was set aside. */
export function lessonCounts(
  lesson: Lesson,
  enrolments: readonly Pick<Enrolment, 'studentId' | 'startsOn' | 'endsOn'>[],
  book: RollBook,
): LessonCounts | null {
  if (lesson.takenAt === null || lesson.setAside) return null;
  const totals = emptyTotals();
  for (const enrolment of enrolments) {
    if (!isEnrolledOn(enrolment, lesson.date)) continue;
    const presence = presenceIn(lesson, enrolment.studentId, book);
    if (presence) addPresence(totals, presence);
  }
  const { taken, here, late, leftEarly, away, excused } = totals;
  return { enrolled: taken, here, late, leftEarly, away, excused };
}
