import { getDaysInMonth } from 'date-fns';
import { addDays, daysBetween, mondayOf, nextMonth, weekdayOf } from '../calendar/localTime';
import type { SchoolDays } from './schoolDays';
import type { Tense } from './tense';

export interface DateContext {
  /** The school's day today. */
  today: string;
  days: SchoolDays;
}

/** A day as the words themselves have it; what its sentence says of it comes after. */
export interface Found {
  from: number;
  to: number;
  date: string | null;
  /** What stands in the words themselves; else the sentence decides. */
  tense: Tense;
  impossible?: boolean;
  /** The same day a week or a month before, if the sentence says that it is past. */
  before?: string;
}

const pad = (n: number) => String(n).padStart(2, '0');
const weekdays = 'mon|tue|wed|thu|fri|sat|sun';
export const weekdayWord = `(?:mon|tues|wednes|thurs|fri|satur|sun)day|mon|tues?|wed|thurs?|thu|fri|sat|sun`;
export const monthWord =
  'jan(?:uary)?|feb(?:ruary)?|mar(?:ch)?|apr(?:il)?|may|june?|july?|aug(?:ust)?|sept?(?:ember)?|oct(?:ober)?|nov(?:ember)?|dec(?:ember)?';
const months = 'jan feb mar apr may jun jul aug sep oct nov dec'.split(' ');
const numbers: Record<string, number> = {
  a: 1,
  an: 1,
  one: 1,
  two: 2,
  three: 3,
  four: 4,
  five: 5,
  six: 6,
  couple: 2,
  few: 3,
};
const count = (word: string | undefined) => (word === undefined ? 1 : (numbers[word] ?? Number(word)));

function weekdayNumber(word: string): number {
  return weekdays.split('|').indexOf(word.slice(0, 3).toLowerCase()) + 1;
}

/** The next such weekday after a day; the day itself is not. */
export function nextWeekday(today: string, weekday: number): string {
  return addDays(today, ((weekday - weekdayOf(today) + 6) % 7) + 1);
}

type Rule = [RegExp, (match: RegExpMatchArray, context: DateContext) => Omit<Found, 'from' | 'to'> | null];

/** The last day of a week on which there is school; its Friday where that is not known. */
function weekEnd(monday: string, { days }: DateContext): string {
  for (let day = 4; day > 0; day -= 1)
    if (days.isSchoolDay(addDays(monday, day))) return addDays(monday, day);
  return addDays(monday, 4);
}

export const ahead = (date: string | null): Omit<Found, 'from' | 'to'> => ({ date, tense: 'ahead' });

/** `day` of a month; the next one from today on, and the one before for what is past. */
function dayOfMonth(day: number, { today }: DateContext): Omit<Found, 'from' | 'to'> | null {
  if (day < 1) return null;
  if (day > 31) return { date: null, tense: 'open', impossible: true };
  const fits = (month: string) =>
    getDaysInMonth(new Date(Number(month.slice(0, 4)), Number(month.slice(5)) - 1)) >= day;
  const dateIn = (month: string) => `${month}-${pad(day)}`;
  const now = today.slice(0, 7);
  let next = dateIn(now) > today && fits(now) ? now : nextMonth(now, 1);
  while (!fits(next)) next = nextMonth(next, 1);
  let last = dateIn(now) < today && fits(now) ? now : nextMonth(now, -1);
  while (!fits(last)) last = nextMonth(last, -1);
  return { date: dateIn(next), tense: 'open', before: dateIn(last) };
}

/** A day and a month, with a year or without; the nearest one, ahead where it lies within half a year. */
function dayAndMonth(
  day: number,
  month: number,
  year: number | null,
  { today }: DateContext,
): Omit<Found, 'from' | 'to'> {
  const thisYear = Number(today.slice(0, 4));
  const full = year === null ? null : year < 100 ? 2000 + year : year;
  const leap = full ?? thisYear;
  const most = month === 2 && full === null ? 29 : getDaysInMonth(new Date(leap, month - 1));
  if (day < 1 || day > most) return { date: null, tense: 'open', impossible: true };
  const dateIn = (some: number) => `${some}-${pad(month)}-${pad(day)}`;
  if (full !== null) return { date: dateIn(full), tense: 'open' };
  const next = dateIn(thisYear) > today ? dateIn(thisYear) : dateIn(thisYear + 1);
  const last = dateIn(thisYear) > today ? dateIn(thisYear - 1) : dateIn(thisYear);
  const near = daysBetween(today, next) <= 183;
  return near ? { date: next, tense: 'open', before: last } : { date: last, tense: 'past', before: last };
}

function monthNumber(word: string): number {
  return months.indexOf(word.slice(0, 3).toLowerCase()) + 1;
}

/** What a school says and a language library does not; the first that fits a place is taken. */
const rules: Rule[] = [
  [
    new RegExp(`\\b(${weekdayWord}) (?:of )?next week\\b|\\bnext week(?:'s|’s)?,? (${weekdayWord})\\b`, 'gi'),
    ([, a, b], { today }) => ahead(addDays(mondayOf(today), 6 + weekdayNumber(a ?? b ?? ''))),
  ],
  [/\b(?:the\s+)?lesson after next\b/gi, (_, { days }) => ahead(days.nextLesson(2))],
  [
    /\bin (a|one|two|three|four|five|\d) (?:more )?(?:lessons?|classes)(?:['’]? time)?\b/gi,
    ([, n], { days }) => ahead(days.nextLesson(count(n?.toLowerCase()))),
  ],
  [
    /\b(?:the\s+)?next (?:lesson|class|session|meeting|time(?: we meet)?)\b/gi,
    (_, { days }) => ahead(days.nextLesson(1)),
  ],
  [/\bend of (?:the )?term\b/gi, (_, { today, days }) => ahead(days.termEnd(today))],
  [
    /\b(?:after|until|till) (?:the )?(?:half[- ]term|holidays?|break week|days off)\b/gi,
    (_, { today, days }) => ahead(days.afterDaysOff(today)),
  ],
  [
    /\b(?:by |before |at )?(?:the )?end of (?:the |this )?week\b/gi,
    (_, context) => ahead(weekEnd(mondayOf(context.today), context)),
  ],
  [
    /\b(?:by |before |at )?(?:the )?end of next week\b/gi,
    (_, context) => ahead(weekEnd(addDays(mondayOf(context.today), 7), context)),
  ],
  [
    /\b(?:by |before |at )?(?:the )?end of (?:the |this )?month\b/gi,
    (_, { today }) => ahead(addDays(`${nextMonth(today.slice(0, 7), 1)}-01`, -1)),
  ],
  [/\bbefore the weekend\b/gi, (_, context) => ahead(weekEnd(mondayOf(context.today), context))],
  [/\bafter the weekend\b/gi, (_, { today }) => ahead(addDays(mondayOf(today), 7))],
  [
    /\b(?:early |sometime |some time |start of |beginning of |the start of |the beginning of )?next week\b/gi,
    (_, { today }) => ahead(addDays(mondayOf(today), 7)),
  ],
  [/\bweek after next\b/gi, (_, { today }) => ahead(addDays(mondayOf(today), 14))],
  [/\b(?:the )?day after tomorrow\b/gi, (_, { today }) => ahead(addDays(today, 2))],
  [
    /\b(?:a )?(?:fortnight|two weeks|2 weeks) (?:from )?(?:today|now)\b/gi,
    (_, { today }) => ahead(addDays(today, 14)),
  ],
  [
    /\b(?:a|one) week (?:from )?(?:today|now)\b|\btoday week\b|\bthis time next week\b/gi,
    (_, { today }) => ahead(addDays(today, 7)),
  ],
  [/\bin (?:a|one) fortnight(?:['’]s time)?\b/gi, (_, { today }) => ahead(addDays(today, 14))],
  [
    /\b(?:in|within) (?:about |around )?(a|an|one|two|three|four|five|six|\d{1,2}|a couple of|a few) (day|week|month)s?(?:['’]s?)?(?: time)?\b/gi,
    ([, n = '', unit = ''], { today }) => {
      const times = /couple/i.test(n) ? 2 : /few/i.test(n) ? 3 : count(n.toLowerCase());
      if (unit.toLowerCase() === 'month') {
        const month = nextMonth(today.slice(0, 7), times);
        const most = getDaysInMonth(new Date(Number(month.slice(0, 4)), Number(month.slice(5)) - 1));
        return ahead(`${month}-${pad(Math.min(Number(today.slice(8)), most))}`);
      }
      return ahead(addDays(today, times * (unit.toLowerCase() === 'week' ? 7 : 1)));
    },
  ],
  [
    new RegExp(`\\b(?:a )?week on (${weekdayWord})\\b|\\b(${weekdayWord}) week\\b`, 'gi'),
    ([, a, b], { today }) => ahead(addDays(nextWeekday(today, weekdayNumber(a ?? b ?? '')), 7)),
  ],
  [
    new RegExp(
      `\\b(?:(?:${weekdayWord}),? )?(?:the )?(\\d{1,2})(?:st|nd|rd|th)?(?: of)? (${monthWord})\\b\\.?(?:,? (\\d{4}))?`,
      'gi',
    ),
    ([, day, month = '', year], context) =>
      dayAndMonth(Number(day), monthNumber(month), year ? Number(year) : null, context),
  ],
  [
    new RegExp(
      `\\b(?:(?:${weekdayWord}),? )?(${monthWord})\\.? (?:the )?(\\d{1,2})(?:st|nd|rd|th)?\\b(?!:|\\.\\d)(?:,? (\\d{4}))?`,
      'gi',
    ),
    ([whole, month = '', day, year], context) => {
      // "may 2 of them": a small "may" or "mar" with a bare number is no date.
      if (/^(may|mar)\b/.test(whole) && !/\d(st|nd|rd|th)/.test(whole)) return null;
      return dayAndMonth(Number(day), monthNumber(month), year ? Number(year) : null, context);
    },
  ],
  [
    /\b(\d{4})-(\d{2})-(\d{2})\b/g,
    ([, year, month, day], context) =>
      Number(month) > 12
        ? { date: null, tense: 'open', impossible: true }
        : dayAndMonth(Number(day), Number(month), Number(year), context),
  ],
  [
    /\b(\d{1,2})[/.](\d{1,2})[/.](\d{2}|\d{4})\b/g,
    ([, day, month, year], context) =>
      Number(month) > 12
        ? { date: null, tense: 'open', impossible: true }
        : dayAndMonth(Number(day), Number(month), Number(year), context),
  ],
  [
    /(?<=\b(?:by|on|till|until|til|before|due|from|for|since) (?:the )?)(\d{1,2})\/(\d{1,2})\b(?!\/)/gi,
    ([, day, month], context) =>
      Number(month) > 12
        ? { date: null, tense: 'open', impossible: true }
        : dayAndMonth(Number(day), Number(month), null, context),
  ],
  [
    new RegExp(
      `\\b(?:(?:${weekdayWord}),? )?(?:the )(\\d{1,2})(?:st|nd|rd|th)\\b(?=\\s*(?:$|[.,;!?)\\n:–—-]|(?:and|or|but|then|at|if|so|is|was|for|when|because|he|she|they|i|we|to|please|maybe|again|latest|in|with|after|before)\\b))`,
      'gi',
    ),
    ([, day], context) => dayOfMonth(Number(day), context),
  ],
  [
    new RegExp(`\\b(?:${weekdayWord}),? (\\d{1,2})(?:st|nd|rd|th)\\b`, 'gi'),
    ([, day], context) => dayOfMonth(Number(day), context),
  ],
  [
    /(?<=\b(?:by|on|till|until|til|before|due) (?:the )?)(\d{1,2})(?:st|nd|rd|th)\b(?!\s+(?:time|row|try|attempt|grade|group|page|question|task|round|lesson|period))/gi,
    ([, day], context) => dayOfMonth(Number(day), context),
  ],
  [
    /\b(?:last|this past) (?:year|month|week|term|lesson|time|class)\b/gi,
    ([text], { today }) => ({ date: addDays(today, /year/i.test(text) ? -365 : -7), tense: 'past' }),
  ],
];

export function overlaps(a: { from: number; to: number }, b: { from: number; to: number }): boolean {
  return a.from < b.to && b.from < a.to;
}

/** The days that a school's own expressions and written dates name. */
export function schoolDates(text: string, context: DateContext): Found[] {
  const found: Found[] = [];
  for (const [pattern, read] of rules) {
    for (const match of text.matchAll(pattern)) {
      const span = { from: match.index, to: match.index + match[0].trimEnd().length };
      const result = found.some((other) => overlaps(other, span)) ? null : read(match, context);
      if (result) found.push({ ...span, ...result });
    }
  }
  return found;
}
