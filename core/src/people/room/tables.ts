import type { Seat } from './seat';

/** A table by the seats at its corners. */
export interface RoomTable {
  from: Seat;
  to: Seat;
}

/** All seats that stand together with one. */
function joined(start: Seat, at: Map<string, Seat>): Seat[] {
  const found = [start];
  at.delete(`${start.x} ${start.y}`);
  for (const { x, y } of found)
    for (const key of [`${x - 1} ${y}`, `${x + 1} ${y}`, `${x} ${y - 1}`, `${x} ${y + 1}`]) {
      const next = at.get(key);
      if (!next) continue;
      at.delete(key);
      found.push(next);
    }
  return found;
}

/** Tables of two seats or more, as they can be drawn: seats that stand together and fill a rectangle. */
export function tablesOf(seats: readonly Seat[]): RoomTable[] {
  const left = new Map(seats.map((seat) => [`${seat.x} ${seat.y}`, seat]));
  return seats.flatMap((seat) => {
    if (!left.has(`${seat.x} ${seat.y}`)) return [];
    const group = joined(seat, left);
    const [xs, ys] = [group.map(({ x }) => x), group.map(({ y }) => y)];
    const from = { x: Math.min(...xs), y: Math.min(...ys) };
    const to = { x: Math.max(...xs), y: Math.max(...ys) };
    const isFull = group.length === (to.x - from.x + 1) * (to.y - from.y + 1);
    return group.length > 1 && isFull ? [{ from, to }] : [];
  });
}
