import { minutesOf, timeOf } from './localTime';

/** What a lesson takes where nothing tells, in minutes. */
const usual = 50;
const lastMinute = 24 * 60 - 1;

/**
 * The times of a lesson that begins now: from the last five minutes on, as long as the class's latest lesson was, and
 * not beyond the day.
 * @param time `HH:MM` @param latest the times of a lesson of the class; null where it has none
 */
export function lessonFrom(
  time: string,
  latest: { startsAt: string; endsAt: string } | null,
): { startsAt: string; endsAt: string } {
  const length = latest ? minutesOf(latest.endsAt) - minutesOf(latest.startsAt) : usual;
  const start = Math.min(minutesOf(time) - (minutesOf(time) % 5), lastMinute - 1);
  return { startsAt: timeOf(start), endsAt: timeOf(Math.min(start + length, lastMinute)) };
}
