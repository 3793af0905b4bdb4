import { TZDate } from '@date-fns/tz';
import { format } from 'date-fns';

/** Local date and wall-clock time at the school. */
export interface LocalMoment {
  date: string;
  time: string;
}

/**
 * What calendars and clocks in a zone show at an instant.
 * @param instant milliseconds since the epoch @param zone IANA name, e.g. `Europe/Dublin`
 */
export function localMoment(instant: number, zone: string): LocalMoment {
  const there = new TZDate(instant, zone);
  return { date: format(there, 'yyyy-MM-dd'), time: format(there, 'HH:mm') };
}

/**
 * The instant at which clocks in a zone show a local date and time.
 * A time that the clocks skip in spring is read with the offset before the jump; one that comes
 * twice in autumn is the first.
 * @returns milliseconds since the epoch
 */
export function instantOf({ date, time }: LocalMoment, zone: string): number {
  const [year, month, day] = date.split('-').map(Number) as [number, number, number];
  const [hour, minute] = time.split(':').map(Number) as [number, number];
  return new TZDate(year, month - 1, day, hour, minute, zone).getTime();
}
