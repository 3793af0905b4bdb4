import { addDays } from '../calendar/localTime';
import { instantOf, localMoment } from '../calendar/zone';
import type { FieldsOf } from '../records/schema';

/** So long a nod can be taken back before it is told, in milliseconds. */
export const takeBackMs = 60_000;

type Quiet = Pick<FieldsOf<'nodTelling'>, 'quietFrom' | 'quietUntil'>;

/** Is a time of day (`HH:MM`) within quiet hours? Their end is not. */
function isQuiet(time: string, from: string, until: string): boolean {
  return from <= until ? from <= time && time < until : time >= from || time < until;
}

/**
 * When a nod that is given now is told: after a minute, in which it can be taken back; in quiet hours at their end.
 * @param now milliseconds of the epoch @param zone the school's, an IANA name
 * @returns milliseconds of the epoch
 */
export function tellAt(now: number, zone: string, { quietFrom, quietUntil }: Quiet): number {
  const soon = now + takeBackMs;
  if (quietFrom === null || quietUntil === null || quietFrom === quietUntil) return soon;
  const { date, time } = localMoment(soon, zone);
  if (!isQuiet(time, quietFrom, quietUntil)) return soon;
  const day = time < quietUntil ? date : addDays(date, 1);
  return Math.max(instantOf({ date: day, time: quietUntil }, zone), soon);
}
