import type { Seat } from '@slate-path/core/people/room/seat';

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

/** Where each column (or row) begins and how wide it is, aisles too, and where the last one ends. */
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
    if (used.has(cell) && cell > first) end += gap;
    const own = full.has(cell) || full.size === 0 ? size : Math.min(thin, size);
    const line = { at: end, size: used.has(cell) ? own : aisle };
    lines.set(cell, line);
    end += line.size;
  }
  return { lines, end };
}

/** What stands beside all seats needs a column of its own; what stands before or behind some of them has theirs. */
function besideSeats(seats: readonly number[], pieces: readonly (readonly number[])[]): number[] {
  const full = new Set(seats);
  return pieces.filter((columns) => !columns.some((column) => full.has(column))).flat();
}

/** How much of the width is left for each column of seats. */
function seatWidth(
  seats: readonly number[],
  others: readonly number[],
  { width, narrowest, widest }: FloorSize,
): number {
  const full = new Set(seats).size;
  const beside = new Set(others).size;
  const taken = along(seats, others, 0).end + (full > 0 ? beside * thin : 0);
  return Math.floor(Math.min(widest, Math.max(narrowest, (width - taken) / (full || beside))));
}

/**
 * A room as large as there is place for it: what is nearest to whoever looks lies lowest, nearest to the thumb.
 * @param seats and `pieces`, the places that each other thing takes; at least one in all
 */
export function floorOf(
  seats: readonly Seat[],
  size: FloorSize,
  pieces: readonly (readonly Seat[])[] = [],
): Floor {
  const turn = size.from === 'back' ? -1 : 1;
  const columnsOf = (cells: readonly Seat[]) => cells.map(({ x }) => x * turn);
  // From the back of the room down to the front.
  const rowsOf = (cells: readonly Seat[]) => cells.map(({ y }) => -y * turn);
  const columns = besideSeats(columnsOf(seats), pieces.map(columnsOf));
  const rows = besideSeats(rowsOf(seats), pieces.map(rowsOf));
  const across = along(columnsOf(seats), columns, seatWidth(columnsOf(seats), columns, size));
  const down = along(rowsOf(seats), rows, size.height);
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
