import { TZDate } from '@date-fns/tz';
import { format } from 'date-fns';

/** What clocks in a zone show at an instant, `YYYY-MM-DDTHH:MM:SS`. @param instant ISO 8601, UTC */
export function localSeconds(instant: string, zone: string): string {
  return format(new TZDate(instant, zone), "yyyy-MM-dd'T'HH:mm:ss");
}

/** The instant at which clocks in a zone show a local moment, ISO 8601 with milliseconds; of two, the first. */
export function instantOfLocal(moment: string, zone: string): string {
  const [year = 0, month = 1, day = 1, hour = 0, minute = 0, second = 0] = moment.split(/[-T:]/).map(Number);
  return new Date(new TZDate(year, month - 1, day, hour, minute, second, zone).getTime()).toISOString();
}
