import { isSame, type Seat } from '../seat';
import type { Relations } from './relations';
import type { Wish } from './wish';

/**
 * Whether a wish is kept by who sits where. Who has no seat keeps none. @param seatOf by student, the index of a seat
 */
export function holds(
  { kind, studentIds, seats: not }: Wish,
  seats: readonly Seat[],
  relations: Relations,
  seatOf: ReadonlyMap<string, number>,
): boolean {
  const [a, b] = studentIds.map((id) => seatOf.get(id));
  if (a === undefined) return false;
  const seat = seats[a];
  switch (kind) {
    case 'apart':
      return b !== undefined && !relations.close[a]?.[b];
    case 'together':
      return b !== undefined && relations.beside[a]?.[b] === true;
    case 'front':
      return relations.front[a] === true;
    case 'notThere':
      return seat !== undefined && !not.some((one) => isSame(one, seat));
  }
}
