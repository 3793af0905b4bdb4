import { isDate } from '@slate-path/core/calendar/isDate';
import type { Tick, TickColumn } from '@slate-path/core/records/schema';
import { readNumber, readTick, type TickRead } from '@slate-path/core/ticks/readTick';
import { amountOf } from '@slate-path/core/ticks/tickState';
import { readDate } from '../../forms/readDate';
import { today, type CellToSet } from './ticking';

/** A day as people write it; null where it is none. */
function dayIn(written: string): string | null {
  const day = readDate(written, today());
  return isDate(day) ? day : null;
}

/** What was typed for a column, as it is kept, or what is wrong with it. */
export const readTyped = (column: TickColumn, written: string): TickRead => readTick(column, written, dayIn);

/** What stands in the field of a cell, to be typed over. */
export function writtenOf(tick: Tick | undefined): string {
  if (tick?.exempt) return 'n/a';
  if (tick?.value == null) return '';
  return tick.value;
}

/** What is kept of what was typed: with the day where something came that was not there. */
export function cellOf(read: Exclude<TickRead, { problem: string }>, tick: Tick | undefined): CellToSet {
  if (read.value === null) return { ...read, on: null };
  const same = tick?.value === read.value && tick.on !== null;
  return { ...read, on: same ? tick.on : today() };
}

/** A day that may stay empty: null; undefined where it is none. */
export function dayTyped(written: string): string | null | undefined {
  return written.trim() === '' ? null : (dayIn(written) ?? undefined);
}

/** An amount that may stay empty: null; undefined where it is none. */
export function amountTyped(written: string, unit: string): number | null | undefined {
  const text = written.trim();
  if (text === '') return null;
  const bare = unit !== '' && text.endsWith(unit) ? text.slice(0, -unit.length) : text;
  const number = readNumber(bare);
  return number !== null && number >= 0 && number <= 1_000_000 ? number : undefined;
}

export const hasAmount = (tick: Tick | undefined): boolean => (amountOf(tick) ?? 0) > 0;
