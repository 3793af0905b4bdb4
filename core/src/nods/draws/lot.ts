import type { Draw } from '../../records/schema';

/** Somebody in a draw, with their tickets: those who rest have theirs in a lot of their own. */
export type DrawEntry = Draw['entries'][number];
export type Lot = Pick<Draw, 'entries' | 'tickets' | 'restingTickets'>;

/**
 * Everybody with nods, in the order of their ids, with tickets numbered from 1 on.
 * @param counts how many nods each has; those without are not in it
 * @param resting who had a turn already
 */
export function lotOf(
  counts: ReadonlyMap<string, number>,
  resting: ReadonlySet<string>,
  chances: Draw['chances'],
): Lot {
  const given = { free: 0, resting: 0 };
  const entries = [...counts]
    .filter(([, count]) => count > 0)
    .sort(([a], [b]) => (a < b ? -1 : 1))
    .map(([studentId, count]): DrawEntry => {
      const rests = resting.has(studentId);
      const lot = rests ? 'resting' : 'free';
      const tickets = chances === 'nods' ? count : 1;
      const entry = { studentId, rests, firstTicket: given[lot] + 1, tickets };
      given[lot] += tickets;
      return entry;
    });
  return { entries, tickets: given.free, restingTickets: given.resting };
}

/** How many can be drawn at once: those who rest only where a new round may begin. */
export function mostToDraw({ entries }: Pick<Lot, 'entries'>, rest: Draw['rest']): number {
  return rest === 'weeks' ? entries.filter(({ rests }) => !rests).length : entries.length;
}

/**
 * Do the tickets of a list follow one another, in both lots, from 1 to the last? A list that was never made by `lotOf`
 * may have tickets that nobody can draw; one from which somebody was erased has gaps.
 */
export function isGapless({ entries, tickets, restingTickets }: Lot): boolean {
  const given = { free: 0, resting: 0 };
  const follows = entries.every(({ rests, firstTicket, tickets: own }) => {
    const lot = rests ? 'resting' : 'free';
    const isNext = firstTicket === given[lot] + 1;
    given[lot] += own;
    return isNext;
  });
  const isOnce = new Set(entries.map(({ studentId }) => studentId)).size === entries.length;
  return follows && isOnce && given.free === tickets && given.resting === restingTickets;
}
