import type { z } from 'zod';
import type { Period as PeriodSchema } from '../records/schema';
import { readTime } from './readTime';

export type Period = z.output<typeof PeriodSchema>;

/** A line that is no period: which, and why. */
export interface LineProblem {
  /** From 1. */
  line: number;
  reason: string;
}

const time = String.raw`\d{1,2}(?:[:.h]?[0-5]\d)?\s*(?:am|pm|a\.m\.|p\.m\.|h|uhr)?`;
const between = String.raw`\s*(?:-|–|—|to|until|till|bis|,|;|\t|\s)\s*`;
const lineShape = new RegExp(
  `^(.*?)[\\s:,;.(|]*(?:from\\s+)?(?<![\\w:.])(${time})${between}(${time})\\)?\\s*$`,
  'i',
);

const withoutHour = (written: string) => written.replace(/\s*(?:h|uhr)$/i, '');
const afternoon = /p\.?m\.?$/i;
const halfOfDay = /[ap]\.?m\.?\s*$/i;

/** Both times of a line; "1–1:50pm" is both after noon. */
function timesOf(from: string, to: string): [string, string] | null {
  const begins =
    afternoon.test(to.trim()) && !halfOfDay.test(from) && !/^\s*1[01]\b/.test(from)
      ? `${from.trim()} pm`
      : from;
  const [startsAt, endsAt] = [readTime(withoutHour(begins)), readTime(withoutHour(to))];
  return startsAt && endsAt ? [startsAt, endsAt] : null;
}

function readLine(text: string): Omit<LineProblem, 'line'> | Period {
  const [, name = '', from, to] = lineShape.exec(text) ?? [];
  const times = from !== undefined && to !== undefined ? timesOf(from, to) : null;
  if (!times) return { reason: `“${text}” has no two times; a line looks like “P1 8:30–9:20”` };
  const [startsAt, endsAt] = times;
  if (name === '') return { reason: `“${text}” has no name; a line looks like “P1 8:30–9:20”` };
  if (name.length > 20) return { reason: `“${name}” is longer than 20 characters` };
  if (startsAt >= endsAt) return { reason: `“${name}” ends before it begins` };
  return { name, startsAt, endsAt };
}

/**
 * The periods of a school's day, one a line: a name and two times, as people write them.
 * @returns in the order of the day; each line that cannot be read, and each name that stands there twice, is a problem
 */
export function readPeriods(text: string): { periods: Period[]; problems: LineProblem[] } {
  const periods: Period[] = [];
  const problems: LineProblem[] = [];
  text.split(/\r?\n/).forEach((written, index) => {
    if (written.trim() === '') return;
    const read = readLine(written.trim());
    const same = 'name' in read && periods.some(({ name }) => name.toLowerCase() === read.name.toLowerCase());
    if (same) problems.push({ line: index + 1, reason: `there is another “${read.name}” above` });
    else if ('name' in read) periods.push(read);
    else problems.push({ line: index + 1, ...read });
  });
  return { periods: periods.toSorted((a, b) => (a.startsAt < b.startsAt ? -1 : 1)), problems };
}

/** The same as `readPeriods` reads. */
export function periodLines(periods: readonly Period[]): string {
  return periods.map(({ name, startsAt, endsAt }) => `${name} ${startsAt}–${endsAt}`).join('\n');
}

/** What a lesson's time is called; nothing where no period is just so long. */
export function periodName(
  periods: readonly Period[] | undefined,
  { startsAt, endsAt }: Pick<Period, 'startsAt' | 'endsAt'>,
): string {
  return periods?.find((one) => one.startsAt === startsAt && one.endsAt === endsAt)?.name ?? '';
}
