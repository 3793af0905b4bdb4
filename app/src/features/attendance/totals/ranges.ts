import { addDays, monthSpan, nextMonth, weekdayOf } from '@slate-path/core/calendar/localTime';
import type { Term } from '@slate-path/core/records/schema';
import { monthName } from '../../../parts/dates';
import type { Span } from './rollFileAddress';

export interface NamedSpan extends Span {
  key: string;
  label: string;
}

/** The ranges one asks for most: this week, this month and the last, and the terms. */
export function usualRanges(today: string, terms: readonly Term[]): NamedSpan[] {
  const monday = addDays(today, 1 - weekdayOf(today));
  const month = today.slice(0, 7);
  const last = nextMonth(month, -1);
  return [
    { key: 'week', label: 'This week', from: monday, to: addDays(monday, 6) },
    { key: month, label: monthName(month), ...monthSpan(month) },
    { key: last, label: monthName(last), ...monthSpan(last) },
    ...terms.map(({ id, name, startsOn, endsOn }) => ({ key: id, label: name, from: startsOn, to: endsOn })),
  ];
}
