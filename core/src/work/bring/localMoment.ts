import { TZDate } from '@date-fns/tz';
import { readMoment, type DateOrder } from '../../attendance/participants/moment';
import { onSchoolClock } from '../../attendance/participants/schoolTime';

const two = (value: number) => String(value).padStart(2, '0');
const clockOf = (seconds: number) =>
  `${two(Math.floor(seconds / 3600))}:${two(Math.floor(seconds / 60) % 60)}:${two(seconds % 60)}`;

/** A cell as a moment of the school, or the sentence that says why it is none. */
export type MomentRead = { at: string } | { reason: string };

/** What was found out of a zone's days and quarters of an hour: a file of a year has many rows in each. */
const changing = new Map<string, boolean>();
const quarters = new Map<string, boolean>();

/** Are clocks put forward or back on a day? On all others every time is shown once. */
function changesOn(day: string, zone: string): boolean {
  const key = `${zone} ${day}`;
  const known = changing.get(key);
  if (known !== undefined) return known;
  const [year = 0, month = 1, date = 1] = day.split('-').map(Number);
  const offsetAt = (hours: number) =>
    new TZDate(year, month - 1, date, hours, 0, 0, zone).getTimezoneOffset();
  // From the evening before: in some zones the clocks change at midnight.
  const changes = offsetAt(-1) !== offsetAt(25);
  changing.set(key, changes);
  return changes;
}

/** Do clocks of the zone never show it? In spring an hour is skipped, somewhere half of one. */
function isSkipped(at: string, zone: string): boolean {
  if (!changesOn(at.slice(0, 10), zone)) return false;
  const [year = 0, month = 1, day = 1, hour = 0, minute = 0] = at.split(/[-T:]/).map(Number);
  const quarter = minute - (minute % 15);
  const key = `${zone} ${at.slice(0, 13)} ${quarter}`;
  const known = quarters.get(key);
  if (known !== undefined) return known;
  const shown = new TZDate(year, month - 1, day, hour, quarter, 0, zone);
  const skipped = shown.getHours() !== hour || shown.getMinutes() !== quarter;
  quarters.set(key, skipped);
  return skipped;
}

/**
 * A date with a time, in one cell or two. A moment that names its zone is put on the school's clock.
 * @param endOfDay a date alone is the end of it; otherwise it is no moment
 */
export function readLocalMoment(
  written: string,
  { zone, order, endOfDay = false }: { zone: string; order: DateOrder; endOfDay?: boolean },
): MomentRead {
  const text = written.trim();
  if (text === '') return { reason: 'has no time' };
  if (/(?:^|[ T])24:\d\d/.test(text)) return { reason: `“${text}”: a day has no hour 24` };
  const found = readMoment(text, order) ?? (endOfDay ? readMoment(`${text} 23:59`, order) : null);
  if (!found) {
    const isDay = readMoment(`${text} 12:00`, order)?.date;
    return { reason: isDay ? `“${text}” has no time of day` : `“${text}” is no date with a time` };
  }
  const local = onSchoolClock(found, null, zone, null);
  if (local.date === null) return { reason: `“${text}” has no date` };
  const at = `${local.date}T${clockOf(Math.floor(local.seconds))}`;
  // Only a wall clock can be wrong about it: an instant is always shown by clocks.
  if (found.offset === null && isSkipped(at, zone))
    return { reason: `“${text}” was never shown by a clock here: it was skipped in spring` };
  return { at };
}
