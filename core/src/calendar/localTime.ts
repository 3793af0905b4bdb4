const dayMs = 86_400_000;
/** A date without a time is read in UTC, where every day has 24 hours (ECMA-262, Date Time String Format). */
const dayNumber = (date: string) => Date.parse(date) / dayMs;
const dateOf = (day: number) => new Date(day * dayMs).toISOString().slice(0, 10);

/** Minutes since midnight of a `HH:MM`. */
export function minutesOf(time: string): number {
  return Number(time.slice(0, 2)) * 60 + Number(time.slice(3, 5));
}

/** `HH:MM` of minutes since midnight, held within the day. */
export function timeOf(minutes: number): string {
  const held = Math.min(Math.max(Math.round(minutes), 0), 24 * 60 - 1);
  return `${String(Math.floor(held / 60)).padStart(2, '0')}:${String(held % 60).padStart(2, '0')}`;
}

/** The day `days` after a date; negative goes back. @throws RangeError for what is no date */
export function addDays(date: string, days: number): string {
  return dateOf(dayNumber(date) + days);
}

/** Whole days from one date to another; negative when the other is earlier. */
export function daysBetween(from: string, to: string): number {
  return dayNumber(to) - dayNumber(from);
}

/** ISO weekday: Monday 1 to Sunday 7. */
export function weekdayOf(date: string): number {
  // The first of January 1970 was a Thursday.
  return ((((dayNumber(date) + 3) % 7) + 7) % 7) + 1;
}

/** The Monday of a date's week. */
export function mondayOf(date: string): string {
  return addDays(date, 1 - weekdayOf(date));
}

/** Every date from one to another, both included; empty when they are the wrong way round. */
export function datesBetween(from: string, to: string): string[] {
  if (from > to) return [];
  return Array.from({ length: daysBetween(from, to) + 1 }, (_, at) => addDays(from, at));
}

/** First and last date of a month `YYYY-MM`. */
export function monthSpan(month: string): { from: string; to: string } {
  const from = `${month}-01`;
  return { from, to: addDays(nextMonth(month, 1) + '-01', -1) };
}

/** The month `by` months after `YYYY-MM`. */
export function nextMonth(month: string, by: number): string {
  const index = Number(month.slice(0, 4)) * 12 + Number(month.slice(5, 7)) - 1 + by;
  return `${String(Math.floor(index / 12)).padStart(4, '0')}-${String((index % 12) + 1).padStart(2, '0')}`;
}
