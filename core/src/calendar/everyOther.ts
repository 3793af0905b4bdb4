import type { Meeting } from '../records/schema';
import { daysBetween, mondayOf } from './localTime';

type Weeks = Pick<Meeting, 'everyOtherFrom'>;

const weeksBetween = (from: string, to: string) => daysBetween(mondayOf(from), mondayOf(to)) / 7;

/** Does a time of the timetable meet in the week of a date? Weeks off count too: the weeks of the calendar take turns. */
export function meetsInWeekOf({ everyOtherFrom }: Weeks, date: string): boolean {
  return !everyOtherFrom || weeksBetween(everyOtherFrom, date) % 2 === 0;
}
