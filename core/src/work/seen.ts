import { addDays, daysBetween } from '../calendar/localTime';

/** How a student was seen elsewhere in a range of days. */
export interface Seen {
  actions: number;
  days: number;
  /** The last day with an action, up to the end of the range; null is never. */
  lastOn: string | null;
  /**
   * Not seen in the range, though by the weeks before it would have been: less than one time in twenty it
   * happens by chance.
   */
  isUnusual: boolean;
}

/** Days before a range that say how often somebody is usually seen. */
export const usualDays = 56;
const rare = 0.05;

/**
 * How likely it is that nobody saw a student on so many days, when on each day they are seen as often as in the weeks
 * before. Half a day is added to both counts (Jeffreys' prior), so that none of 56 days is not never.
 * @param usual days seen of the `usualDays` before
 */
export function chanceOfNotSeen(usual: number, days: number): number {
  return (1 - (usual + 0.5) / (usualDays + 1)) ** days;
}

/** @param usual days seen of those before the range, and the last of them */
export function seenOf(
  days: readonly { day: string; count: number }[],
  usual: { days: number; lastOn: string | null },
  range: { from: string; to: string },
): Seen {
  const actions = days.reduce((sum, { count }) => sum + count, 0);
  const last = days.reduce<string | null>(
    (found, { day }) => (found === null || day > found ? day : found),
    usual.lastOn,
  );
  const length = daysBetween(range.from, range.to) + 1;
  const isUnusual = actions === 0 && usual.days > 0 && chanceOfNotSeen(usual.days, length) < rare;
  return { actions, days: days.length, lastOn: last, isUnusual };
}

/** Said of somebody who was not seen. */
export function notSeenWords({ lastOn }: Seen, to: string): string {
  if (lastOn === null) return 'never seen';
  const days = daysBetween(lastOn, to);
  return days === 1 ? 'not seen since the day before' : `not seen for ${days} days`;
}

/** The same length of time just before a range. */
export function rangeBefore({ from, to }: { from: string; to: string }): { from: string; to: string } {
  return { from: addDays(from, -daysBetween(from, to) - 1), to: addDays(from, -1) };
}
