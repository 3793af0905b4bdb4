import type { Seat } from '@slate-path/core/people/room/layouts';

export interface Box {
  left: number;
  top: number;
  width: number;
  height: number;
}

/** From where the room is seen: what is nearest lies lowest, and the other way round left and right change too. */
export type SeenFrom = 'front' | 'back';

export interface FloorSize {
  /** How much room there is, in pixels. */
  width: number;
  /** A seat is no narrower and no wider, and so high. */
  narrowest: number;
  widest: number;
  height: number;
  from?: SeenFrom;
}

export interface Floor {
  width: number;
  height: number;
  boxOf: (cell: Seat) => Box;
}

const gap = 6;
/** An empty column or row between tables, which takes no more room than it needs to be seen. */
const aisle = 10;
/** A column or row with no seat in it, only with a door, a shelf. */
const thin = 28;

interface Line {
  at: number;
  size: number;
}

/** Where each of some columns (or rows) begins and how wide it is, and where the last one ends. */
function along(
  seats: readonly number[],
  others: readonly number[],
  size: number,
): { lines: Map<number, Line>; end: number } {
  const full = new Set(seats);
  const used = new Set([...seats, ...others]);
  const lines = new Map<number, Line>();
  let end = 0;
  const [first, last] = [Math.min(...used), Math.max(...used)];
  for (let cell = first; cell <= last; cell += 1) {
    if (used.has(cell)) {
      if (end > 0) end += gap;
      const own = full.has(cell) || full.size === 0 ? size : Math.min(thin, size);
      lines.set(cell, { at: end, size: own });
      end += own;
    } else end += aisle;
  }
  return { lines, end };
}

/** How much of the width is left for each column of seats. */
function seatWidth(
  seats: readonly number[],
  others: readonly number[],
  { width, narrowest, widest }: FloorSize,
): number {
  const { end } = along(seats, others, 0);
  const full = new Set(seats);
  const beside = new Set(others.filter((cell) => !full.has(cell))).size;
  const columns = full.size || beside;
  const taken = end + (full.size > 0 ? beside * thin : 0);
  return Math.floor(Math.min(widest, Math.max(narrowest, (width - taken) / columns)));
}

/**
 * A room as large as there is place for it: what is nearest to whoever looks lies lowest, nearest to the thumb.
 * @param seats and `others`, the places on which something else stands; at least one in all
 */
export function floorOf(seats: readonly Seat[], size: FloorSize, others: readonly Seat[] = []): Floor {
  const turn = size.from === 'back' ? -1 : 1;
  const columnsOf = (cells: readonly Seat[]) => cells.map(({ x }) => x * turn);
  // From the back of the room down to the front.
  const rowsOf = (cells: readonly Seat[]) => cells.map(({ y }) => -y * turn);
  const across = along(
    columnsOf(seats),
    columnsOf(others),
    seatWidth(columnsOf(seats), columnsOf(others), size),
  );
  const down = along(rowsOf(seats), rowsOf(others), size.height);
  const none = { at: 0, size: 0 };
  return {
    width: across.end,
    height: down.end,
    boxOf: ({ x, y }) => {
      const [column, row] = [across.lines.get(x * turn) ?? none, down.lines.get(-y * turn) ?? none];
      return { left: column.at, top: row.at, width: column.size, height: row.size };
    },
  };
}

/** The box round several. */
export function around(boxes: readonly Box[]): Box {
  const left = Math.min(...boxes.map((box) => box.left));
  const top = Math.min(...boxes.map((box) => box.top));
  return {
    left,
    top,
    width: Math.max(...boxes.map((box) => box.left + box.width)) - left,
    height: Math.max(...boxes.map((box) => box.top + box.height)) - top,
  };
}
