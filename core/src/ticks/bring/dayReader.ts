import { dateOrderOf, readMoment, type DateOrder } from '../../attendance/participants/moment';
import type { ReadDay } from './newColumn';
import type { SheetReading } from './readSheet';

/** Days of the whole file are written in one order. */
export function dayReader({ columns }: SheetReading, chosen: DateOrder | null = null): ReadDay {
  const written = columns.flatMap(({ cells }) => cells.map((cell) => cell.written));
  const order = chosen ?? dateOrderOf(written, null).order;
  return (text) => readMoment(`${text.replace(/\bT?00:00(:00)?$/, '')} 12:00`, order)?.date ?? null;
}
