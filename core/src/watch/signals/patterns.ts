import { weekdayOf } from '../../calendar/localTime';
import { falseDiscoveryLimit } from './falseDiscovery';
import { betaPrior, type BetaPrior } from './models/betaPrior';
import { oddsShift } from './models/oddsShift';
import {
  fewestHits,
  guess,
  patternStreams,
  tested,
  type Candidate,
  type Counts,
  type Pattern,
  type PatternStream,
} from './patternTest';
import { seatCandidates } from './seatPatterns';
import type { ClassSeries, Slot } from './streams';

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

interface Grouping {
  kind: keyof typeof lastTimes;
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
  const test = tested({ own, other, now, prior, shift });
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
    besideName: null,
    ...test,
  };
}

/** So many days are drawn. */
const mostDays = 10;

/** What is told of a candidate once it is called. */
function patternOf({ i, inside, least: _, ...candidate }: Candidate): Pattern {
  return {
    ...candidate,
    since: inside.find(({ value }) => (value[i] ?? 0) > 0)?.date ?? '',
    days: inside
      .slice(-mostDays)
      .flatMap(({ date, source, value }) =>
        Number.isNaN(value[i]) ? [] : [{ date, source, hit: (value[i] ?? 0) > 0 }],
      ),
  };
}

/** Sitting somewhere is sitting beside somebody: of what was called of one student's seat, the likeliest reason. */
function withoutSame(called: readonly Candidate[]): Candidate[] {
  const best = new Map<number, Candidate>();
  for (const one of called) {
    const known = best.get(one.i);
    if (isOfSeat(one) && (!known || one.p < known.p)) best.set(one.i, one);
  }
  return called.filter((one) => !isOfSeat(one) || best.get(one.i) === one);
}

const isOfSeat = ({ kind }: Candidate) => kind === 'seat' || kind === 'neighbour';

/**
 * Absence, lateness or trouble that is bound to a weekday or the afternoon, trouble to a seat or a neighbour too:
 * exact tests of the last such days against the student's other days and the class, held to a false discovery
 * rate over everything looked at in a stream.
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
    if (stream === 'trouble') candidates.push(...seatCandidates(series));
    const limit = falseDiscoveryLimit(candidates, shares[stream]);
    return withoutSame(candidates.filter(({ p }) => p <= limit)).map(patternOf);
  });
}
