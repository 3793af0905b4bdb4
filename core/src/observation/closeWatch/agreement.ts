import type { Observation, ObservationEvent } from '../../records/schema';
import { cohenKappa, type Kappa } from '../../statistics/kappa';
import { intervalSpans, merged, observedSpans, within, type Span } from './course';
import { asksByInterval } from './limits';
import { outcomesOf, type Outcome } from './outcomes';

/** How far two observers of one student agree. Percentages are null where there is nothing to compare. */
export interface Agreement {
  /** What was compared: intervals, seconds, windows of ten seconds, or answers to what was asked for. */
  by: 'interval' | 'second' | 'window' | 'asked';
  /** How many of them. */
  cases: number;
  /** Of all of them, both said the same. */
  percent: number | null;
  /** Of those in which at least one saw it, both did. */
  seenPercent: number | null;
  /** Of those in which at least one did not see it, neither did. */
  notSeenPercent: number | null;
  /** The smaller sum of the two as a percentage of the larger; null where sums are not compared. */
  totalPercent: number | null;
  /** Both saw it, only the first, only the second, neither. */
  table: { both: number; first: number; second: number; neither: number } | null;
  kappa: Kappa | null;
}

type Session = Omit<Observation, 'planId' | 'lessonId' | 'observer' | 'besideId' | 'removed'>;
type Seen = Omit<ObservationEvent, 'id' | 'observationId' | 'removed'>;

/** One observer's session, and what they saw of the student. */
export interface Observed {
  session: Session;
  events: readonly Seen[];
}

const share = (part: number, whole: number) => (whole === 0 ? null : (part / whole) * 100);
const smallerOfLarger = (a: number, b: number) => (a === b ? 100 : (Math.min(a, b) / Math.max(a, b)) * 100);

/** Pairs of what was seen, put into figures. */
function ofPairs(
  pairs: readonly (readonly [first: boolean, second: boolean])[],
): Pick<Agreement, 'cases' | 'percent' | 'seenPercent' | 'notSeenPercent' | 'table' | 'kappa'> {
  const count = (first: boolean, second: boolean) =>
    pairs.filter(([one, other]) => one === first && other === second).length;
  const table = {
    ...{ both: count(true, true), first: count(true, false) },
    ...{ second: count(false, true), neither: count(false, false) },
  };
  const { both, first, second, neither } = table;
  return {
    cases: pairs.length,
    percent: share(both + neither, pairs.length),
    seenPercent: share(both, both + first + second),
    notSeenPercent: share(neither, neither + first + second),
    table,
    kappa: cohenKappa([
      [both, first],
      [second, neither],
    ]),
  };
}

/**
 * Which interval of the second session is the same time as one of the first: the one that begins nearest to it, not
 * farther than half an interval. Sessions beside each other have the same ones.
 */
function sameInterval(first: Session, second: Session, index: number, now: number): number | null {
  const length = (first.intervalSeconds ?? 0) * 1000;
  const from = intervalSpans(first, index, now)[0]?.[0];
  if (from === undefined) return null;
  const cycle = length + first.recordSeconds * 1000;
  const guess = index + Math.round((Date.parse(first.startedAt) - Date.parse(second.startedAt)) / cycle);
  for (const other of [guess, guess - 1, guess + 1]) {
    const start = other < 0 ? undefined : intervalSpans(second, other, now)[0]?.[0];
    if (start !== undefined && Math.abs(start - from) <= length / 2) return other;
  }
  return null;
}

function byInterval(one: Observed, other: Observed, now: number): Agreement {
  const first = outcomesOf(one.session, one.events, now);
  const second = outcomesOf(other.session, other.events, now);
  const isKnown = (outcome: Outcome | undefined): outcome is Outcome =>
    outcome !== undefined && outcome !== 'not_observed';
  const pairs = first.flatMap((outcome, index) => {
    const same = sameInterval(one.session, other.session, index, now);
    const beside = same === null ? undefined : second[same];
    return isKnown(outcome) && isKnown(beside) ? [[outcome === 'seen', beside === 'seen'] as const] : [];
  });
  return { by: 'interval', ...ofPairs(pairs), totalPercent: null };
}

/** The time that both observed. */
function bothObserved(one: Observed, other: Observed, now: number): Span[] {
  const second = observedSpans(other.session, now);
  return observedSpans(one.session, now).flatMap((span) => within(second, span));
}

const windowSeconds = { second: 1, window: 10 } as const;

/** Cuts the time that both observed into windows, and asks of each whether it was seen in it. */
function byWindow(one: Observed, other: Observed, by: 'second' | 'window', now: number): Agreement {
  const size = windowSeconds[by] * 1000;
  const common = bothObserved(one, other, now);
  const end = common.at(-1)?.[1] ?? 0;
  const seenOf = ({ events }: Observed) =>
    merged(
      events.map(({ at, until }): Span => {
        const from = Date.parse(at);
        if (by === 'window') return [from, from + 1];
        return [from, until === null ? end : Date.parse(until)];
      }),
    );
  const [first, second] = [seenOf(one), seenOf(other)];
  const windows = common.flatMap(([from, to]) =>
    Array.from({ length: Math.floor((to - from) / size) }, (_, index): Span => {
      const start = from + index * size;
      return [start, start + size];
    }),
  );
  const isSeen = (seen: readonly Span[], window: Span) => within(seen, window).length > 0;
  const pairs = windows.map((window) => [isSeen(first, window), isSeen(second, window)] as const);
  const sum = (seen: readonly Span[]) =>
    common.flatMap((span) => within(seen, span)).reduce((all, [from, to]) => all + to - from, 0);
  const counted = ({ events }: Observed) =>
    events.filter(({ at }) => common.some(([from, to]) => from <= Date.parse(at) && Date.parse(at) < to))
      .length;
  const totals = by === 'second' ? [sum(first), sum(second)] : [counted(one), counted(other)];
  const totalPercent = windows.length === 0 ? null : smallerOfLarger(totals[0] ?? 0, totals[1] ?? 0);
  return { by, ...ofPairs(pairs), totalPercent };
}

/** The latencies of both, one after the other: the mean of the smaller as a percentage of the larger. */
function byAsked(one: Observed, other: Observed): Agreement {
  const latencies = ({ events }: Observed) =>
    [...events]
      .sort((a, b) => (a.at < b.at ? -1 : 1))
      .flatMap(({ at, until }) => (until === null ? [] : [Date.parse(until) - Date.parse(at)]));
  const [first, second] = [latencies(one), latencies(other)];
  const cases = Math.min(first.length, second.length);
  const percents = first.slice(0, cases).map((value, index) => smallerOfLarger(value, second[index] ?? 0));
  const percent = cases === 0 ? null : percents.reduce((sum, value) => sum + value, 0) / cases;
  return {
    ...{ by: 'asked', cases, percent, seenPercent: null, notSeenPercent: null },
    ...{ totalPercent: null, table: null, kappa: null },
  };
}

/**
 * How far two observers of one student agree.
 * Sources: agreement by interval, of occurrence and of non-occurrence, total count, total duration and mean latency by
 * response: Cooper, Heron and Heward, Applied Behavior Analysis (2020), chapter 5; kappa of seen and not seen: Cohen
 * (1960), of times in windows of ten seconds, of durations second by second.
 * @param now milliseconds since 1970
 */
export function agreementOf(one: Observed, other: Observed, now: number): Agreement {
  const { method } = one.session;
  if (asksByInterval(method)) return byInterval(one, other, now);
  if (method === 'latency') return byAsked(one, other);
  return byWindow(one, other, method === 'duration' ? 'second' : 'window', now);
}

/** Fewer cases than these say little. */
const fewCases = 30;
/** Where one of the two answers is so frequent, kappa is low even though both agree nearly always. */
const oneSided = 0.85;

/** What is true of every kappa of what is watched. */
export const kappaCaution =
  'Kappa is what both agree beyond chance: 1 is always, 0 no more than by chance. One moment resembles the next, so the uncertainty is larger than the range says.';

/** What kappa does not tell here, in sentences. */
export function kappaLimits({ kappa, table, by }: Pick<Agreement, 'kappa' | 'table' | 'by'>): string[] {
  if (kappa === null || table === null) return [];
  const { both, first, second } = table;
  const seen = (2 * both + first + second) / (2 * kappa.cases);
  const isOneSided = Math.max(seen, 1 - seen) >= oneSided;
  return [
    kappa.kappa === null
      ? 'Kappa has no value here: both said the same of everything, which chance would do as well.'
      : '',
    isOneSided && kappa.kappa !== null
      ? `It was ${seen > 0.5 ? 'nearly always' : 'rarely'} seen: then kappa is low even where both agree nearly always (Feinstein and Cicchetti 1990). Look at both percentages beside it.`
      : '',
    kappa.cases < fewCases
      ? `${kappa.cases} ${kappa.cases === 1 ? 'case is' : 'cases are'} few: kappa can be far from what many would give.`
      : '',
    by === 'interval' ? '' : 'The times were cut into windows for it: how long they are changes the number.',
  ].filter(Boolean);
}
