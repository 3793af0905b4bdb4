import type { Seat } from '@slate-path/core/people/room/layouts';

export interface Box {
  left: number;
  top: number;
  width: number;
  height: number;
}

export interface FloorSize {
  /** How much room there is, in pixels. */
  width: number;
  /** A seat is no narrower and no wider, and so high. */
  narrowest: number;
  widest: number;
  height: number;
}

export interface Floor {
  width: number;
  height: number;
  boxOf: (seat: Seat) => Box;
}

const gap = 6;
/** An empty column or row between tables, which takes no more room than it needs to be seen. */
const aisle = 10;

/** Where each of some columns (or rows) begins, and where the last one ends. */
function along(cells: readonly number[], size: number): { at: Map<number, number>; end: number } {
  const used = new Set(cells);
  const at = new Map<number, number>();
  let end = 0;
  const [first, last] = [Math.min(...used), Math.max(...used)];
  for (let cell = first; cell <= last; cell += 1) {
    if (used.has(cell)) {
      if (end > 0) end += gap;
      at.set(cell, end);
      end += size;
    } else end += aisle;
  }
  return { at, end };
}

/**
 * A room as large as there is place for it: the front row lowest, nearest to the thumb, as the teacher faces it.
 * @param seats at least one
 */
export function floorOf(seats: readonly Seat[], { width, narrowest, widest, height }: FloorSize): Floor {
  const columns = seats.map(({ x }) => x);
  const used = new Set(columns).size;
  const aisles = Math.max(...columns) - Math.min(...columns) + 1 - used;
  const free = (width - aisles * aisle - (used - 1) * gap) / used;
  const seatWidth = Math.floor(Math.min(widest, Math.max(narrowest, free)));
  const across = along(columns, seatWidth);
  // From the back of the room down to the front.
  const down = along(
    seats.map(({ y }) => -y),
    height,
  );
  return {
    width: across.end,
    height: down.end,
    boxOf: ({ x, y }) => ({
      left: across.at.get(x) ?? 0,
      top: down.at.get(-y) ?? 0,
      width: seatWidth,
      height,
    }),
  };
}
