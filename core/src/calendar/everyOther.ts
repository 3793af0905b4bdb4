import type { Meeting } from '../records/schema';
import { daysBetween, mondayOf } from './localTime';

type Weeks = Pick<Meeting, 'everyOtherFrom'>;

const weeksBetween = (from: string, to: string) => daysBetween(mondayOf(from), mondayOf(to)) / 7;

/** Does a time of the timetable meet in the week of a date? Weeks off count too: the weeks of the calendar take turns. */
export function meetsInWeekOf({ everyOtherFrom }: Weeks, date: string): boolean {
  return !everyOtherFrom || weeksBetween(everyOtherFrom, date) % 2 === 0;
}

type Time = Weeks & Pick<Meeting, 'weekday' | 'startsAt' | 'endsAt'>;

/** Do two times of the timetable ever meet at once? Those of the one week and of the other do not. */
export function meetAtOnce(a: Time, b: Time): boolean {
  const inOneWeek =
    !a.everyOtherFrom ||
    !b.everyOtherFrom ||
    meetsInWeekOf({ everyOtherFrom: a.everyOtherFrom }, b.everyOtherFrom);
  return inOneWeek && a.weekday === b.weekday && a.startsAt < b.endsAt && b.startsAt < a.endsAt;
}

/** In which weeks, seen from a day: nothing for every week. */
export function weeksWords(meeting: Weeks, today: string): string {
  if (!meeting.everyOtherFrom) return '';
  return meetsInWeekOf(meeting, today) ? 'this week and every other' : 'next week and every other';
}
