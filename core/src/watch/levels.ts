import betaCdf from '@stdlib/stats-base-dists-beta-cdf';

/** One lesson taken while enrolled. */
export interface Attended {
  date: string;
  away: boolean;
}

/** A fixed line of the trade that a student is over, as a fact. */
export interface LevelCrossed {
  kind: 'share' | 'streak';
  /** The share (0 to 1) or the number of lessons in a row that makes the line. */
  line: number;
  /** The student's share, or lessons in a row. */
  value: number;
  /** Lessons missed and lessons taken. */
  missed: number;
  taken: number;
  since: string;
  /** How sure it is that the underlying share is over the line, 0 to 1; a streak is what it is. */
  certainty: number;
}

export interface LevelLines {
  shares: readonly number[];
  /** From this many taken lessons on a share is said at all. */
  fewestTaken: number;
  inARow: number;
}

/** 5, 10 and 20 % of lessons missed from 15 taken on, and three in a row: the lines schools act on. */
export const usualLines: LevelLines = { shares: [0.05, 0.1, 0.2], fewestTaken: 15, inARow: 3 };

/** A level makes a concern only from this certainty on; below, it is a line merely crossed. */
export const credibleFrom = 0.8;

/**
 * Probability that the underlying share missed is over a line, given what was seen: the upper tail
 * of the Beta(missed + 1/2, taken - missed + 1/2) posterior of a binomial share.
 * @param missed, taken need not be whole, where lessons in a row count as one event
 * @param line 0 to 1 @returns 0 to 1
 * Source: Jeffreys (1946), Proc. R. Soc. A 186, 453-461 (the prior); Beta-binomial conjugacy.
 */
export function certaintyOverLine(missed: number, taken: number, line: number): number {
  return 1 - betaCdf(line, missed + 0.5, taken - missed + 0.5);
}

/** The date from which the running share has been at or over the line without a break. */
function overSince(lessons: readonly Attended[], line: number, fewestTaken: number): string | null {
  let missed = 0;
  let since: string | null = null;
  lessons.forEach(({ away, date }, index) => {
    if (away) missed += 1;
    const over = index + 1 >= fewestTaken && missed / (index + 1) >= line;
    if (!over) since = null;
    else since ??= date;
  });
  return since;
}

/** Lessons missed in a row, on average; 1 where none were. */
function meanSpell(lessons: readonly Attended[]): number {
  const missed = lessons.filter(({ away }) => away).length;
  const spells = lessons.filter(({ away }, index) => away && !lessons[index - 1]?.away).length;
  return spells === 0 ? 1 : missed / spells;
}

/**
 * The highest line that is surely crossed, else the highest that is crossed at all.
 * Days away in a row are one event, so they prove less than as many single ones: the sample counts
 * as so much smaller as a spell is long (the design effect of clusters).
 */
function highestShare(lessons: readonly Attended[], lines: LevelLines): LevelCrossed | null {
  const taken = lessons.length;
  const missed = lessons.filter(({ away }) => away).length;
  if (taken < lines.fewestTaken) return null;
  const value = missed / taken;
  const spell = meanSpell(lessons);
  const crossed = lines.shares
    .filter((line) => value >= line)
    .sort((a, b) => b - a)
    .map((line) => ({ line, certainty: certaintyOverLine(missed / spell, taken / spell, line) }));
  const level = crossed.find(({ certainty }) => certainty >= credibleFrom) ?? crossed[0];
  if (!level) return null;
  const since = overSince(lessons, level.line, lines.fewestTaken) ?? lessons[taken - 1]?.date ?? '';
  return { kind: 'share', ...level, value, missed, taken, since };
}

function streakAtEnd(lessons: readonly Attended[], lines: LevelLines): LevelCrossed | null {
  const lastThere = lessons.findLastIndex(({ away }) => !away);
  const run = lessons.slice(lastThere + 1);
  const first = run[0];
  if (run.length < lines.inARow || !first) return null;
  return {
    kind: 'streak',
    line: lines.inARow,
    value: run.length,
    missed: run.length,
    taken: run.length,
    since: first.date,
    certainty: 1,
  };
}

/**
 * The lines one student is over in one class: the highest share that is crossed, and a run of
 * lessons missed that has not ended.
 * @param lessons taken while enrolled, in order of time
 */
export function levelsCrossed(lessons: readonly Attended[], lines: LevelLines = usualLines): LevelCrossed[] {
  return [streakAtEnd(lessons, lines), highestShare(lessons, lines)].filter((level) => level !== null);
}
