import { format } from 'date-fns';
import { now } from '../sync/clock';
import type { writtenDate } from './writtenDate';

let reader: typeof writtenDate | null = null;

/** Fetches what reads dates, which the first screen has no use for: a field for a date asks for it when it is shown. */
export async function loadDateReader(): Promise<void> {
  reader ??= (await import('./writtenDate')).writtenDate;
}

/**
 * A date as people write it, as `YYYY-MM-DD` (see `writtenDate`). Where what reads it could not be fetched only such
 * a date is one; all else is handed back as written, and the form says what a date looks like.
 * @param from today, `YYYY-MM-DD`
 */
export function readDate(written: string, from = format(now(), 'yyyy-MM-dd')): string {
  return reader ? reader(written, from) : written.trim();
}
