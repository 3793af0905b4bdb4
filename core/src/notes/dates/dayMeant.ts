import { getDaysInMonth } from 'date-fns';
import { addDays, daysBetween, mondayOf, nextMonth, weekdayOf } from '../../calendar/localTime';
import { weekdayNumber, weekdayWord } from './dayWords';
import type { SchoolDays } from '../schoolDays';
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
  /** "Friday's …". */
  owned?: boolean;
  /** A day only where its sentence speaks of what lies ahead. */
  onlyAhead?: boolean;
  /** The same day a week or a month before, if the sentence says that it is past. */
  before?: string;
}

const pad = (n: number) => String(n).padStart(2, '0');

/** The next such weekday after a day; the day itself is not. */
export function nextWeekday(today: string, weekday: number): string {
  return addDays(today, ((weekday - weekdayOf(today) + 6) % 7) + 1);
}

/** So many days, weeks or months later (or before); the last day of a shorter month. */
export function later(today: string, times: number, unit: string): string {
  if (!/month/i.test(unit))
    return addDays(today, times * (/fortnight/i.test(unit) ? 14 : /week/i.test(unit) ? 7 : 1));
  const month = nextMonth(today.slice(0, 7), times);
  const most = getDaysInMonth(new Date(Number(month.slice(0, 4)), Number(month.slice(5)) - 1));
  return `${month}-${pad(Math.min(Number(today.slice(8)), most))}`;
}

/** The nth day with school after today. */
export function schoolDaysFrom(n: number, { today, days }: DateContext): string {
  let day = today;
  for (let left = n, tries = 0; left > 0 && tries < 100; tries += 1) {
    day = addDays(day, 1);
    if (days.isSchoolDay(day)) left -= 1;
  }
  return day;
}

/** A weekday by its name: the next one, or by the word before it that of this, the next or the last week. */
export function weekdayNamed(
  which: string,
  name: string,
  { today }: DateContext,
): Omit<Found, 'from' | 'to'> {
  const weekday = weekdayNumber(name);
  const next = nextWeekday(today, weekday);
  if (/coming|the next/i.test(which)) return ahead(next);
  if (/next/i.test(which)) return ahead(addDays(mondayOf(today), 6 + weekday));
  if (/last|past/i.test(which)) return { date: addDays(next, -7), tense: 'past' };
  if (/this/i.test(which)) return { date: addDays(mondayOf(today), weekday - 1), tense: 'open' };
  return { date: next, tense: 'open', before: addDays(next, -7) };
}

/** The last day, the middle, the first day or the Monday of the second or third week of a month that is named. */
export function partOfMonth(part: string, month: number, { today }: DateContext): Omit<Found, 'from' | 'to'> {
  const year = Number(today.slice(0, 4));
  const dateIn = (some: number) => {
    const last = getDaysInMonth(new Date(some, month - 1));
    const nth = part.split(' ')[0]?.toLowerCase() ?? '';
    const week = Math.max(['first', 'second', 'third'].indexOf(nth), ['1st', '2nd', '3rd'].indexOf(nth));
    const day = /end/i.test(part) ? last : /mid/i.test(part) ? 15 : 1;
    if (week > 0) return addDays(mondayOf(`${some}-${pad(month)}-01`), 7 * week);
    return `${some}-${pad(month)}-${pad(day)}`;
  };
  const here = dateIn(year);
  return here > today
    ? { date: here, tense: 'open', before: dateIn(year - 1) }
    : { date: dateIn(year + 1), tense: 'open', before: here };
}

/** The first, second, third, fourth or last such weekday of a month that is named, where it lies ahead or near. */
export function weekdayOfMonth(
  which: string,
  weekday: number,
  month: number,
  context: DateContext,
): Omit<Found, 'from' | 'to'> {
  const year = Number(context.today.slice(0, 4));
  const dateIn = (some: number) => {
    const first = `${some}-${pad(month)}-01`;
    const nth = ['first', 'second', 'third', 'fourth'].indexOf(which.toLowerCase());
    if (nth >= 0) return addDays(nextWeekday(addDays(first, -1), weekday), 7 * nth);
    return addDays(nextWeekday(addDays(`${nextMonth(first.slice(0, 7), 1)}-01`, -1), weekday), -7);
  };
  const here = dateIn(year);
  const near = here > context.today ? here : dateIn(year + 1);
  const before = here > context.today ? dateIn(year - 1) : here;
  return daysBetween(context.today, near) <= 183
    ? { date: near, tense: 'open', before }
    : { date: before, tense: 'past', before };
}

export type Rule = [
  RegExp,
  (match: RegExpMatchArray, context: DateContext) => Omit<Found, 'from' | 'to'> | null,
];

/** The last day of a week on which there is school; its Friday where that is not known. */
export function weekEnd(monday: string, { days }: DateContext): string {
  for (let day = 4; day > 0; day -= 1)
    if (days.isSchoolDay(addDays(monday, day))) return addDays(monday, day);
  return addDays(monday, 4);
}

export const ahead = (date: string | null): Omit<Found, 'from' | 'to'> => ({ date, tense: 'ahead' });

/** `day` of a month; the next one from today on, and the one before for what is past. */
export function dayOfMonth(day: number, { today }: DateContext): Omit<Found, 'from' | 'to'> | null {
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
export function dayAndMonth(
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

export const overAlready = (_: RegExpMatchArray, { today }: DateContext): Omit<Found, 'from' | 'to'> => ({
  date: today,
  tense: 'past',
});

/** Does a day of the week stand before what was found? */
export function isWeekdayNamedBefore({ input = '', index = 0 }: RegExpMatchArray): boolean {
  return new RegExp(`\\b(?:${weekdayWord})\\b`, 'i').test(input.slice(0, index));
}
