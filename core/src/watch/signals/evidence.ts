import { z } from 'zod';
import { median } from '../../statistics/median';
import { clearsAt, type Standing } from './cusum';
import type { StreamStates } from './followStreams';
import type { LevelCrossed } from './levels';
import { onsetOf } from './onset';
import type { Pattern } from './patternTest';
import { patternClears, patternWords } from './patternWords';
import { streamNames, type ClassSeries, type Slot, type StreamName } from './streams';
import { changeInWords, counted, percent } from './words';
import { levelWords } from './levelWords';

/** One point of a stream: a lesson, a day or a piece of work. */
export const EvidencePoint = z.object({
  date: z.iso.date(),
  /** The id of the lesson or piece of work, or a date. */
  source: z.string(),
  value: z.number(),
  /** The class at that time: the median, or the share of those for whom it was so. */
  classMiddle: z.number().nullable(),
});

/** Why a student stands on the list: one stream that changed, a line that is surely crossed, a pattern. */
export const Evidence = z.object({
  stream: z.enum(streamNames),
  kind: z.enum(['change', 'level', 'pattern']),
  value: z.number(),
  usual: z.number(),
  /** How often it was seen. */
  n: z.number(),
  since: z.iso.date(),
  /** To follow the name. */
  words: z.string(),
  /** What would end it, to follow "It clears with". Empty where only time does. */
  clears: z.string(),
  /** How far the usual goes down and up: the middle two thirds of what was seen before. */
  band: z.tuple([z.number(), z.number()]),
  points: z.array(EvidencePoint),
});
export type Evidence = z.infer<typeof Evidence>;

const rounded = (value: number) => Math.round(value * 1000) / 1000;

const mostPoints = 40;

function shareOf(values: Float64Array): number | null {
  const seen = [...values].filter((value) => !Number.isNaN(value));
  return seen.length === 0 ? null : rounded(seen.filter((value) => value > 0).length / seen.length);
}

/** Streams in which something is so or not: of those the class has a share, of others a middle. */
const yesNo: ReadonlySet<StreamName> = new Set(['presence', 'lateness', 'hand_in']);

/** Looked at for every student with evidence in the stream, but the same for all of them. */
const middles = new WeakMap<Slot, number | null>();

/** The class at one time: of what is so or not the share, else the median. */
function middleOf(stream: StreamName, slot: Slot): number | null {
  const known = middles.get(slot);
  if (known !== undefined) return known;
  const middle = yesNo.has(stream) ? shareOf(slot.value) : median(slot.value);
  middles.set(slot, middle);
  return middle;
}

/** The last times that a stream was seen of a student, with the class beside it. */
export function pointsOf(series: ClassSeries, stream: StreamName, i: number): Evidence['points'] {
  const slots = series.streams[stream].filter(({ value }) => !Number.isNaN(value[i]));
  return slots.slice(-mostPoints).map((slot) => ({
    date: slot.date,
    source: slot.source,
    value: rounded(slot.value[i] ?? 0),
    classMiddle: middleOf(stream, slot),
  }));
}

function bandOf(points: Evidence['points'], since: string, usual: number): [number, number] {
  const before = points.filter(({ date }) => date < since).map(({ value }) => value);
  if (before.length < 5) return [usual, usual];
  const sorted = before.sort((a, b) => a - b);
  const at = (share: number) =>
    sorted[Math.min(sorted.length - 1, Math.floor(share * sorted.length))] ?? usual;
  return [Math.min(usual, at(1 / 6)), Math.max(usual, at(5 / 6))];
}

/** About how many observations as usual end a change, from what one of them weighs. */
const steadyWords: Partial<Record<StreamName, (count: number) => string>> = {
  presence: (count) => `about ${counted(count, 'lesson')} there in a row`,
  lateness: (count) => `about ${counted(count, 'lesson')} in time`,
  hand_in: (count) => `about ${counted(count, 'piece')} handed in`,
  voice: (count) => `about ${counted(count, 'observed lesson')} as usual`,
  trouble: (count) => `about ${counted(count, 'observed lesson')} as usual`,
  engagement: (count) => `about ${counted(count, 'sweep')} as usual`,
  weather: (count) => `about ${counted(count, 'check-in')} as usual`,
  online: (count) => `about ${counted(count, 'day')} online as usual`,
  score: (count) => `about ${counted(count, 'piece')} scored as usual`,
  stuck: (count) => `about ${counted(count, 'day')} without such a note`,
};

function clearsWords(stream: StreamName, standing: Standing, weight: number): string {
  const left = Math.ceil((clearsAt - standing.clearing) / Math.max(weight, 0.15));
  return steadyWords[stream]?.(Math.max(1, left)) ?? '';
}

/** Since when something speaks for a change, and what was seen since then. */
function sinceWhen({ lessons }: ClassSeries, { change, sinceChange, recent }: Standing) {
  if (change) return { since: change.since, seen: sinceChange };
  const onset = onsetOf(recent, recent.lessons.at(-1) ?? 0);
  return { since: lessons[onset]?.date ?? lessons.at(-1)?.date ?? '', seen: recent.sumSince(onset) };
}

/** So much of what makes a change is enough to date a concern by that has another reason. */
const enoughToDate = 0.2;

/** Since when it is likely that a stream changed of which that is not certain yet; null where little speaks for it. */
export function likelySince(
  series: ClassSeries,
  states: StreamStates,
  stream: StreamName,
  i: number,
): string | null {
  const standing = states[stream].standings[i];
  if (!standing || standing.evidence < standing.limit * enoughToDate) return null;
  return sinceWhen(series, standing).since;
}

/** A change in one stream, or what speaks for one before it is one. */
export function changeEvidence(
  series: ClassSeries,
  states: StreamStates,
  stream: StreamName,
  i: number,
): Evidence {
  const { standings, model } = states[stream];
  const standing = standings[i];
  if (!standing) throw new Error(`No standing of student ${i}.`);
  const usual = model.usual(i);
  const points = pointsOf(series, stream, i);
  const { since, seen } = sinceWhen(series, standing);
  const { sum, exposure, count: n } = seen;
  return {
    stream,
    kind: 'change',
    value: rounded(sum / Math.max(exposure, 1e-9)),
    usual: rounded(usual),
    n,
    since,
    words: changeInWords[stream]({ sum, exposure, n, usual }),
    clears: standing.change ? clearsWords(stream, standing, model.weightAsUsual(i)) : '',
    band: bandOf(points, since, rounded(usual)),
    points,
  };
}

/** A line that a student is over, as evidence or as a mere fact. */
export function levelEvidence(series: ClassSeries, level: LevelCrossed, i: number): Evidence {
  const stream = level.kind === 'missing' ? 'hand_in' : 'presence';
  const value = level.kind === 'share' || level.kind === 'early' ? level.value : level.missed / level.taken;
  return {
    stream,
    kind: 'level',
    value: rounded(value),
    usual: level.kind === 'share' ? level.line : 0,
    n: level.taken,
    since: level.since,
    words: levelWords(level),
    clears: level.kind === 'share' ? `a share under the ${percent(level.line)} line` : '',
    band: [0, level.kind === 'share' ? level.line : 0],
    points: pointsOf(series, stream, i),
  };
}

/** A pattern bound to a weekday, the afternoon, a seat or a neighbour. */
export function patternEvidence(pattern: Pattern): Evidence {
  const { stream, hits, times, otherHits, otherTimes } = pattern;
  return {
    stream,
    kind: 'pattern',
    value: rounded(hits / times),
    usual: rounded(otherTimes === 0 ? 0 : otherHits / otherTimes),
    n: times,
    since: pattern.since,
    words: patternWords(pattern),
    clears: patternClears(pattern),
    band: [0, 0],
    points: pattern.days.map(({ date, source, hit }) => ({
      date,
      source,
      value: hit ? 1 : 0,
      classMiddle: null,
    })),
  };
}
