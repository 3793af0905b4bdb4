import { inReadingOrder, type Seat } from './seat';
export const layoutNames = [
  'rows',
  'pairs',
  'fours',
  'sixes',
  'benches',
  'horseshoe',
  'circle',
  'empty',
] as const;
export type LayoutName = (typeof layoutNames)[number];

/** The largest column or row. */
export const lastCell = 39;
/** Room to put more seats left of them and in front. */
const margin = 10;
/** Columns, and rows, that a layout can have. */
const most = lastCell - margin;

interface Table {
  /** Seats beside each other, and one behind the other. */
  wide: number;
  deep: number;
}

/** How large a table of a layout is; null where seats do not stand at tables in rows. */
function tableOf(layout: LayoutName, across: number): Table | null {
  switch (layout) {
    case 'rows':
      return { wide: 1, deep: 1 };
    case 'pairs':
      return { wide: 2, deep: 1 };
    case 'fours':
      return { wide: 2, deep: 2 };
    case 'sixes':
      return { wide: 3, deep: 2 };
    case 'benches':
      return { wide: across, deep: 1 };
    case 'horseshoe':
    case 'circle':
    case 'empty':
      return null;
  }
}

/** How wide a layout can be: tables beside each other, seats of a bench, seats along the back of a horseshoe. */
export interface Widths {
  least: number;
  usual: number;
  most: number;
}

/** A room is somewhat wider than deep, and a phone somewhat narrower. */
function usualWidth(layout: LayoutName, seats: number): number {
  const few = seats <= 16;
  switch (layout) {
    case 'rows':
    case 'benches':
      return few ? 4 : 6;
    case 'pairs':
    case 'fours':
      return few ? 2 : 3;
    case 'sixes':
      return 2;
    case 'horseshoe':
    case 'circle':
      return Math.max(4, Math.min(7, Math.round(seats / 5)));
    case 'empty':
      return 1;
  }
}

/** @param seats how many, at least 1 @returns what a layout of so many seats can have, so that it fits the floor */
export function widthsOf(layout: LayoutName, seats: number): Widths {
  const limits = (least: number, largest: number): Widths => {
    const low = Math.min(Math.max(least, 1), largest);
    return { least: low, usual: Math.min(largest, Math.max(low, usualWidth(layout, seats))), most: largest };
  };
  if (layout === 'empty') return limits(1, 1);
  if (layout === 'benches') return limits(Math.ceil(seats / Math.floor(most / 2)), most - 1);
  const table = tableOf(layout, 1);
  if (!table) return limits(Math.max(3, seats - 2 * (most - 2)), Math.max(3, Math.min(most, seats)));
  const rows = Math.floor(most / (table.deep + 1));
  return limits(Math.ceil(seats / (rows * table.wide * table.deep)), Math.floor(most / (table.wide + 1)));
}

function inTables({ wide, deep }: Table, across: number, seats: number): Seat[] {
  return Array.from({ length: seats }, (_, index): Seat => {
    const [table, own] = [Math.floor(index / (wide * deep)), index % (wide * deep)];
    return {
      x: (table % across) * (wide + 1) + (own % wide),
      y: Math.floor(table / across) * (deep + 1) + Math.floor(own / wide),
    };
  });
}

/** A row along the back and two sides down to the front, the left one longer where they cannot be the same. */
function inHorseshoe(across: number, seats: number): Seat[] {
  const back = Math.min(across, seats);
  const deep = Math.ceil((seats - back) / 2);
  const row = Array.from({ length: back }, (_, x): Seat => ({ x, y: deep }));
  const sides = Array.from({ length: seats - back }, (_, index): Seat => {
    const y = deep - 1 - Math.floor(index / 2);
    return { x: index % 2 === 0 ? 0 : across - 1, y };
  });
  return [...row, ...sides];
}

/** A ring with cut corners; where the number is odd, the front has one seat less. */
function inCircle(across: number, seats: number): Seat[] {
  const cut = across >= 7 ? 2 : 1;
  const row = across - 2 * cut;
  const corners = 4 * (cut - 1);
  const sides = Math.max(0, Math.ceil((seats - 2 * row - corners) / 2));
  const last = sides + 2 * cut - 1;
  const middle = Array.from({ length: row }, (_, x) => x + cut);
  const corner = (step: number): Seat[] => [
    { x: cut - step, y: last - step },
    { x: across - 1 - cut + step, y: last - step },
    { x: cut - step, y: step },
    { x: across - 1 - cut + step, y: step },
  ];
  const ring = [
    ...middle.map((x): Seat => ({ x, y: last })),
    ...Array.from({ length: cut - 1 }, (_, index) => corner(index + 1)).flat(),
    ...Array.from({ length: sides }, (_, index): Seat[] => [
      { x: 0, y: last - cut - index },
      { x: across - 1, y: last - cut - index },
    ]).flat(),
    ...middle.map((x): Seat => ({ x, y: 0 })),
  ];
  return ring.slice(0, seats);
}

/**
 * Where the seats stand: single tables in rows, pairs, tables of four and six, long benches; a horseshoe, a circle, or
 * none. Between tables there is an empty column or row, so that only who shares a table sits side by side.
 * @param seats how many, at least 1
 * @param across how wide: see `widthsOf`; what does not fit is brought to the nearest that does
 * @returns in order: from the front, each row from the left
 */
export function layoutOf(layout: LayoutName, seats: number, across?: number): Seat[] {
  if (layout === 'empty') return [];
  const widths = widthsOf(layout, seats);
  const width = Math.min(widths.most, Math.max(widths.least, across ?? widths.usual));
  const table = tableOf(layout, width);
  const found = table
    ? inTables(table, layout === 'benches' ? 1 : width, seats)
    : layout === 'horseshoe'
      ? inHorseshoe(width, seats)
      : inCircle(width, seats);
  return inReadingOrder(found.map(({ x, y }) => ({ x: x + margin, y: y + margin })));
}
