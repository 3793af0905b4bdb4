import type { DayOff, Lesson, Meeting, Term } from '../records/schema';
import { meetsInWeekOf } from './everyOther';
import { datesBetween, weekdayOf } from './localTime';

/** What decides when lessons are. */
export interface Calendar {
  terms: readonly Term[];
  daysOff: readonly DayOff[];
  meetings: readonly Meeting[];
  /** Lessons somebody has already written about. */
  lessons: readonly Lesson[];
}

/** The id of the lesson a meeting has on a date: every device derives the same one. */
export function lessonId(meetingId: string, date: string): string {
  return `${meetingId}.${date}`;
}

/** Was it given by the timetable, also if it was moved since? Such a lesson has a day in its id. */
export function isOfTimetable({ id }: Pick<Lesson, 'id'>): boolean {
  return /\.\d{4}-\d{2}-\d{2}$/.test(id);
}

/** What a day off has where all of it is off. */
export const wholeDay = { offFrom: null, offUntil: null };

/** Is all of the day off, and not only a part of it? */
export function isWholeDay({ offFrom, offUntil }: DayOff): boolean {
  return !offFrom && !offUntil;
}

const isOn = (date: string) => (off: DayOff) => off.startsOn <= date && date <= off.endsOn;

/** The day off a date lies in, if any; days of which a part is off are none. */
export function dayOffOn(date: string, daysOff: readonly DayOff[]): DayOff | undefined {
  return daysOff.find((off) => isWholeDay(off) && isOn(date)(off));
}

/** What keeps a lesson that would begin at a time of a day from being held: a day off, or the part of one. */
export function offAt(date: string, time: string, daysOff: readonly DayOff[]): DayOff | undefined {
  return daysOff.find(
    (off) => isOn(date)(off) && (off.offFrom ?? '00:00') <= time && time < (off.offUntil ?? '24:00'),
  );
}

/** The term a date lies in, if any. */
export function termOn(date: string, terms: readonly Term[]): Term | undefined {
  return terms.find((term) => term.startsOn <= date && date <= term.endsOn);
}

function meetsOn(meeting: Meeting, date: string): boolean {
  return (
    (meeting.validFrom === null || meeting.validFrom <= date) &&
    (meeting.validUntil === null || date <= meeting.validUntil) &&
    meetsInWeekOf(meeting, date)
  );
}

function plannedLesson(meeting: Meeting, date: string): Lesson {
  return {
    id: lessonId(meeting.id, date),
    sectionId: meeting.sectionId,
    date,
    startsAt: meeting.startsAt,
    endsAt: meeting.endsAt,
    label: '',
    setAside: false,
    takenAt: null,
    removed: false,
  };
}

/**
 * Does a recorded lesson say anything that a changed timetable must not take away? Its roll was taken,
 * it was set aside, moved to a date that is not in its id, or stands in no timetable at all.
 */
function isKept(lesson: Lesson): boolean {
  return lesson.takenAt !== null || lesson.setAside || !lesson.id.endsWith(`.${lesson.date}`);
}

/** In the order of the day, then of the class. */
export function byTime(a: Lesson, b: Lesson): number {
  const keyA = `${a.date} ${a.startsAt} ${a.sectionId}`;
  const keyB = `${b.date} ${b.startsAt} ${b.sectionId}`;
  return keyA < keyB ? -1 : keyA > keyB ? 1 : 0;
}

/**
 * Drops planned lessons of which nobody wrote, where the class was taken at that time without the timetable: a roll
 * that was taken before there was one is not asked for again.
 */
function dropHeldOtherwise(found: Map<string, Lesson>, recorded: ReadonlyMap<string, Lesson>): void {
  const extra = [...found.values()].filter((lesson) => lesson.takenAt !== null && !isOfTimetable(lesson));
  if (extra.length === 0) return;
  for (const [id, lesson] of found)
    if (!recorded.has(id) && lessonsAtOnce(extra, lesson.sectionId, lesson).length > 0) found.delete(id);
}

/**
 * All lessons from one date to another, both included: those the timetable gives on days of a term
 * that are not off (where a part of a day is: those that begin outside of it), as recorded where somebody
 * wrote about them, and recorded ones outside it.
 * A recorded lesson stays when the timetable changes or the day becomes a day off, if its roll was
 * taken, it was set aside or moved, or it is an extra one.
 */
export function lessonsBetween(calendar: Calendar, from: string, to: string): Lesson[] {
  const { terms, daysOff, meetings, lessons } = calendar;
  const found = new Map<string, Lesson>();
  const recorded = new Map(lessons.map((lesson) => [lesson.id, lesson]));
  for (const date of datesBetween(from, to)) {
    const off = daysOff.filter(isOn(date));
    if (!termOn(date, terms) || off.some(isWholeDay)) continue;
    const weekday = weekdayOf(date);
    for (const meeting of meetings) {
      if (meeting.removed || meeting.weekday !== weekday || !meetsOn(meeting, date)) continue;
      if (off.length > 0 && offAt(date, meeting.startsAt, off)) continue;
      const id = lessonId(meeting.id, date);
      found.set(id, recorded.get(id) ?? plannedLesson(meeting, date));
    }
  }
  for (const lesson of lessons) {
    if (lesson.removed) found.delete(lesson.id);
    else if (isKept(lesson) && from <= lesson.date && lesson.date <= to) found.set(lesson.id, lesson);
  }
  dropHeldOtherwise(found, recorded);
  return [...found.values()].filter((l) => from <= l.date && l.date <= to).sort(byTime);
}

/** The lessons of a class that lie, in part or whole, in a time of a day. */
export function lessonsAtOnce(
  lessons: readonly Lesson[],
  sectionId: string,
  time: { date: string; startsAt: string; endsAt: string },
): Lesson[] {
  return lessons.filter(
    (lesson) =>
      lesson.sectionId === sectionId &&
      lesson.date === time.date &&
      lesson.startsAt < time.endsAt &&
      time.startsAt < lesson.endsAt,
  );
}
