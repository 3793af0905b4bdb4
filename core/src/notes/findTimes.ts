import { minutesOf, timeOf } from '../calendar/localTime';

/** A time of day that a text speaks of. */
export interface TimeFound {
  from: number;
  to: number;
  /** `HH:MM`. */
  time: string;
  /** `since`: from then on; `at`: then. */
  kind: 'at' | 'since';
}

const numbers = 'one two three four five six seven eight nine ten eleven twelve'.split(' ');
const numberWord = numbers.join('|');
const shape = new RegExp(
  `\\b(at|since|around|about|from|@)\\s+(?:(half past|quarter past|quarter to)\\s+)?(\\d{1,2}|${numberWord})(?:[:.h](\\d{2}))?(?:\\s*o['’]?clock)?(?:\\s*(am|pm|a\\.m\\.|p\\.m\\.))?(?![\\d:/%-])(?!\\s*(?:st|nd|rd|th|percent|minutes?|mins?|seconds?|hours?|days?|weeks?|times?|of|out|pages?|points?|marks?|students?|people|questions?|to)\\b)`,
  'gi',
);

/** School hours: a bare "two" is in the afternoon, a bare "nine" in the morning. */
function inSchoolHours(hour: number): number {
  return hour >= 1 && hour <= 6 ? hour + 12 : hour;
}

function minutesIn(before: string | undefined, hour: number, minutes: number): number {
  const base = hour * 60 + minutes;
  if (!before) return base;
  return base + (/half/i.test(before) ? 30 : /past/i.test(before) ? 15 : -15);
}

/**
 * Times of day after "at", "since" and the like: "at 9:05", "since ten", "at half past two"; a bare hour
 * from one to six is in the afternoon. "At ten minutes" and "about 5 of them" are none.
 */
export function findTimes(text: string): TimeFound[] {
  const found: TimeFound[] = [];
  for (const match of text.matchAll(shape)) {
    const [whole, word = '', before, written = '', minutes, half] = match;
    const bare = /^\d/.test(written) && minutes === undefined && half === undefined && !/clock/i.test(whole);
    // "about 5", "from 3": a number, not a time.
    if (bare && !before && /^(?:around|about|from)$/i.test(word)) continue;
    if (!/^\d/.test(written) && /^(?:around|about|from)$/i.test(word) && !/clock/i.test(whole) && !before)
      continue;
    const named = /^\d/.test(written) ? Number(written) : numbers.indexOf(written.toLowerCase()) + 1;
    if (named > 23 || Number(minutes ?? 0) > 59) continue;
    const hour = half
      ? (named % 12) + (/^p/i.test(half) ? 12 : 0)
      : written.length === 2 && written.startsWith('0')
        ? named
        : inSchoolHours(named);
    const time = timeOf(minutesIn(before, hour, Number(minutes ?? 0)));
    found.push({
      from: match.index,
      to: match.index + whole.length,
      time,
      kind: /^(?:since|from)$/i.test(word) ? 'since' : 'at',
    });
  }
  return found;
}

/** The time at which what a note tells began, if it says so and that is not still to come. */
export function happenedAt(times: readonly TimeFound[], now: string): string | null {
  return times.find(({ time }) => minutesOf(time) <= minutesOf(now))?.time ?? null;
}
