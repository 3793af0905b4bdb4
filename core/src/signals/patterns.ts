import { getISODay, parseISO } from 'date-fns';
import { betaBinomialTail } from './betaBinomial';
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
  /** Lessons in which it was so. */
  sources: string[];
}

/** Looked at are the last such days, and everything else since the first of them. */
const lastTimes = { weekday: 7, afternoon: 10 } as const;
/** Of what is called a pattern, so much may be chance. */
export const falseShare = 0.1;
/** The class's own share on those days stands beside the student's other days with this weight. */
const classWeight = 60;
const fewestHits = 3;

interface Grouping {
  kind: Pattern['kind'];
  day: number;
  isIn: (slot: Slot) => boolean;
}

function groupingsOf(series: ClassSeries): Grouping[] {
  const dayOf = new Map(series.lessons.map(({ date }) => [date, getISODay(parseISO(date))]));
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

function countOf(slots: readonly Slot[], i: number): Counts {
  const counts = { hits: 0, times: 0 };
  for (const { value } of slots) {
    const seen = value[i] ?? NaN;
    if (Number.isNaN(seen)) continue;
    counts.times += 1;
    if (seen > 0) counts.hits += 1;
  }
  return counts;
}

function countOfClass(slots: readonly Slot[], students: number): Counts {
  const all = { hits: 0, times: 0 };
  for (let i = 0; i < students; i += 1) {
    const { hits, times } = countOf(slots, i);
    all.hits += hits;
    all.times += times;
  }
  return all;
}

interface Candidate extends Pattern {
  least: number;
}

/** How one student's hits lie in one grouping; null where there is too little to see. */
function candidate(
  series: ClassSeries,
  i: number,
  stream: PatternStream,
  { kind, day }: Grouping,
  inside: readonly Slot[],
  outside: readonly Slot[],
  all: Counts,
): Candidate | null {
  const own = countOf(inside, i);
  const other = countOf(outside, i);
  if (own.times < fewestHits) return null;
  const classShare = (all.hits - own.hits + 1) / (all.times - own.times + 20);
  const tail = (hits: number, otherHits: number) =>
    betaBinomialTail(
      hits,
      own.times,
      classWeight * classShare + otherHits,
      classWeight * (1 - classShare) + other.times - otherHits,
    );
  const most = Math.min(own.times, own.hits + other.hits);
  const sources = inside.filter(({ value }) => (value[i] ?? 0) > 0).map(({ source }) => source);
  return {
    studentId: series.students[i]?.id ?? '',
    stream,
    kind,
    day,
    hits: own.hits,
    times: own.times,
    otherHits: other.hits,
    otherTimes: other.times,
    since: inside.find(({ value }) => (value[i] ?? 0) > 0)?.date ?? '',
    p: own.hits < fewestHits ? 1 : tail(own.hits, other.hits),
    least: most < fewestHits ? 1 : tail(most, own.hits + other.hits - most),
    sources,
  };
}

/**
 * Absence, lateness or trouble that is bound to a weekday or the afternoon: exact tests of the last such
 * days against the student's other days in the same weeks and the class on those days, held to a false
 * discovery rate over everything looked at.
 */
export function patternsOf(series: ClassSeries, q = falseShare): Pattern[] {
  const candidates: Candidate[] = [];
  const groupings = groupingsOf(series);
  for (const stream of patternStreams)
    for (const grouping of groupings) {
      const inside = series.streams[stream].filter(grouping.isIn).slice(-lastTimes[grouping.kind]);
      const first = inside[0]?.date ?? '\uFFFF';
      const outside = series.streams[stream].filter((slot) => slot.date >= first && !grouping.isIn(slot));
      const all = countOfClass(inside, series.students.length);
      series.students.forEach(({ active }, i) => {
        const found = active ? candidate(series, i, stream, grouping, inside, outside, all) : null;
        if (found) candidates.push(found);
      });
    }
  const limit = falseDiscoveryLimit(candidates, q);
  return candidates.filter(({ p }) => p <= limit).map(({ least: _, ...pattern }) => pattern);
}
