import type { Tick, TickColumn } from '@slate-path/core/records/schema';
import { amountOf, owedOf, tickState } from '@slate-path/core/ticks/tickState';
import type { CellToSet } from './ticking';

/** What a tap on a student says of a column. */
export interface Hand {
  id: string;
  /** As the end of "A tap says …". */
  label: string;
  /** Said of all who owe something still; absent where each has their own. */
  all?: string;
  /** Null: it is typed. */
  cell: ((tick: Tick | undefined, today: string) => CellToSet) | null;
  /** A second tap takes it away; absent where every tap adds. */
  holds?: (tick: Tick | undefined) => boolean;
}

const nothing: CellToSet = { value: null, on: null, exempt: false };
const said = (value: string, on: string | null): CellToSet => ({ value, on, exempt: false });

const exempt: Hand = {
  id: 'exempt',
  label: 'it is not needed',
  all: 'Not needed of the others',
  cell: () => ({ ...nothing, exempt: true }),
  holds: (tick) => tick?.exempt === true,
};
const typed: Hand = { id: 'typed', label: 'what you type', cell: null };

function step(by: number, most: number): Hand['cell'] {
  return (tick, today) => {
    const next = Math.min(Math.max((amountOf(tick) ?? 0) + by, 0), most);
    return next === 0 ? nothing : said(String(next), today);
  };
}

/** What a tap can say of a column; what is said most often stands first. */
export function handsOf(column: TickColumn): Hand[] {
  const isDone = (tick: Tick | undefined) => tickState(column, tick) === 'done';
  const most = column.most ?? 0;
  switch (column.kind) {
    case 'tick':
      return [
        {
          id: 'yes',
          label: 'it is here',
          all: 'All have it',
          cell: (_, today) => said('yes', today),
          holds: isDone,
        },
        exempt,
      ];
    case 'ofMany':
      return [
        { id: 'more', label: 'one more', cell: step(1, most) },
        { id: 'less', label: 'one less', cell: step(-1, most) },
        {
          ...{ id: 'all', label: `all ${most}`, all: `All have ${most} of ${most}`, holds: isDone },
          cell: (_, today) => said(String(most), today),
        },
        typed,
        exempt,
      ];
    case 'date':
      return [
        {
          id: 'today',
          label: 'today',
          all: 'All today',
          cell: (_, today) => said(today, today),
          holds: isDone,
        },
        typed,
        exempt,
      ];
    case 'choice':
      return [
        ...column.choices.map((choice): Hand => ({
          ...{ id: `choice ${choice}`, label: choice, all: `The others: ${choice}` },
          cell: (_, today) => said(choice, today),
          holds: (tick) => tick?.value === choice && !tick.exempt,
        })),
        exempt,
      ];
    case 'fee':
      return [
        {
          ...{ id: 'paid', label: 'all is paid today', all: 'All have paid', holds: isDone },
          cell: (tick, today) => said(String(owedOf(column, tick)), today),
        },
        typed,
        exempt,
      ];
    case 'number':
    case 'text':
      return [typed, exempt];
  }
}

/** What a tap makes of a cell: what the hand says, or nothing where it says so already. */
export function tapped(hand: Hand, tick: Tick | undefined, today: string): CellToSet | null {
  if (!hand.cell) return null;
  return hand.holds?.(tick) ? nothing : hand.cell(tick?.exempt ? { ...tick, value: null } : tick, today);
}
