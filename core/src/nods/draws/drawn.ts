import type { Draw } from '../../records/schema';
import type { DrawEntry, Lot } from './lot';
import { ticketOf } from './tickets';

/** A number that was drawn and taken; nobody where who had the ticket has been erased since. */
export interface Drawn {
  studentId: string | null;
  /** Which number of the seed it was, from 1 on. */
  n: number;
  ticket: number;
  /** From the lot of those who had had a turn: a new round. */
  rests: boolean;
}

/** Whose a ticket is; without an owner the stretch of tickets that nobody has is called by its beginning. */
function ownerOf(entries: readonly DrawEntry[], ticket: number): { studentId: string | null; key: string } {
  const owner = entries.find(
    ({ firstTicket, tickets }) => firstTicket <= ticket && ticket < firstTicket + tickets,
  );
  if (owner) return { studentId: owner.studentId, key: owner.studentId };
  const before = entries.filter(({ firstTicket }) => firstTicket < ticket).at(-1);
  return { studentId: null, key: `after ${before?.studentId ?? ''}` };
}

/** How many holders a lot has; a stretch of tickets that nobody has counts as one. */
function holdersOf(entries: readonly DrawEntry[], tickets: number): number {
  let next = 1;
  let gaps = 0;
  for (const { firstTicket, tickets: own } of entries) {
    if (firstTicket > next) gaps += 1;
    next = firstTicket + own;
  }
  return entries.length + gaps + (next <= tickets ? 1 : 0);
}

/** So many numbers are enough for any list that was made here; a list that was tampered with ends too. */
const mostNumbers = 100_000;

/**
 * Who is drawn: number after number of the seed, each to the ticket that it falls on; whose ticket was drawn already is
 * passed over. When all who had no turn yet are drawn and more are wanted, it goes on among the others.
 * @param seed 0 to 999,999,999
 * @returns in the order in which they were drawn: as many as wanted, or all that may be drawn
 */
export function drawnOf({
  seed,
  wanted,
  rest,
  ...lot
}: Pick<Draw, 'seed' | 'wanted' | 'rest'> & Lot): Drawn[] {
  const drawn: Drawn[] = [];
  let n = 0;
  const lots = [
    { rests: false, tickets: lot.tickets },
    { rests: true, tickets: rest === 'weeks' ? 0 : lot.restingTickets },
  ];
  for (const { rests, tickets } of lots) {
    const entries = lot.entries.filter((entry) => entry.rests === rests);
    const holders = tickets === 0 ? 0 : holdersOf(entries, tickets);
    const out = new Set<string>();
    while (drawn.length < wanted && out.size < holders && n < mostNumbers) {
      n += 1;
      const ticket = ticketOf(seed, n, tickets);
      const { studentId, key } = ownerOf(entries, ticket);
      if (out.has(key)) continue;
      out.add(key);
      drawn.push({ studentId, n, ticket, rests });
    }
  }
  return drawn;
}

/** Only the ids, of those who are still known. */
export const winnersOf = (drawn: readonly Drawn[]): string[] =>
  drawn.flatMap(({ studentId }) => (studentId === null ? [] : [studentId]));
