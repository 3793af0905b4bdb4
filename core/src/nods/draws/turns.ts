import { addDays } from '../../calendar/localTime';
import type { Draw } from '../../records/schema';

export type PastDraw = Pick<Draw, 'id' | 'at' | 'rest' | 'entries' | 'winners'>;

/** Who has had a turn since everybody on a list last had one. */
function hadTheirTurn(draws: readonly PastDraw[]): Set<string> {
  const had = new Set<string>();
  for (const { rest, entries, winners } of draws) {
    const rested = new Set(entries.filter(({ rests }) => rests).map(({ studentId }) => studentId));
    const again = winners.filter((id) => rested.has(id));
    // Somebody who rested was drawn: everybody else on the list had had a turn, and a new round began with them.
    const begins = rest === 'everyone' && again.length > 0;
    if (begins) for (const { studentId } of entries) had.delete(studentId);
    for (const id of begins ? again : winners) had.add(id);
  }
  return had;
}

/**
 * Who rests in a draw because of earlier ones.
 * @param draws all that were made before it in the same class, or the school, in any order
 * @param at the draw's moment, on the school's clocks
 */
export function restingAt(
  draws: readonly PastDraw[],
  at: string,
  { rest, restWeeks }: Pick<Draw, 'rest' | 'restWeeks'>,
): Set<string> {
  if (rest === 'none') return new Set();
  const before = [...draws].sort((a, b) => (a.at < b.at || (a.at === b.at && a.id < b.id) ? -1 : 1));
  if (rest === 'everyone') return hadTheirTurn(before);
  const since = addDays(at.slice(0, 10), -7 * (restWeeks ?? 0));
  return new Set(before.filter((draw) => draw.at.slice(0, 10) > since).flatMap(({ winners }) => winners));
}

/**
 * The first day on which one of some students, who all rest for some weeks, can be drawn again.
 * @returns `YYYY-MM-DD`; null where none of them was ever drawn
 */
export function firstFreeOn(
  draws: readonly PastDraw[],
  studentIds: readonly string[],
  restWeeks: number,
): string | null {
  const free = studentIds.flatMap((id) => {
    const days = draws.filter(({ winners }) => winners.includes(id)).map(({ at }) => at.slice(0, 10));
    const last = days.sort().at(-1);
    return last === undefined ? [] : [addDays(last, 7 * restWeeks)];
  });
  return free.sort()[0] ?? null;
}
