/** A wall-clock moment as somebody wrote it: a date where one stands there, and seconds since midnight. */
export interface WrittenMoment {
  /** `YYYY-MM-DD`; null where only a time stands. */
  date: string | null;
  seconds: number;
  /** Minutes east of UTC where it says so; null is the list's own clock. */
  offset: number | null;
}

/** Which number of 3/4/2026 is the day. */
export type DateOrder = 'day_first' | 'month_first';

const months = ['jan', 'feb', 'mar', 'apr', 'may', 'jun', 'jul', 'aug', 'sep', 'oct', 'nov', 'dec'];
const monthName = `(?<name>${months.join('|')})[a-z]*\\.?`;
const dateShapes = [
  /(?<year>\d{4})[-/.](?<month>\d{1,2})[-/.](?<day>\d{1,2})/,
  /(?<first>\d{1,2})[-/.](?<second>\d{1,2})[-/.](?<year>\d{4}|\d{2})(?!\d)/,
  new RegExp(`(?<day>\\d{1,2})(?:st|nd|rd|th|\\.)? ${monthName} (?<year>\\d{4})`),
  new RegExp(`${monthName} (?<day>\\d{1,2})(?:st|nd|rd|th)? (?<year>\\d{4})`),
];
const timeShape =
  /(?<!\d)(?<hour>\d{1,2})(?:[:.h](?<minute>\d{2})(?:[:.](?<second>\d{2})(?:[.,]\d+)?)?)?\s*(?<half>[ap]\.?\s?m\.?)?(?![\d/])/;
const offsetShape = /(?:\b(?:utc|gmt)\s*)?([+-])(\d{1,2})(?::?(\d{2}))?\)?$|\b(utc|gmt)\)?$|(?<=\d)(z)$/;

const two = (value: number) => String(value).padStart(2, '0');

function dateOf(groups: Record<string, string | undefined>, order: DateOrder): string | null {
  const year = Number(groups['year']?.length === 2 ? `20${groups['year']}` : groups['year']);
  const [first, second] = [Number(groups['first']), Number(groups['second'])];
  const numbered = order === 'day_first' ? { day: first, month: second } : { day: second, month: first };
  const named = groups['name'] ? months.indexOf(groups['name'].slice(0, 3)) + 1 : Number(groups['month']);
  const month = groups['first'] ? numbered.month : named;
  const day = groups['first'] ? numbered.day : Number(groups['day']);
  const written = `${year}-${two(month)}-${two(day)}`;
  const real = new Date(Date.UTC(year, month - 1, day));
  const isReal = year >= 1000 && real.getUTCMonth() === month - 1 && real.getUTCDate() === day;
  return isReal ? written : null;
}

function offsetOf(text: string): { rest: string; offset: number | null } {
  const found = offsetShape.exec(text);
  if (!found) return { rest: text, offset: null };
  const [, sign, hours, minutes] = found;
  const size = Number(hours ?? 0) * 60 + Number(minutes ?? 0);
  const rest = text.slice(0, found.index).trim();
  // "10-45" is no offset: what is left must still be a time.
  if (!/\d/.test(rest) || size > 14 * 60) return { rest: text, offset: null };
  return { rest, offset: sign === '-' ? -size : size };
}

function secondsOf(groups: Record<string, string | undefined>): number | null {
  const half = groups['half']?.[0];
  if (groups['minute'] === undefined && !half) return null;
  const written = Number(groups['hour']);
  if (half && (written < 1 || written > 12)) return null;
  const hour = half ? (written % 12) + (half === 'p' ? 12 : 0) : written;
  const [minute, second] = [Number(groups['minute'] ?? 0), Number(groups['second'] ?? 0)];
  return hour > 23 || minute > 59 || second > 59 ? null : hour * 3600 + minute * 60 + second;
}

/**
 * Reads a moment: ISO 8601, day or month first, months by name, 12- and 24-hour clocks, `Z`, `+01:00`, `GMT-5`.
 * @param order of dates in numbers, for the whole list
 * @returns null when no time of day stands there, or the date is none
 */
export function readMoment(written: string, order: DateOrder): WrittenMoment | null {
  const text = written
    .toLowerCase()
    .replace(/[\u202F\u00A0,]/g, ' ')
    .replace(/(?<=\d)t(?=\d)/, ' ')
    .replace(/\s+/g, ' ')
    .trim();
  const found = dateShapes.map((shape) => shape.exec(text)).find((match) => match !== null);
  const date = found?.groups ? dateOf(found.groups, order) : null;
  if (found && date === null) return null;
  const withoutDate = found
    ? `${text.slice(0, found.index)} ${text.slice(found.index + found[0].length)}`.trim()
    : text;
  const { rest, offset } = offsetOf(withoutDate);
  const groups = timeShape.exec(rest)?.groups;
  const seconds = groups ? secondsOf(groups) : null;
  return seconds === null ? null : { date, seconds, offset };
}

/** The two first numbers of a date in numbers; null where there is none. */
function dateNumbers(written: string): [number, number] | null {
  const groups = dateShapes[0]?.test(written) ? undefined : dateShapes[1]?.exec(written)?.groups;
  return groups ? [Number(groups['first']), Number(groups['second'])] : null;
}

/**
 * The order of dates in a whole list: what any of them can only be decides for all; else the one on
 * which the lesson's date is among them; else the day comes first.
 * @param sure whether something decided it
 */
export function dateOrderOf(
  written: readonly string[],
  lessonDate: string | null,
): { order: DateOrder; sure: boolean } {
  const numbers = written.map(dateNumbers).filter((pair) => pair !== null);
  if (numbers.length === 0) return { order: 'day_first', sure: true };
  if (numbers.some(([first]) => first > 12)) return { order: 'day_first', sure: true };
  if (numbers.some(([, second]) => second > 12)) return { order: 'month_first', sure: true };
  if (numbers.every(([first, second]) => first === second)) return { order: 'day_first', sure: true };
  const [month, day] = [Number(lessonDate?.slice(5, 7)), Number(lessonDate?.slice(8, 10))];
  if (numbers.some(([first, second]) => first === day && second === month))
    return { order: 'day_first', sure: true };
  if (numbers.some(([first, second]) => first === month && second === day))
    return { order: 'month_first', sure: true };
  return { order: 'day_first', sure: false };
}

/** A length of time in seconds: `45`, `45m 12s`, `1h 3m`, `00:45:10`; a bare number is minutes. Null when it is none. */
export function readDuration(written: string, bareUnit: 'minutes' | 'seconds'): number | null {
  const text = written.toLowerCase().trim();
  const clock = /^(\d{1,2}):(\d{2})(?::(\d{2}))?$/.exec(text);
  if (clock) {
    const [, a, b, c] = clock;
    return c === undefined ? Number(a) * 60 + Number(b) : Number(a) * 3600 + Number(b) * 60 + Number(c);
  }
  if (/^\d+([.,]\d+)?$/.test(text))
    return Math.round(Number(text.replace(',', '.')) * (bareUnit === 'minutes' ? 60 : 1));
  const parts = [...text.matchAll(/(\d+)\s*(h|m|s)[a-z]*/g)];
  if (parts.length === 0) return null;
  const sizes: Record<string, number> = { h: 3600, m: 60, s: 1 };
  return parts.reduce((sum, [, count, unit]) => sum + Number(count) * (sizes[unit ?? ''] ?? 0), 0);
}
