import type { Meeting } from '../records/schema';
import { meetsInWeekOf } from './everyOther';

/** In which weeks, seen from a day: nothing for every week. */
export function weeksWords(meeting: Pick<Meeting, 'everyOtherFrom'>, today: string): string {
  if (!meeting.everyOtherFrom) return '';
  return meetsInWeekOf(meeting, today) ? 'this week and every other' : 'next week and every other';
}
