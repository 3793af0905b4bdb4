import type { TickColumn } from '../records/schema';
import { amountOf, leftToPay, owedOf, tickState, type TickCell } from './tickState';

/** What a column adds up to. */
export interface ColumnSums {
  /** Students of whom it is asked. */
  asked: number;
  done: number;
  part: number;
  open: number;
  exempt: number;
  /** Of the numbers that stand there; of a fee what was paid. */
  sum: number;
  /** Cells with a number. */
  numbers: number;
  /** Null where there is no number. */
  mean: number | null;
  /** Of a fee: what is owed in all, and what of it is left. */
  owed: number;
  left: number;
  /** How often each choice was made, most first; those that are no choice any more among them. */
  choices: { name: string; count: number }[];
}

const rounded = (value: number) => Math.round(value * 1000) / 1000;

/** @param cells of every student of the class, undefined where nothing stands */
export function columnSums(
  column: Pick<TickColumn, 'kind' | 'most' | 'choices'>,
  cells: readonly (TickCell | undefined)[],
): ColumnSums {
  const states = cells.map((cell) => tickState(column, cell));
  const count = (state: string) => states.filter((one) => one === state).length;
  const isCounted = ['ofMany', 'number', 'fee'].includes(column.kind);
  const numbers = isCounted ? cells.flatMap((cell) => (cell?.exempt ? [] : (amountOf(cell) ?? []))) : [];
  const sum = numbers.reduce((total, one) => total + one, 0);
  const fee = column.kind === 'fee';
  const made = new Map(column.choices.map((name) => [name, 0]));
  if (column.kind === 'choice')
    for (const cell of cells)
      if (cell?.value && !cell.exempt) made.set(cell.value, (made.get(cell.value) ?? 0) + 1);
  return {
    ...{ asked: cells.length - count('exempt'), done: count('done'), part: count('part') },
    ...{ open: count('open'), exempt: count('exempt') },
    ...{ sum: rounded(sum), numbers: numbers.length },
    mean: numbers.length === 0 ? null : sum / numbers.length,
    owed: fee ? rounded(cells.reduce((total, cell) => total + owedOf(column, cell), 0)) : 0,
    left: fee ? rounded(cells.reduce((total, cell) => total + leftToPay(column, cell), 0)) : 0,
    choices: [...made].map(([name, times]) => ({ name, count: times })).sort((a, b) => b.count - a.count),
  };
}
