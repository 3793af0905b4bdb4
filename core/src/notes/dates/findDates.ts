import { GB, type ParsedResult } from 'chrono-node/en';
import { addDays, daysBetween, mondayOf } from '../../calendar/localTime';
import { ahead, nextWeekday, type DateContext, type Found } from './dayMeant';
import { monthWord, weekdayWord } from './dayWords';
import { overlaps, schoolDates } from './schoolDates';
import { nextSchoolDay } from '../schoolDays';
import { withSpelledDays } from './spelledDays';
import { passagesOf, type Passage } from './passages';
import { tenseAt, type Tense } from './tense';
import type { Word } from '../words';

/** A day that a text speaks of. */
export interface DateFound {
  from: number;
  to: number;
  /** Null where there is no such day, or none is known ("next lesson" without a timetable). */
  date: string | null;
  /** `ahead`: something is due or to be looked at; `past`: it is over; `impossible`: there is no such day. */
  kind: 'ahead' | 'past' | 'impossible' | 'unknown';
  /** The day that was written, where it has no school and the next one was taken. */
  instead: string | null;
}

const dateCue = new RegExp(
  `\\b(?:${weekdayWord}|${monthWord}|tomorrow|tmrw|tmr|yesterday|ago|(?:\\d|two|three|four|five|six|couple|few) (?:days?|weeks?|months?)|week|month)\\b`,
  'i',
);

const pad = (n: number) => String(n).padStart(2, '0');
const asDate = (date: Date) => `${date.getFullYear()}-${pad(date.getMonth() + 1)}-${pad(date.getDate())}`;
/** Short names of days and months that are usual words as well. */
const ambiguous = /^(?:sat|sun|wed|mar|may|march|dec|sept?|jan|mon|second|weekend)$/i;
const beforeDays =
  /\b(?:on|by|till|until|til|before|next|this|last|since|due|from|for|every|and|or|each)\s+$/i;

/** What the library found, as we take it; null for what is no day in a note. */
function fromLibrary(
  text: string,
  { index, text: written, start }: ParsedResult,
  context: DateContext,
): Found | null {
  const span = { from: index, to: index + written.length };
  const lower = written.toLowerCase();
  const knows = (part: 'day' | 'weekday' | 'month' | 'year' | 'hour') => start.isCertain(part);
  if (!knows('day') && !knows('weekday')) return null;
  // "On Monday and not a day later."
  if (/\b(?:not|never)(?: even)? $/i.test(text.slice(0, index)) && /\blater\b/.test(lower)) return null;
  if (/^for\b/.test(lower) || /\b(?:hour|hr|min|sec|second|minute)s?\b/.test(lower)) return null;
  if (/^(?:to(?:day|night)|now|this (?:morning|afternoon|evening))/.test(lower)) return null;
  const day = lower.replace(/^(?:on|this|next|last)\s+/, '');
  if (ambiguous.test(day)) {
    const capital = /^[A-Z]/.test(written) && index > 0 && !/[.!?\n]$/.test(text.slice(0, index).trimEnd());
    if (!capital && day === lower && !beforeDays.test(text.slice(0, index))) return null;
    if (day === 'weekend') return null;
  }
  if (/^tomorrow|^tmrw?$/.test(lower)) return { ...span, ...ahead(addDays(context.today, 1)) };
  if (/\bago\b|^yesterday|^last\b/.test(lower)) return { ...span, date: asDate(start.date()), tense: 'past' };
  if (knows('weekday') && !knows('day')) return weekdayFound(span, lower, start.get('weekday') ?? 0, context);
  // "7/10" is a score; a day with a month and a slash was taken above where it is one.
  if (/^\d+\/\d+$/.test(written)) return null;
  return { ...span, date: asDate(start.date()), tense: 'open' };
}

function weekdayFound(
  span: { from: number; to: number },
  lower: string,
  sundayFirst: number,
  { today }: DateContext,
): Found {
  const weekday = sundayFirst === 0 ? 7 : sundayFirst;
  const next = nextWeekday(today, weekday);
  if (/^next\b/.test(lower)) return { ...span, ...ahead(addDays(mondayOf(today), 6 + weekday)) };
  if (/^this\b/.test(lower)) return { ...span, date: addDays(mondayOf(today), weekday - 1), tense: 'open' };
  return { ...span, date: next, tense: 'open', before: addDays(next, -7) };
}

/** A note that names more days is a calendar; the first ones are read. */
const mostDates = 100;

type IsName = (word: Word) => boolean;

/** A day and a month that come within weeks: who tells of those of a year ago names the year. */
const isSoonByItsMonth = ({ tense, date, before }: Found, today: string) =>
  tense === 'open' &&
  date !== null &&
  before !== undefined &&
  daysBetween(before, today) > 300 &&
  daysBetween(today, date) <= 60;

function settled(
  found: Found,
  words: readonly Word[],
  { today, days }: DateContext,
  isName: IsName,
): DateFound | null {
  const { from, to, date } = found;
  if (found.impossible) return { from, to, date: null, kind: 'impossible', instead: null };
  if (date === null) return { from, to, date: null, kind: 'unknown', instead: null };
  const said = sentenceTense(found, words, isName);
  if (said === 'denied' || (found.onlyAhead && said !== 'ahead')) return null;
  const tense = isSoonByItsMonth(found, today)
    ? 'ahead'
    : found.tense === 'open'
      ? found.owned && said === 'open'
        ? 'past'
        : said
      : found.tense;
  if (tense === 'past' && found.before) return { from, to, date: found.before, kind: 'past', instead: null };
  if (tense === 'past' || date <= today) return { from, to, date, kind: 'past', instead: null };
  const open = nextSchoolDay(date, days);
  return { from, to, date: open, kind: 'ahead', instead: open === date ? null : date };
}

/** So many words before a day, and behind it, say what is said of it. */
const mostAround = 40;

function sentenceTense(found: Found, words: readonly Word[], isName: IsName): Tense | 'denied' {
  const first = words.find((word) => word.to > found.from);
  if (!first) return 'open';
  const at = words.indexOf(first);
  const near = words.slice(Math.max(0, at - mostAround), at + mostAround);
  const sentence = near.filter((word) => word.sentence === first.sentence);
  return tenseAt(sentence, sentence.indexOf(first), isName, found.to);
}

/** What the text itself names, the school's own expressions before those of the language. */
function daysNamed(text: string, context: DateContext): Found[] {
  const found = schoolDates(text, context);
  if (!dateCue.test(text)) return found;
  const [year, month, day] = context.today.split('-').map(Number) as [number, number, number];
  for (const result of GB.parse(text, new Date(year, month - 1, day, 12))) {
    const one = fromLibrary(text, result, context);
    if (one && !found.some((other) => overlaps(other, one))) found.push(one);
  }
  return found;
}

/** What stands between a day and the one that is meant instead: "on Monday, no, sorry, on Tuesday". */
const correction =
  /^\W*(?:no|sorry|wait|i mean|or rather|rather|actually|make that|scratch that)\b(?:\W+(?:no|sorry|wait|i|mean|rather|actually|make|that|it's|its|it|is|on|the|for|till|until|by))*\W*$/i;
/** What is settled in the end: "next week, or the one after, so let's say Monday". */
const decision = /^[^.!?;\n]*\blet['’]?s (?:say|make it)\W+(?:on |the |for )*$/i;

/** Leaves out days that are put right in the same breath. */
function notPutRight(found: readonly Found[], text: string): Found[] {
  const inOrder = found.toSorted((a, b) => a.from - b.from);
  return inOrder.filter(
    (one, index) =>
      !inOrder.slice(index + 1).some((other, ahead) => {
        const between = text.slice(one.to, other.from);
        return decision.test(between) || (ahead === 0 && correction.test(between));
      }),
  );
}

/**
 * The days a text speaks of, in the order of the text. Names of days are the next such day, or the last
 * one where the sentence tells of what is over ("was late on Monday"); a day without school becomes the
 * next one with it; "next lesson" asks the timetable.
 * @param taken places that are names of students
 * Source: the package chrono-node for the language's dates; a school's own are ours.
 */
export function findDates(
  text: string,
  words: readonly Word[],
  context: DateContext,
  taken: readonly { from: number; to: number }[] = [],
): DateFound[] {
  const found: DateFound[] = [];
  for (const passage of passagesOf(text, words)) {
    found.push(...datesIn(passage, context, taken));
    if (found.length >= mostDates) break;
  }
  return found;
}

function datesIn(
  { from, text, words }: Passage,
  context: DateContext,
  taken: readonly { from: number; to: number }[],
): DateFound[] {
  const { text: spelled, placeBefore } = withSpelledDays(text);
  const named = taken.filter((name) => overlaps(name, { from, to: from + text.length }));
  const isName = (word: Word) => named.some((name) => overlaps(name, word));
  return notPutRight(daysNamed(spelled, context), spelled)
    .map((one) => ({ ...one, from: from + placeBefore(one.from), to: from + placeBefore(one.to) }))
    .filter((one) => !named.some((name) => overlaps(name, one)))
    .flatMap((one) => settled(one, words, context, isName) ?? [])
    .toSorted((a, b) => a.from - b.from);
}

/** The day to look again: the first of those ahead; null where there is none. */
export function lookAgainOn(dates: readonly DateFound[]): string | null {
  const days = dates.flatMap(({ kind, date }) => (kind === 'ahead' && date ? [date] : []));
  return days.toSorted()[0] ?? null;
}
