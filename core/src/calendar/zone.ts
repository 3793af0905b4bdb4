import { TZDate } from '@date-fns/tz';

/** Local date and wall-clock time at the school. */
export interface LocalMoment {
  date: string;
  time: string;
}

const formats = new Map<string, Intl.DateTimeFormat>();

/** Kept by zone: making one takes a hundred times as long as using it, and a tap asks for it twice. */
function formatOf(zone: string): Intl.DateTimeFormat {
  const kept = formats.get(zone);
  if (kept) return kept;
  const made = new Intl.DateTimeFormat('sv', {
    timeZone: zone,
    dateStyle: 'short',
    timeStyle: 'short',
  });
  formats.set(zone, made);
  return made;
}

/**
 * What calendars and clocks in a zone show at an instant.
 * @param instant milliseconds since the epoch @param zone IANA name, e.g. `Europe/Dublin`
 */
export function localMoment(instant: number, zone: string): LocalMoment {
  // `sv` writes dates and times as ISO 8601 does.
  const [date = '', time = ''] = formatOf(zone).format(instant).split(' ');
  return { date, time };
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
