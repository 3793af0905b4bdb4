import betaCdf from '@stdlib/stats-base-dists-beta-cdf';
import { usualLines, type LevelLines } from './usualLines';
import { betaPrior, type BetaPrior } from './models/betaPrior';
import { missing } from './models/handInModel';
import { missedKey, type ClassSeries, type MissedHow, type Slot } from './streams';

/** A fixed line of the trade that a student is over, as a fact. */
export interface LevelCrossed {
  /** `early` is a plain fact of a class that is too young for shares. */
  kind: 'share' | 'early' | 'streak' | 'missing';
  /** The share (0 to 1), or how many, that makes the line. */
  line: number;
  /** The student's share, or how many. */
  value: number;
  /** Missed, of how many. */
  missed: number;
  taken: number;
  /** Of those missed. */
  excused: number;
  partly: number;
  since: string;
  /** How sure it is that what is underneath is over the line, 0 to 1; null where there is nothing underneath. */
  certainty: number | null;
}

/** A level makes a concern only from this certainty on; below, it is a line merely crossed. */
export const credibleFrom = 0.8;

/**
 * Probability that the underlying share missed is over a line, given what was seen and what students of
 * the class are like: the upper tail of the Beta posterior of a binomial share.
 * @param missed, taken need not be whole, where lessons in a row count as one event
 * @param line 0 to 1 @returns 0 to 1
 * Source: beta-binomial conjugacy; Casella (1985), Am. Stat. 39, 83-87 (empirical Bayes).
 */
export function certaintyOverLine(missed: number, taken: number, line: number, prior: BetaPrior): number {
  const { mean, weight } = prior;
  return 1 - betaCdf(line, mean * weight + missed, (1 - mean) * weight + taken - missed);
}

interface Lesson {
  date: string;
  away: boolean;
  how: MissedHow | undefined;
}

function lessonsOf({ streams, missedHow }: ClassSeries, i: number): Lesson[] {
  const lessons: Lesson[] = [];
  for (const { date, value, source } of streams.presence)
    if (!Number.isNaN(value[i]))
      lessons.push({ date, away: value[i] === 1, how: missedHow.get(missedKey(source, i)) });
  return lessons;
}

/** How many of some lessons were missed, and how. */
function missedOf(lessons: readonly Lesson[]): Pick<LevelCrossed, 'missed' | 'taken' | 'excused' | 'partly'> {
  const missed = lessons.filter(({ away }) => away);
  return {
    missed: missed.length,
    taken: lessons.length,
    excused: missed.filter(({ how }) => how?.excused).length,
    partly: missed.filter(({ how }) => how?.partly).length,
  };
}

/** Lessons missed in a row, on average; 1 where none were. */
function meanSpell(lessons: readonly Lesson[]): number {
  const missed = lessons.filter(({ away }) => away).length;
  const spells = lessons.filter(({ away }, index) => away && !lessons[index - 1]?.away).length;
  return spells === 0 ? 1 : missed / spells;
}

/** How alike two days of one spell are: days away in a row tell less than as many single ones, but not nothing. */
const alikeInSpell = 0.5;

/** By how much a sample counts as smaller for its spells. Source: Kish (1965), Survey Sampling (design effect). */
const designEffect = (lessons: readonly Lesson[]) => 1 + (meanSpell(lessons) - 1) * alikeInSpell;

/** Whoever is unlike all others is not held back by how alike they are. */
const heaviestPrior = 25;

/** The date from which the running share has been at or over the line without a break. */
function overSince(lessons: readonly Lesson[], line: number, fewestTaken: number): string | null {
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

/** What the class's shares missed have in common, spells taken into account. */
function priorOf(byStudent: readonly (readonly Lesson[])[]): BetaPrior {
  const students = byStudent.length;
  const missed = new Float64Array(students);
  const taken = new Float64Array(students);
  for (let i = 0; i < students; i += 1) {
    const lessons = byStudent[i] ?? [];
    const spell = designEffect(lessons);
    missed[i] = lessons.filter(({ away }) => away).length / spell;
    taken[i] = lessons.length / spell;
  }
  const { mean, weight } = betaPrior(missed, taken, 0.05);
  return { mean, weight: Math.min(weight, heaviestPrior) };
}

/**
 * The highest line that is surely crossed, else the highest that is crossed at all.
 * Days away in a row are one event, so they prove less than as many single ones: the sample counts
 * as so much smaller as a spell is long (the design effect of clusters).
 */
function highestShare(lessons: readonly Lesson[], lines: LevelLines, prior: BetaPrior): LevelCrossed | null {
  const counts = missedOf(lessons);
  const { missed, taken } = counts;
  if (taken < lines.fewestTaken) return null;
  const value = missed / taken;
  const spell = designEffect(lessons);
  const crossed = lines.shares
    .filter((line) => value >= line)
    .sort((a, b) => b - a)
    .map((line) => ({ line, certainty: certaintyOverLine(missed / spell, taken / spell, line, prior) }));
  const level = crossed.find(({ certainty }) => certainty >= credibleFrom) ?? crossed[0];
  if (!level) return null;
  const since = overSince(lessons, level.line, lines.fewestTaken) ?? lessons[taken - 1]?.date ?? '';
  return { kind: 'share', ...level, value, ...counts, since };
}

/** In a class too young for shares so much missed is told as a plain fact: a third of the lessons, and three of them. */
const earlyFact = { share: 1 / 3, missed: 3 };

function earlyShare(lessons: readonly Lesson[], { fewestTaken }: LevelLines): LevelCrossed | null {
  const counts = missedOf(lessons);
  const { missed, taken } = counts;
  const first = lessons.find(({ away }) => away);
  if (!first || taken >= fewestTaken || missed < earlyFact.missed || missed / taken < earlyFact.share)
    return null;
  const value = missed / taken;
  return { kind: 'early', line: earlyFact.share, value, ...counts, since: first.date, certainty: null };
}

function streakAtEnd(lessons: readonly Lesson[], { inARow }: LevelLines): LevelCrossed | null {
  const run = lessons.slice(lessons.findLastIndex(({ away }) => !away) + 1);
  const first = run[0];
  if (run.length < inARow || !first) return null;
  return {
    kind: 'streak',
    line: inARow,
    value: run.length,
    ...missedOf(run),
    since: first.date,
    certainty: null,
  };
}

function missingAtEnd(slots: readonly Slot[], i: number, { missingOfFive }: LevelLines): LevelCrossed | null {
  const last = slots.filter(({ value }) => !Number.isNaN(value[i])).slice(-5);
  const gone = last.filter(({ value }) => value[i] === missing);
  const first = gone[0];
  if (gone.length < missingOfFive || !first) return null;
  const counts = { value: gone.length, missed: gone.length, taken: last.length, excused: 0, partly: 0 };
  return { kind: 'missing', line: missingOfFive, ...counts, since: first.date, certainty: null };
}

/** The lines that each student of a class is over, by student, in the order of the series. */
export function levelsCrossed(series: ClassSeries, lines: LevelLines = usualLines): LevelCrossed[][] {
  const byStudent = series.students.map((_, i) => lessonsOf(series, i));
  const prior = priorOf(byStudent);
  return series.students.map(({ active }, i) => {
    if (!active) return [];
    const lessons = byStudent[i] ?? [];
    const early = earlyShare(lessons, lines);
    return [
      early,
      // Where every lesson was missed, "in a row" would say the same once more.
      early && early.missed === early.taken ? null : streakAtEnd(lessons, lines),
      highestShare(lessons, lines, prior),
      missingAtEnd(series.streams.hand_in, i, lines),
    ].filter((level) => level !== null);
  });
}
