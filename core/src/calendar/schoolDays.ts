import type { Calendar } from './lessons';
import { dayOffOn, termOn } from './lessons';
import { weekdayOf } from './localTime';

/**
 * Tells school days: a school day lies in a term, from Monday to Friday or on a weekday on which something meets, and
 * is not off. Where no term is known, any such day is one.
 */
export function schoolDaysOf({
  terms,
  daysOff,
  meetings,
}: Pick<Calendar, 'terms' | 'daysOff' | 'meetings'>): (date: string) => boolean {
  const weekdays = new Set(meetings.filter(({ removed }) => !removed).map(({ weekday }) => weekday));
  return (date) => {
    if (dayOffOn(date, daysOff)) return false;
    const usual = weekdayOf(date) <= 5 || weekdays.has(weekdayOf(date));
    return usual && (terms.length === 0 || termOn(date, terms) !== undefined);
  };
}
