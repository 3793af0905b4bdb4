import type { Lesson, Meeting } from '../records/schema';
import { groupBy } from '../records/groupBy';
import { listed } from '../words/listed';
import { isOfTimetable } from './lessons';
import { addDays, minutesOf, timeOf, weekdayOf } from './localTime';
import { weekdayNames } from './weekdays';

/** A time of the week at which a class was taken without a timetable. */
export interface ProposedTime {
  /** 1 is Monday. */
  weekday: number;
  startsAt: string;
  endsAt: string;
}

/** So long back, in days. */
const lookBack = 28;
/** Lessons that begin no further apart than this, in minutes, are at one time. */
const apart = 25;

const rounded = (time: string) => timeOf(Math.min(Math.round(minutesOf(time) / 5) * 5, 23 * 60 + 55));

/** The times of one weekday: the latest lesson of each says when it is. */
function timesOn(lessons: readonly Lesson[]): Lesson[] {
  const latestFirst = lessons.toSorted((a, b) => (a.date > b.date ? -1 : 1));
  const times: Lesson[] = [];
  for (const lesson of latestFirst) {
    const start = minutesOf(lesson.startsAt);
    const known = times.some((other) => Math.abs(minutesOf(other.startsAt) - start) <= apart);
    if (!known) times.push(lesson);
  }
  return times.toSorted((a, b) => (a.startsAt < b.startsAt ? -1 : 1));
}

/**
 * When a class may meet every week, from the rolls that were taken in it without a timetable in the last four weeks.
 * Nothing is proposed of a single day, nor of times that the timetable has already.
 * @returns in the order of the week
 */
export function proposeTimetable(
  lessons: readonly Lesson[],
  meetings: readonly Meeting[],
  sectionId: string,
  today: string,
): ProposedTime[] {
  const isPlanned = (lesson: Lesson) =>
    meetings.some(
      (meeting) =>
        meeting.sectionId === sectionId &&
        !meeting.removed &&
        (meeting.validUntil === null || meeting.validUntil >= today) &&
        meeting.weekday === weekdayOf(lesson.date) &&
        meeting.startsAt < lesson.endsAt &&
        lesson.startsAt < meeting.endsAt,
    );
  const taken = lessons.filter(
    (lesson) =>
      lesson.sectionId === sectionId &&
      !lesson.removed &&
      !lesson.setAside &&
      lesson.takenAt !== null &&
      lesson.date <= today &&
      lesson.date > addDays(today, -lookBack) &&
      !isOfTimetable(lesson) &&
      !isPlanned(lesson),
  );
  if (new Set(taken.map(({ date }) => date)).size < 2) return [];
  return [...groupBy(taken, ({ date }) => weekdayOf(date))]
    .toSorted(([a], [b]) => a - b)
    .flatMap(([weekday, found]) =>
      timesOn(found).map(({ startsAt, endsAt }) => {
        const start = rounded(startsAt);
        const length = minutesOf(endsAt) - minutesOf(startsAt);
        return { weekday, startsAt: start, endsAt: timeOf(Math.min(minutesOf(start) + length, 1439)) };
      }),
    );
}

/** "Mon and Wed at 9:00", "Mon at 9:00 and Wed at 10:30": each day once, days of one time together. */
export function proposalWords(times: readonly ProposedTime[]): string {
  const byTime = [...groupBy(times, ({ startsAt }) => startsAt)];
  const parts = byTime.map(
    ([startsAt, found]) =>
      `${listed(found.map(({ weekday }) => weekdayNames[weekday - 1]?.slice(0, 3) ?? ''))} at ${startsAt.replace(/^0/, '')}`,
  );
  return listed(parts);
}
