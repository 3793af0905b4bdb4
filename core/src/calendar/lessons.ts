import type { DayOff, Lesson, Meeting, Term } from '../records/schema';
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

/** The day off a date lies in, if any. */
export function dayOffOn(date: string, daysOff: readonly DayOff[]): DayOff | undefined {
  return daysOff.find((off) => off.startsOn <= date && date <= off.endsOn);
}

/** The term a date lies in, if any. */
export function termOn(date: string, terms: readonly Term[]): Term | undefined {
  return terms.find((term) => term.startsOn <= date && date <= term.endsOn);
}

function meetsOn(meeting: Meeting, date: string): boolean {
  return (
    (meeting.validFrom === null || meeting.validFrom <= date) &&
    (meeting.validUntil === null || date <= meeting.validUntil)
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
 * All lessons from one date to another, both included: those the timetable gives on days of a term
 * that are not off, as recorded where somebody wrote about them, and recorded ones outside it.
 * A recorded lesson stays when the timetable changes or the day becomes a day off, if its roll was
 * taken, it was set aside or moved, or it is an extra one.
 */
export function lessonsBetween(calendar: Calendar, from: string, to: string): Lesson[] {
  const { terms, daysOff, meetings, lessons } = calendar;
  const found = new Map<string, Lesson>();
  const recorded = new Map(lessons.map((lesson) => [lesson.id, lesson]));
  for (const date of datesBetween(from, to)) {
    if (!termOn(date, terms) || dayOffOn(date, daysOff)) continue;
    const weekday = weekdayOf(date);
    for (const meeting of meetings) {
      if (meeting.removed || meeting.weekday !== weekday || !meetsOn(meeting, date)) continue;
      const id = lessonId(meeting.id, date);
      found.set(id, recorded.get(id) ?? plannedLesson(meeting, date));
    }
  }
  for (const lesson of lessons) {
    if (lesson.removed) found.delete(lesson.id);
    else if (isKept(lesson) && from <= lesson.date && lesson.date <= to) found.set(lesson.id, lesson);
  }
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
