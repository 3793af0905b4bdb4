import type { Tick, TickColumn } from '../records/schema';
import { amountOf, owedOf, type TickCell } from './tickState';
import { tickId } from './tickId';

/** What stands in a cell of a file; days are days. */
export type SheetCell = string | number | Date | null;

export interface SheetStudent {
  id: string;
  name: string;
  email: string;
}

/** Where nothing is asked of a student. */
export const exemptCell = 'n/a';

const day = (date: string) => new Date(`${date}T00:00:00Z`);

/** The headings of a column, and what stands under them; a fee has three. */
function cellsOf(column: TickColumn): { heading: string; cell: (tick: TickCell | undefined) => SheetCell }[] {
  const { name, kind, most } = column;
  const unless = (cell: (tick: TickCell | undefined) => SheetCell) => (tick: TickCell | undefined) =>
    tick?.exempt ? exemptCell : cell(tick);
  const plain = (tick: TickCell | undefined): SheetCell => {
    if (tick?.value == null) return null;
    if (kind === 'date' && /^\d{4}-\d\d-\d\d$/.test(tick.value)) return day(tick.value);
    return (kind === 'number' || kind === 'ofMany' ? amountOf(tick) : null) ?? tick.value;
  };
  if (kind !== 'fee')
    return [{ heading: kind === 'ofMany' ? `${name} (${most ?? 0})` : name, cell: unless(plain) }];
  return [
    { heading: `${name} owed`, cell: unless((tick) => owedOf(column, tick)) },
    { heading: `${name} paid`, cell: unless((tick) => amountOf(tick)) },
    { heading: `${name} paid on`, cell: (tick) => (tick?.on ? day(tick.on) : null) },
  ];
}

/** A class's tick-sheet as a table, as it can also be brought in again: a row a student, a column a column. */
export function sheetTable(
  students: readonly SheetStudent[],
  columns: readonly TickColumn[],
  ticks: Readonly<Record<string, Tick | undefined>>,
): SheetCell[][] {
  const parts = columns.flatMap((column) => cellsOf(column).map((part) => ({ ...part, id: column.id })));
  return [
    ['Student', 'E-mail', ...parts.map(({ heading }) => heading)],
    ...students.map(({ id, name, email }) => [
      name,
      email,
      ...parts.map((part) => {
        const tick = ticks[tickId(part.id, id)];
        return part.cell(tick?.removed ? undefined : tick);
      }),
    ]),
  ];
}

/** In the order in which they stand on the sheet. */
export const inSheetOrder = (a: TickColumn, b: TickColumn): number =>
  a.number - b.number || a.name.localeCompare(b.name) || (a.id < b.id ? -1 : 1);

/** The numbers for paper that the next columns get. */
export const nextNumber = (columns: readonly Pick<TickColumn, 'number'>[]): number =>
  Math.min(999, Math.max(0, ...columns.map(({ number }) => number)) + 1);
