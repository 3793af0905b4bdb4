/** Columns from the left and rows from the front of the room, as the teacher faces it. */
export interface Seat {
  x: number;
  y: number;
}

export const layoutNames = ['rows', 'pairs', 'fours', 'benches'] as const;
export type LayoutName = (typeof layoutNames)[number];

interface Table {
  /** Seats beside each other, and one behind the other. */
  wide: number;
  deep: number;
  /** Tables beside each other. */
  across: number;
}

/** Tables for so many: a room is somewhat wider than deep. */
function tableOf(layout: LayoutName, seats: number): Table {
  const few = seats <= 16;
  switch (layout) {
    case 'rows':
      return { wide: 1, deep: 1, across: few ? 4 : 6 };
    case 'pairs':
      return { wide: 2, deep: 1, across: few ? 2 : 3 };
    case 'fours':
      return { wide: 2, deep: 2, across: few ? 2 : 3 };
    case 'benches':
      return { wide: few ? 4 : 6, deep: 1, across: 1 };
  }
}

/** Room to put more seats left of them and in front. */
const margin = 10;

/**
 * Where the seats stand: single tables in rows, pairs, tables of four, long benches; between tables there is an
 * empty column or row, so that only who shares a table sits side by side.
 * @param seats how many, at least 1 @returns in order: from the front, each row from the left
 */
export function layoutOf(layout: LayoutName, seats: number): Seat[] {
  const { wide, deep, across } = tableOf(layout, seats);
  const perTable = wide * deep;
  const found = Array.from({ length: seats }, (_, index): Seat => {
    const [table, own] = [Math.floor(index / perTable), index % perTable];
    return {
      x: margin + (table % across) * (wide + 1) + (own % wide),
      y: margin + Math.floor(table / across) * (deep + 1) + Math.floor(own / wide),
    };
  });
  return inReadingOrder(found);
}

/** From the front, each row from the left. */
export function inReadingOrder<S extends Seat>(seats: readonly S[]): S[] {
  return seats.toSorted((a, b) => a.y - b.y || a.x - b.x);
}

/** Where a seat is, as one says it: rows from the front, seats in it from the left. */
export function seatWords(seats: readonly Seat[], { x, y }: Seat): string {
  const rows = [...new Set(seats.map((seat) => seat.y))].sort((a, b) => a - b);
  const before = seats.filter((seat) => seat.y === y && seat.x < x).length;
  return `row ${rows.indexOf(y) + 1}, seat ${before + 1}`;
}

/** The largest column or row. */
export const lastCell = 39;

export const isSame = (a: Seat, b: Seat) => a.x === b.x && a.y === b.y;
