// Each by itself: through the package's one list of all they would come with the first screen.
import { addDays } from 'date-fns/addDays';
import { differenceInCalendarDays } from 'date-fns/differenceInCalendarDays';
import { format } from 'date-fns/format';
import { isValid } from 'date-fns/isValid';
import { parse } from 'date-fns/parse';
import { parseISO } from 'date-fns/parseISO';

const withYear = [
  'yyyy-MM-dd',
  'yyyy/MM/dd',
  'd.M.yyyy',
  'd MMMM yyyy',
  'd MMM yyyy',
  'MMMM d yyyy',
  'MMM d yyyy',
];
const withoutYear = ['d.M.', 'd.M', 'd MMMM', 'd MMM', 'MMMM d', 'MMM d'];
const weekdays = ['EEEE', 'EEE'];

const iso = (date: Date) => format(date, 'yyyy-MM-dd');

/** 18/12 and 12/18 are one day whichever comes first; 3/4 could be two, and is not guessed. */
function slashed(text: string): string {
  const [, first = '', second = '', year = ''] = /^(\d{1,2})\/(\d{1,2})(?:\/(\d{4}))?$/.exec(text) ?? [];
  const [a, b] = [Number(first), Number(second)];
  if (a > 12 && b >= 1 && b <= 12) return `${a}.${b}.${year}`;
  return b > 12 && a >= 1 && a <= 12 ? `${b}.${a}.${year}` : text;
}

/** Of the years that a day may lie in, the one in which it is nearest. */
function nearest(text: string, shape: string, today: Date): Date | undefined {
  const year = today.getFullYear();
  const found = [year - 1, year, year + 1]
    .map((reference) => parse(text, shape, new Date(reference, 0, 1)))
    .filter(isValid);
  const away = (date: Date) => Math.abs(differenceInCalendarDays(date, today));
  return found.toSorted((a, b) => away(a) - away(b))[0];
}

/**
 * A date as people write it, as `YYYY-MM-DD`: with a year or without ("18 Dec" is the nearest one), "today",
 * "tomorrow", "Friday" (the next one). What could be two dates (3/4/2026) is not guessed: it is handed back as
 * written, and the form says what a date looks like.
 * @param from today, `YYYY-MM-DD`
 */
export function writtenDate(written: string, from: string): string {
  const text = slashed(
    written
      .trim()
      .replace(/,/g, ' ')
      .replace(/(\d)(st|nd|rd|th)\b/gi, '$1')
      .replace(/\bsept\b\.?/i, 'Sep')
      .replace(/\s+/g, ' '),
  );
  const today = parseISO(from);
  if (/^today$/i.test(text)) return from;
  if (/^tomorrow$/i.test(text)) return iso(addDays(today, 1));
  for (const shape of withYear) {
    const date = parse(text, shape, new Date(2000, 0, 1));
    if (isValid(date) && date.getFullYear() > 1900) return iso(date);
  }
  // "Fri 18 Dec": the day of the week adds nothing to the date.
  const bare = text.replace(/^[a-z]{3,9}\.? (?=\d)/i, (word) =>
    /^(mon|tue|wed|thu|fri|sat|sun)/i.test(word) ? '' : word,
  );
  for (const shape of withoutYear) {
    const date = nearest(bare, shape, today);
    if (date) return iso(date);
  }
  for (const shape of weekdays) {
    const date = parse(text, shape, addDays(today, 1));
    if (isValid(date)) return iso(nextOf(date.getDay(), today));
  }
  return text;
}

/** The next day of the week after today. */
function nextOf(weekday: number, today: Date): Date {
  return addDays(today, ((weekday - today.getDay() + 6) % 7) + 1);
}
