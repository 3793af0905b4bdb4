import type { TickColumn } from '../records/schema';
import { amountOf, leftToPay, tickState, type TickCell } from './tickState';

/** On one line. */
const besideUnit = (number: string, unit: string) => (unit === '' ? number : `${number}\u00A0${unit}`);

/** A number with what it is of: `47.2 kg`, `3`. */
export const amountWords = (amount: number, unit: string): string => besideUnit(String(amount), unit);

/** Signs of money that stand before the number in English; the euro's is written behind it in most of its countries. */
const before = /^(?!€)\p{Sc}$/u;

/** An amount of money: `12.50 €`, `5 €`, `£7.50`. */
export function moneyWords(amount: number, unit: string): string {
  const number = Number.isInteger(amount) ? String(amount) : amount.toFixed(2);
  return before.test(unit) ? `${unit}${number}` : besideUnit(number, unit);
}

type Written = Pick<TickColumn, 'kind' | 'most' | 'unit'>;

/**
 * What a cell says, short; empty where nothing stands there.
 * @param dayWords a day `YYYY-MM-DD` in words
 */
export function tickWords(
  column: Written,
  tick: TickCell | undefined,
  dayWords: (day: string) => string,
): string {
  if (tick?.exempt) return 'not needed';
  const value = tick?.value ?? '';
  const amount = amountOf(tick);
  if (column.kind === 'fee') {
    if ((amount ?? 0) === 0) return value === '' || amount === 0 ? '' : value;
    const left = leftToPay(column, tick);
    const paid = moneyWords(amount ?? 0, column.unit);
    return left > 0 ? `${paid}, lacks ${moneyWords(left, column.unit)}` : paid;
  }
  if (value === '') return '';
  if (column.kind === 'tick') return value === 'yes' ? 'yes' : value;
  if (column.kind === 'ofMany' && amount !== null) return `${amount} of ${column.most ?? 0}`;
  if (column.kind === 'number' && amount !== null) return amountWords(amount, column.unit);
  if (column.kind === 'date' && /^\d{4}-\d\d-\d\d$/.test(value)) return dayWords(value);
  return value;
}

/** What is still owed, as one would write it home: the name of the column, with how much of it where it is a number. */
export function owedWords(column: Written & Pick<TickColumn, 'name'>, tick: TickCell | undefined): string {
  if (column.kind === 'fee') return `${column.name} (${moneyWords(leftToPay(column, tick), column.unit)})`;
  const amount = amountOf(tick) ?? 0;
  if (column.kind !== 'ofMany' || tickState(column, tick) !== 'part') return column.name;
  return `${column.name} (${amount} of ${column.most ?? 0})`;
}
