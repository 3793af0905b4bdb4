import type { Meeting, School } from '../records/schema';
import { readTime } from './readTime';

export type Period = School['periods'][number];

/** A line that is no period: which, and why. */
export interface LineProblem {
  /** From 1. */
  line: number;
  reason: string;
}

/** As many as a school's day has, by the schema. */
const most = 30;

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
    if (periods.length === most)
      problems.push({ line: index + 1, reason: `a day has at most ${most} periods` });
    else if (same) problems.push({ line: index + 1, reason: `there is another “${read.name}” above` });
    else if ('name' in read) periods.push(read);
    else problems.push({ line: index + 1, ...read });
  });
  return { periods: periods.toSorted((a, b) => (a.startsAt < b.startsAt ? -1 : 1)), problems };
}

/** The same as `readPeriods` reads. */
export function periodLines(periods: readonly Period[]): string {
  return periods.map(({ name, startsAt, endsAt }) => `${name} ${startsAt}–${endsAt}`).join('\n');
}

/** Times of the timetable that stood at a period whose times have changed, with their new ones. */
export function meetingsToMove(
  before: readonly Period[],
  after: readonly Period[],
  meetings: readonly Meeting[],
): { meeting: Meeting; startsAt: string; endsAt: string }[] {
  return meetings.flatMap((meeting) => {
    const old = before.find(
      ({ startsAt, endsAt }) => startsAt === meeting.startsAt && endsAt === meeting.endsAt,
    );
    const fresh = after.find(({ name }) => name.toLowerCase() === old?.name.toLowerCase());
    const moves = old && fresh && (fresh.startsAt !== old.startsAt || fresh.endsAt !== old.endsAt);
    return moves ? [{ meeting, startsAt: fresh.startsAt, endsAt: fresh.endsAt }] : [];
  });
}
