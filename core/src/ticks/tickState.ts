import type { Tick, TickColumn } from '../records/schema';

/** How far something is: nothing yet, only a part, all of it, or not asked of this student. */
export type TickState = 'open' | 'part' | 'done' | 'exempt';

/** What stands in a cell, where something does. */
export type TickCell = Pick<Tick, 'value' | 'on' | 'owes' | 'exempt'>;

/** The number in a cell; null where there is none, as after its column was made another kind. */
export function amountOf(tick: Pick<Tick, 'value'> | undefined): number | null {
  const written = tick?.value ?? '';
  return /^-?\d+(\.\d+)?$/.test(written) ? Number(written) : null;
}

/** What a student owes of a fee in all, paid or not. */
export const owedOf = (column: Pick<TickColumn, 'most'>, tick: TickCell | undefined): number =>
  tick?.exempt ? 0 : (tick?.owes ?? column.most ?? 0);

/** Amounts are kept to a thousandth. */
const nearly = 0.0005;

/** What is left to pay; never below 0. */
export function leftToPay(column: Pick<TickColumn, 'most'>, tick: TickCell | undefined): number {
  const left = owedOf(column, tick) - (amountOf(tick) ?? 0);
  return left < nearly ? 0 : Math.round(left * 1000) / 1000;
}

/**
 * How far a student is with a column. So many of so many is done when it is all of them: 7 of 8 lacks one. A fee is
 * done when nothing is left to pay.
 */
export function tickState(column: Pick<TickColumn, 'kind' | 'most'>, tick: TickCell | undefined): TickState {
  if (tick?.exempt) return 'exempt';
  const amount = amountOf(tick);
  if (column.kind === 'fee') {
    if (leftToPay(column, tick) === 0) return 'done';
    return (amount ?? 0) > 0 ? 'part' : 'open';
  }
  if (tick?.value == null || tick.value === '') return 'open';
  if (column.kind !== 'ofMany' || amount === null) return 'done';
  if (amount === 0) return 'open';
  return amount + nearly < (column.most ?? 0) ? 'part' : 'done';
}

/** Is something still owed? */
export const isOwing = (column: Pick<TickColumn, 'kind' | 'most'>, tick: TickCell | undefined): boolean =>
  ['open', 'part'].includes(tickState(column, tick));
