import { layoutOf, type LayoutName } from '../src/people/room/layouts';
import { seeded, shuffled } from '../src/people/room/seating/chance';
import type { FillRequest } from '../src/people/room/seating/fill';
import { relationsOf } from '../src/people/room/seating/relations';
import type { Wish, WishKind } from '../src/people/room/seating/wish';

const layouts: LayoutName[] = ['rows', 'pairs', 'fours', 'sixes', 'benches', 'horseshoe', 'circle'];
const kinds: WishKind[] = ['apart', 'together', 'front', 'notThere'];

/** A class of 30 on 30 seats with up to 20 wishes, all of which one seating keeps: that by which they were made. */
export function feasibleCase(number: number): FillRequest {
  const random = seeded(number * 7919 + 1);
  const pick = <T>(items: readonly T[]): T => items[Math.floor(random() * items.length)] as T;
  const seats = layoutOf(pick(layouts), 30);
  const { beside, close, front } = relationsOf(seats);
  const students = Array.from({ length: 30 }, (_, at) => `p${String(at).padStart(2, '0')}`);
  const seatOf = new Map(shuffled(students, random).map((id, at) => [id, at]));
  const at = (id: string) => seatOf.get(id) ?? 0;
  const wishOf = (id: string, kind: WishKind): Wish | null => {
    const a = pick(students);
    const others = students.filter((b) => {
      if (a === b) return false;
      return kind === 'together' ? beside[at(a)]?.[at(b)] : !close[at(a)]?.[at(b)];
    });
    switch (kind) {
      case 'front':
        return front[at(a)] ? { id, kind, studentIds: [a], seats: [] } : null;
      case 'notThere':
        return { id, kind, studentIds: [a], seats: seats.filter((_, i) => i !== at(a) && random() < 0.5) };
      default:
        return others.length > 0 ? { id, kind, studentIds: [a, pick(others)], seats: [] } : null;
    }
  };
  const count = 1 + Math.floor(random() * 20);
  const wishes: Wish[] = [];
  for (let tries = 0; wishes.length < count && tries < 500; tries += 1) {
    const wish = wishOf(`w${wishes.length}`, pick(kinds));
    if (wish) wishes.push(wish);
  }
  return { seats, staying: [], students, wishes, order: pick(['name', 'random']), groups: {}, seed: number };
}
