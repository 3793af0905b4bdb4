import { weekdayOf } from '../calendar/localTime';
import { weekdayNames } from '../calendar/weekdays';
import { listed } from '../words/listed';
import { percentOf } from '../words/percent';

/** Student-hours by weekday (Monday first) and hour: one for each student in each hour in which they did something. */
export type HoursOfWeek = number[][];

/** @param days with the bits of their hours */
export function hoursOfWeek(days: readonly { day: string; hours: number }[]): HoursOfWeek {
  const week = Array.from({ length: 7 }, () => new Array<number>(24).fill(0));
  for (const { day, hours } of days) {
    const row = week[weekdayOf(day) - 1];
    if (!row) continue;
    for (let hour = 0; hour < 24; hour += 1) row[hour] = (row[hour] ?? 0) + ((hours >> hour) & 1);
  }
  return week;
}

const sumOf = (values: readonly number[]) => values.reduce((sum, value) => sum + value, 0);
const clock = (hour: number) => `${String(hour).padStart(2, '0')}:00`;

/** The three hours in a row in which most was done, of all weekdays together. */
function busiest(byHour: readonly number[]): { from: number; share: number } {
  const all = sumOf(byHour);
  let best = { from: 0, share: 0 };
  for (let from = 0; from <= 21; from += 1) {
    const share = sumOf(byHour.slice(from, from + 3)) / all;
    if (share > best.share) best = { from, share };
  }
  return best;
}

/** When a class works, in one or two sentences; empty where nothing was done. */
export function whenWorkedWords(week: HoursOfWeek): string {
  const byHour = Array.from({ length: 24 }, (_, hour) => sumOf(week.map((row) => row[hour] ?? 0)));
  const all = sumOf(byHour);
  if (all === 0) return '';
  const { from, share } = busiest(byHour);
  const byDay = week.map(sumOf);
  const days = byDay
    .map((count, index) => ({ count, name: weekdayNames[index] ?? '' }))
    .sort((a, b) => b.count - a.count)
    .slice(0, 2)
    .filter(({ count }) => count / all > 1.5 / 7);
  const late = sumOf(byHour.slice(21)) + sumOf(byHour.slice(0, 5));
  return [
    `${percentOf(share * all, all)} of it between ${clock(from)} and ${clock(from + 3)}`,
    days.length > 0 ? `most on ${listed(days.map(({ name }) => name))}` : '',
    late > 0 ? `${percentOf(late, all)} between 21:00 and 05:00` : 'none between 21:00 and 05:00',
  ]
    .filter(Boolean)
    .join(', ');
}
