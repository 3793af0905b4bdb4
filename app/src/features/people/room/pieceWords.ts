import type { FurnitureKind } from '@slate-path/core/people/room/limits';
import type { LayoutName } from '@slate-path/core/people/room/layouts';

export const pieceWords: Record<FurnitureKind, string> = {
  board: 'Board',
  screen: 'Screen',
  desk: 'Desk',
  door: 'Door',
  window: 'Window',
  shelf: 'Shelf',
  table: 'Table',
};

/** So large it is when it is put, in places. */
export const pieceSizes: Record<FurnitureKind, { wide: number; deep: number }> = {
  board: { wide: 3, deep: 1 },
  screen: { wide: 2, deep: 1 },
  desk: { wide: 2, deep: 1 },
  door: { wide: 1, deep: 1 },
  window: { wide: 1, deep: 1 },
  shelf: { wide: 2, deep: 1 },
  table: { wide: 1, deep: 1 },
};

export const layoutWords: Record<LayoutName, string> = {
  rows: 'Rows',
  pairs: 'Pairs',
  fours: 'Tables of four',
  sixes: 'Tables of six',
  benches: 'Long benches',
  horseshoe: 'Horseshoe',
  circle: 'Circle',
  empty: 'Empty room',
};

/** What the typed width of a layout counts. */
export const widthWords: Record<LayoutName, string> = {
  rows: 'In a row',
  pairs: 'Beside each other',
  fours: 'Beside each other',
  sixes: 'Beside each other',
  benches: 'On a bench',
  horseshoe: 'Along the back',
  circle: 'From left to right',
  empty: '',
};
