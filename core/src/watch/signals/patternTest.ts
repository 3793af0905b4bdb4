import { betaBinomialTail } from './betaBinomial';
import type { BetaPrior } from './models/betaPrior';
import { shifted } from './models/oddsShift';
import type { Slot, StreamName } from './streams';

export const patternStreams = ['presence', 'lateness', 'trouble'] as const satisfies readonly StreamName[];
export type PatternStream = (typeof patternStreams)[number];

/** Something that comes with a weekday, with the afternoon, with a seat or with a neighbour. */
export interface Pattern {
  studentId: string;
  stream: PatternStream;
  kind: 'weekday' | 'afternoon' | 'seat' | 'neighbour';
  /** ISO weekday; 0 for the others. */
  day: number;
  hits: number;
  times: number;
  /** Who sat beside, of a neighbour. */
  besideName: string | null;
  /** At other times in the same weeks, of seats at all other times. */
  otherHits: number;
  otherTimes: number;
  since: string;
  p: number;
  /** The last such days: the lesson, and whether it was so. */
  days: { date: string; source: string; hit: boolean }[];
}

/** The share at any time where nothing is known. */
export const guess: Record<PatternStream, number> = { presence: 0.05, lateness: 0.06, trouble: 0.12 };
/** A pattern has so many hits at least. */
export const fewestHits = 3;
/** Pattern means more often than at other times meanwhile, by this factor at least. */
const timesMore = 2;

/** @param own there @param other elsewhere */
export const isMore = (own: Counts, other: Counts) =>
  own.hits * other.times >= timesMore * other.hits * own.times;

export interface Counts {
  hits: number;
  times: number;
}

/** One student in one grouping, with what may come of the test at the least. */
export interface Candidate extends Omit<Pattern, 'since' | 'days'> {
  i: number;
  inside: readonly Slot[];
  least: number;
}

/** One student's hits, and what they are held against. */
export interface Against {
  own: Counts;
  /** At all other times, and of those meanwhile. */
  other: Counts;
  now: Counts;
  prior: BetaPrior;
  /** How much likelier a hit is for the whole class there, as odds. */
  shift: number;
}

/**
 * How likely so many hits are by chance, the student's share being what all other times and the class tell.
 * @returns the p-value, and the smallest one that so many times could have had
 */
export function tested({ own, other, now, prior, shift }: Against): { p: number; least: number } {
  const tail = (hits: number, otherHits: number) => {
    const weight = prior.weight + other.times;
    const share = shifted((prior.mean * prior.weight + otherHits) / weight, shift);
    return betaBinomialTail(hits, own.times, share * weight, (1 - share) * weight);
  };
  const most = Math.min(own.times, own.hits + now.hits);
  return {
    p: own.hits < fewestHits || !isMore(own, now) ? 1 : tail(own.hits, other.hits),
    least: most < fewestHits ? 1 : tail(most, other.hits + own.hits - most),
  };
}
