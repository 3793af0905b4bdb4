import { isSame, type Seat } from '../../people/room/seat';
import { whoSitsAt, type Plan } from '../../people/room/placing';

/** Seats that touch, side by side or one behind the other: a table. */
function tables(seats: readonly Seat[]): Seat[][] {
  const left = [...seats];
  const found: Seat[][] = [];
  for (let first = left.pop(); first; first = left.pop()) {
    const table = [first];
    // The list grows while it is gone through.
    for (const { x, y } of table) {
      const touching = left.filter((seat) => Math.abs(seat.x - x) + Math.abs(seat.y - y) === 1);
      for (const seat of touching)
        left.splice(
          left.findIndex((one) => isSame(one, seat)),
          1,
        );
      table.push(...touching);
    }
    found.push(table);
  }
  return found;
}

const middle = (seats: readonly Seat[], of: (seat: Seat) => number) =>
  seats.reduce((sum, seat) => sum + of(seat), 0) / seats.length;

/** From the left to the right, and of what is above each other from the front to the back. */
function across(a: readonly Seat[], b: readonly Seat[]): number {
  const x = middle(a, (seat) => seat.x) - middle(b, (seat) => seat.x);
  return x === 0 ? middle(a, (seat) => seat.y) - middle(b, (seat) => seat.y) : x;
}

/**
 * Cuts a row of things into parts whose sizes are as equal as can be (least sum of squares, by dynamic programming).
 * @returns for each part where it ends
 */
function cuts(sizes: readonly number[], parts: number): number[] {
  const sums = [0];
  for (const size of sizes) sums.push((sums.at(-1) ?? 0) + size);
  const square = (from: number, to: number) => ((sums[to] ?? 0) - (sums[from] ?? 0)) ** 2;
  const ends = sizes.length + 1;
  let costs = Array.from({ length: ends }, (_, to) => square(0, to));
  const backs: number[][] = [];
  for (let part = 1; part < parts; part += 1) {
    const back: number[] = [];
    costs = costs.map((_, to) => {
      let least = Infinity;
      for (let from = 0; from <= to; from += 1) {
        const cost = (costs[from] ?? 0) + square(from, to);
        if (cost >= least) continue;
        least = cost;
        back[to] = from;
      }
      return least;
    });
    backs.push(back);
  }
  const found = [sizes.length];
  for (const back of backs.toReversed()) found.unshift(back[found[0] ?? 0] ?? 0);
  return found;
}

/**
 * Sides as the class sits: from the left of the room to the right, as equal in size as can be. Tables stay together
 * where there are as many of them as sides.
 * @param plan who sits where @param studentIds who takes part @param count 2 to 8
 * @returns ids by side; whoever has no seat is in none
 */
export function bySeats(
  { seats, places }: Pick<Plan, 'seats' | 'places'>,
  studentIds: readonly string[],
  count: number,
): string[][] {
  const taking = new Set(studentIds);
  const used = seats.filter((seat) => taking.has(whoSitsAt(places, seat) ?? ''));
  const whole = tables(seats).map((table) => table.filter((seat) => used.some((one) => isSame(one, seat))));
  const kept = whole.filter((table) => table.length > 0);
  const units = (kept.length >= count ? kept : used.map((seat) => [seat])).sort(across);
  let from = 0;
  return cuts(
    units.map(({ length }) => length),
    count,
  ).map((to) => {
    const side = units.slice(from, to).flat();
    from = to;
    return side.flatMap((seat) => whoSitsAt(places, seat) ?? []);
  });
}
