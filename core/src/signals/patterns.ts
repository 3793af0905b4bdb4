import { weekdayOf } from '../calendar/localTime';
import { betaBinomialTail } from './betaBinomial';
import { betaPrior, type BetaPrior } from './models/betaPrior';
import { oddsShift, shifted } from './models/oddsShift';
import { falseDiscoveryLimit } from './falseDiscovery';
import type { ClassSeries, Slot, StreamName } from './streams';

export const patternStreams = ['presence', 'lateness', 'trouble'] as const satisfies readonly StreamName[];
export type PatternStream = (typeof patternStreams)[number];

/** Something that comes with a weekday or with the afternoon. */
export interface Pattern {
  studentId: string;
  stream: PatternStream;
  kind: 'weekday' | 'afternoon';
  /** ISO weekday; 0 for the afternoon. */
  day: number;
  hits: number;
  times: number;
  /** At other times in the same weeks. */
  otherHits: number;
  otherTimes: number;
  since: string;
  p: number;
  /** The last such days: the lesson, and whether it was so. */
  days: { date: string; source: string; hit: boolean }[];
}

/** Looked at are the last such days, and everything else since the first of them. */
const lastTimes = { weekday: 7, afternoon: 10 } as const;
/**
 * Of the patterns that are called in a stream, so much may be chance. Absence on one weekday is worth calling
 * early, so more of it may be.
 */
export const falseShares: Record<PatternStream, number> = {
  presence: 0.021,
  lateness: 0.0015,
  trouble: 0.003,
};

/** The share at any time where nothing is known. */
const guess: Record<PatternStream, number> = { presence: 0.05, lateness: 0.06, trouble: 0.12 };
const fewestHits = 3;

interface Grouping {
  kind: Pattern['kind'];
  day: number;
  isIn: (slot: Slot) => boolean;
}

function groupingsOf(series: ClassSeries): Grouping[] {
  const dayOf = new Map(series.lessons.map(({ date }) => [date, weekdayOf(date)]));
  const startOf = new Map(series.lessons.map(({ id, startsAt }) => [id, startsAt]));
  const days = [...new Set(dayOf.values())].sort();
  const isAfternoon = (id: string) => (startOf.get(id) ?? '') >= '12:30';
  const afternoons = series.lessons.filter(({ id }) => isAfternoon(id)).length;
  const weekdays: Grouping[] = days.map((day) => ({
    kind: 'weekday',
    day,
    isIn: (slot) => dayOf.get(slot.date) === day,
  }));
  const afternoon: Grouping = { kind: 'afternoon', day: 0, isIn: (slot) => isAfternoon(slot.source) };
  return [
    ...(days.length > 1 ? weekdays : []),
    ...(afternoons > 0 && afternoons < series.lessons.length ? [afternoon] : []),
  ];
}

interface Counts {
  hits: number;
  times: number;
}

/** Of each student, in some slots. */
function countsOf(slots: readonly Slot[], students: number): Counts[] {
  const counts = Array.from({ length: students }, () => ({ hits: 0, times: 0 }));
  for (const { value } of slots)
    counts.forEach((count, i) => {
      const seen = value[i] ?? NaN;
      if (Number.isNaN(seen)) return;
      count.times += 1;
      if (seen > 0) count.hits += 1;
    });
  return counts;
}

const less = (all: Counts, some: Counts | undefined): Counts => ({
  hits: all.hits - (some?.hits ?? 0),
  times: all.times - (some?.times ?? 0),
});

const sumOf = (counts: readonly Counts[]): Counts => ({
  hits: counts.reduce((sum, { hits }) => sum + hits, 0),
  times: counts.reduce((sum, { times }) => sum + times, 0),
});

/** One student in one grouping, with what may come of the test at the least. */
interface Candidate extends Omit<Pattern, 'since' | 'days'> {
  i: number;
  inside: readonly Slot[];
  least: number;
}

/** What one grouping is held against. */
interface Comparison {
  inside: readonly Slot[];
  /** Of each student: inside, at other times since the first time inside, and at all other times. */
  own: readonly Counts[];
  meanwhile: readonly Counts[];
  others: readonly Counts[];
  prior: BetaPrior;
  /** How much likelier it is for the class on such days, as odds; never less than on others. */
  shift: number;
}

/** Absences of one lesson by itself; of a longer spell, an illness say, no weekday is the cause. */
function singleAbsences(slots: readonly Slot[]): Slot[] {
  const students = slots[0]?.value.length ?? 0;
  const single = slots.map((slot) => ({ ...slot, value: slot.value.slice() }));
  for (let i = 0; i < students; i += 1) {
    let run: Slot[] = [];
    const endRun = () => {
      if (run.length > 1) for (const { value } of run) value[i] = NaN;
      run = [];
    };
    for (const slot of single) {
      if (slot.value[i] === 1) run.push(slot);
      else if (slot.value[i] === 0) endRun();
    }
    endRun();
  }
  return single;
}

/** @param whole of each student, in all slots */
function comparisonOf(
  slots: readonly Slot[],
  whole: readonly Counts[],
  stream: PatternStream,
  { kind, isIn }: Grouping,
): Comparison {
  const group = slots.filter(isIn);
  const inside = group.slice(-lastTimes[kind]);
  const first = inside[0]?.date ?? '\uFFFF';
  const ofGroup = countsOf(group, whole.length);
  const others = whole.map((all, i) => less(all, ofGroup[i]));
  const own = countsOf(inside, whole.length);
  const [here, other] = [sumOf(own), sumOf(others)];
  return {
    inside,
    own,
    others,
    meanwhile: countsOf(
      slots.filter((slot) => slot.date >= first && !isIn(slot)),
      whole.length,
    ),
    prior: betaPrior(
      Float64Array.from(others, ({ hits }) => hits),
      Float64Array.from(others, ({ times }) => times),
      guess[stream],
    ),
    shift: Math.max(
      1,
      oddsShift(here.hits, (here.times * (other.hits + 1)) / (other.times + 20), here.times),
    ),
  };
}

/** Pattern means more often than at other times meanwhile, by this factor at least. */
const timesMore = 2;

/** How one student's hits lie in one grouping; null where there is too little to see. */
function candidate(
  series: ClassSeries,
  i: number,
  stream: PatternStream,
  { kind, day }: Grouping,
  { inside, prior, shift, ...counts }: Comparison,
): Candidate | null {
  const [own, other, now] = [counts.own[i], counts.others[i], counts.meanwhile[i]];
  if (!own || !other || !now || own.times < fewestHits) return null;
  // The student's share at other times, as all earlier ones and the class's tell it, on a day of this kind.
  const tail = (hits: number, otherHits: number) => {
    const weight = prior.weight + other.times;
    const share = shifted((prior.mean * prior.weight + otherHits) / weight, shift);
    return betaBinomialTail(hits, own.times, share * weight, (1 - share) * weight);
  };
  const most = Math.min(own.times, own.hits + now.hits);
  const isMore = own.hits * now.times >= timesMore * now.hits * own.times;
  return {
    i,
    inside,
    studentId: series.students[i]?.id ?? '',
    stream,
    kind,
    day,
    hits: own.hits,
    times: own.times,
    otherHits: now.hits,
    otherTimes: now.times,
    p: own.hits < fewestHits || !isMore ? 1 : tail(own.hits, other.hits),
    least: most < fewestHits ? 1 : tail(most, other.hits + own.hits - most),
  };
}

/** What is told of a candidate once it is called. */
function patternOf({ i, inside, least: _, ...candidate }: Candidate): Pattern {
  return {
    ...candidate,
    since: inside.find(({ value }) => (value[i] ?? 0) > 0)?.date ?? '',
    days: inside.flatMap(({ date, source, value }) =>
      Number.isNaN(value[i]) ? [] : [{ date, source, hit: (value[i] ?? 0) > 0 }],
    ),
  };
}

/**
 * Absence, lateness or trouble that is bound to a weekday or the afternoon: exact tests of the last such
 * days against the student's other days and the class, held to a false discovery rate over everything
 * looked at in a stream.
 */
export function patternsOf(series: ClassSeries, shares = falseShares): Pattern[] {
  const groupings = groupingsOf(series);
  return patternStreams.flatMap((stream) => {
    const slots = stream === 'presence' ? singleAbsences(series.streams[stream]) : series.streams[stream];
    const whole = countsOf(slots, series.students.length);
    const candidates = groupings.flatMap((grouping) => {
      const comparison = comparisonOf(slots, whole, stream, grouping);
      return series.students.flatMap(({ active }, i) =>
        active ? (candidate(series, i, stream, grouping, comparison) ?? []) : [],
      );
    });
    const limit = falseDiscoveryLimit(candidates, shares[stream]);
    return candidates.filter(({ p }) => p <= limit).map(patternOf);
  });
}
