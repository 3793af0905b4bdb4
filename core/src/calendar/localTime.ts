/**
 * Milliseconds. Dates alone are counted in universal time, in which every day is as long. A year of them is gone
 * through after every tap, for which a library of local dates takes several times as long.
 */
const dayLength = 86_400_000;
const dateAt = (instant: number) => new Date(instant).toISOString().slice(0, 10);

/** Minutes since midnight of a `HH:MM`. */
export function minutesOf(time: string): number {
  return Number(time.slice(0, 2)) * 60 + Number(time.slice(3, 5));
}

/** `HH:MM` of minutes since midnight, held within the day. */
export function timeOf(minutes: number): string {
  const held = Math.min(Math.max(Math.round(minutes), 0), 24 * 60 - 1);
  return `${String(Math.floor(held / 60)).padStart(2, '0')}:${String(held % 60).padStart(2, '0')}`;
}

/** The day `days` after a date; negative goes back. */
export function addDays(date: string, days: number): string {
  return dateAt(Date.parse(date) + days * dayLength);
}

/** Whole days from one date to another; negative when the other is earlier. */
export function daysBetween(from: string, to: string): number {
  return Math.round((Date.parse(to) - Date.parse(from)) / dayLength);
}

/** ISO weekday: Monday 1 to Sunday 7. */
export function weekdayOf(date: string): number {
  return new Date(date).getUTCDay() || 7;
}

/** The Monday of a date's week. */
export function mondayOf(date: string): string {
  return addDays(date, 1 - weekdayOf(date));
}

/** Every date from one to another, both included; empty when they are the wrong way round. */
export function datesBetween(from: string, to: string): string[] {
  const days = daysBetween(from, to);
  const first = Date.parse(from);
  return days < 0 ? [] : Array.from({ length: days + 1 }, (_, day) => dateAt(first + day * dayLength));
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
