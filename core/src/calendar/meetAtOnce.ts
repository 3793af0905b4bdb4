import type { Meeting } from '../records/schema';
import { meetsInWeekOf } from './everyOther';

type Time = Pick<Meeting, 'everyOtherFrom' | 'weekday' | 'startsAt' | 'endsAt'>;

/** Do two times of the timetable ever meet at once? Those of the one week and of the other do not. */
export function meetAtOnce(a: Time, b: Time): boolean {
  const inOneWeek = !b.everyOtherFrom || meetsInWeekOf(a, b.everyOtherFrom);
  return inOneWeek && a.weekday === b.weekday && a.startsAt < b.endsAt && b.startsAt < a.endsAt;
}
