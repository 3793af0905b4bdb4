import { isSame, type Seat } from '../seat';

/** Who sits apart has so many places, or aisles, between in every direction. */
const closeSteps = 2;

const steps = (a: Seat, b: Seat) => Math.max(Math.abs(a.x - b.x), Math.abs(a.y - b.y));

/** Side to side; or corner to corner, as round a circle or at a table that stands aslant, with no seat between. */
function touches(a: Seat, b: Seat, isSeat: (x: number, y: number) => boolean): boolean {
  const [dx, dy] = [Math.abs(a.x - b.x), Math.abs(a.y - b.y)];
  if (dx + dy === 1) return true;
  return dx === 1 && dy === 1 && !isSeat(a.x, b.y) && !isSeat(b.x, a.y);
}

/** How seats stand to each other, by their index. */
export interface Relations {
  /** Beside each other at one table; where tables are single, across the aisle. */
  beside: boolean[][];
  /** Too near for two who should sit apart: at most two places from each other, also across an aisle or aslant. */
  close: boolean[][];
  /** In the first third of the rows. */
  front: boolean[];
}

/** @param seats of a room, each at a place of its own */
export function relationsOf(seats: readonly Seat[]): Relations {
  const taken = new Set(seats.map(({ x, y }) => `${x} ${y}`));
  const isSeat = (x: number, y: number) => taken.has(`${x} ${y}`);
  const touching = seats.map((a) => seats.map((b) => !isSame(a, b) && touches(a, b, isSeat)));
  const single = touching.map((row) => !row.includes(true));
  const beside = seats.map((a, i) =>
    seats.map((b, j) => {
      if (touching[i]?.[j]) return true;
      return single[i] === true && single[j] === true && a.y === b.y && Math.abs(a.x - b.x) === 2;
    }),
  );
  const rows = [...new Set(seats.map(({ y }) => y))].sort((a, b) => a - b);
  const lastOfFront = rows[Math.ceil(rows.length / 3) - 1] ?? 0;
  return {
    beside,
    close: seats.map((a) => seats.map((b) => !isSame(a, b) && steps(a, b) <= closeSteps)),
    front: seats.map(({ y }) => y <= lastOfFront),
  };
}
