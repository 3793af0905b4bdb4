import type { Observation } from '../../records/schema';

/** From and to, in milliseconds since 1970. */
export type Span = readonly [from: number, to: number];

export type Timed = Pick<
  Observation,
  'startedAt' | 'endedAt' | 'pauses' | 'method' | 'intervalSeconds' | 'recordSeconds' | 'lengthSeconds'
>;

export const lengthOf = (spans: readonly Span[]) => spans.reduce((sum, [from, to]) => sum + to - from, 0);

/** Spans in order, those that touch or overlap as one. */
export function merged(spans: readonly Span[]): Span[] {
  const sorted = spans.filter(([from, to]) => to > from).sort((a, b) => a[0] - b[0]);
  const all: [number, number][] = [];
  for (const [from, to] of sorted) {
    const last = all.at(-1);
    if (last && from <= last[1]) last[1] = Math.max(last[1], to);
    else all.push([from, to]);
  }
  return all;
}

/** The parts of a span that lie in none of others. */
export function without([from, to]: Span, others: readonly Span[]): Span[] {
  const left: Span[] = [];
  let at = from;
  for (const [start, end] of merged(others)) {
    if (end <= at || start >= to) continue;
    if (start > at) left.push([at, start]);
    at = Math.max(at, end);
  }
  if (at < to) left.push([at, to]);
  return left;
}

/** The parts of spans that lie within one. */
export const within = (spans: readonly Span[], [from, to]: Span): Span[] =>
  spans
    .map(([start, end]): Span => [Math.max(start, from), Math.min(end, to)])
    .filter(([start, end]) => end > start);

/** Parts of a session as spans; one that goes on ends now. @param until milliseconds since 1970 */
export const spansOf = (parts: Observation['pauses'], until: number): Span[] =>
  parts.map(({ from, to }) => [Date.parse(from), to === null ? until : Date.parse(to)]);

/**
 * When a session runs: from its beginning, without its pauses, until it was ended or its length has run off.
 * @param now milliseconds since 1970
 */
export function runningSpans({ startedAt, endedAt, pauses, lengthSeconds }: Timed, now: number): Span[] {
  const until = endedAt === null ? now : Math.min(Date.parse(endedAt), now);
  let left = lengthSeconds * 1000;
  return without([Date.parse(startedAt), until], spansOf(pauses, until)).flatMap(([from, to]): Span[] => {
    const part = Math.min(to - from, left);
    left -= part;
    return part > 0 ? [[from, from + part]] : [];
  });
}

/** So long a session has run, in milliseconds, without its pauses. @param now milliseconds since 1970 */
export const ranFor = (session: Timed, now: number) => lengthOf(runningSpans(session, now));

/** Whether nobody has to end a session any more. @param now milliseconds since 1970 */
export const isOver = (session: Timed, now: number) =>
  session.endedAt !== null || ranFor(session, now) >= session.lengthSeconds * 1000;

/** When a session ended or ends by itself if it is not paused any more, in milliseconds since 1970. */
export function endOf(session: Timed, now: number): number {
  if (session.endedAt !== null) return Date.parse(session.endedAt);
  const spans = runningSpans(session, now);
  const left = session.lengthSeconds * 1000 - lengthOf(spans);
  return left <= 0 ? (spans.at(-1)?.[1] ?? now) : now + left;
}

/** What was really observed of a session: while it ran, without what was lost. @param now milliseconds since 1970 */
export function observedSpans(session: Timed & Pick<Observation, 'lost'>, now: number): Span[] {
  const lost = spansOf(session.lost, now);
  return runningSpans(session, now).flatMap((span) => without(span, lost));
}

/** A time on the session's own clock as parts of the time of day: a pause cuts it in two. @param from @param to in milliseconds */
function onTheWall(running: readonly Span[], from: number, to: number): Span[] {
  let before = 0;
  return running.flatMap(([start, end]) => {
    const part = within([[start, end]], [start + from - before, start + to - before]);
    before += end - start;
    return part;
  });
}

const cycleOf = ({ intervalSeconds, recordSeconds }: Timed) =>
  ((intervalSeconds ?? 0) + recordSeconds) * 1000;

/** How many intervals a session has; 0 where nothing is asked by interval. */
export function intervalsOf(session: Timed): number {
  const { intervalSeconds, recordSeconds, lengthSeconds } = session;
  if (intervalSeconds === null) return 0;
  // The time to write down after the last interval may be cut.
  return Math.floor((lengthSeconds + recordSeconds) / (intervalSeconds + recordSeconds));
}

/**
 * The time of an interval, without the time to write down after it. Of a session that has not come so far, what there
 * has been of it.
 * @param index from 0 @param now milliseconds since 1970
 */
export function intervalSpans(session: Timed, index: number, now: number): Span[] {
  const from = index * cycleOf(session);
  return onTheWall(runningSpans(session, now), from, from + (session.intervalSeconds ?? 0) * 1000);
}

/** Where a session stands. */
export interface Place {
  /** The interval that runs or, while it is written down, has just ended; from 0. */
  index: number;
  /** Its time has ended: what was seen is written down. */
  isRecording: boolean;
  /** Until its next signal, in milliseconds. */
  nextIn: number;
}

/** Where a session stands in its intervals; null once it is over, and where nothing is asked by interval. */
export function placeOf(session: Timed, now: number): Place | null {
  const cycle = cycleOf(session);
  if (session.intervalSeconds === null || isOver(session, now)) return null;
  const ran = ranFor(session, now);
  const index = Math.floor(ran / cycle);
  const inCycle = ran - index * cycle;
  const length = session.intervalSeconds * 1000;
  const isRecording = inCycle >= length;
  return { index, isRecording, nextIn: (isRecording ? cycle : length) - inCycle };
}

/**
 * The interval that an answer given now is about; null where there is none. At a momentary sampling it is the last
 * moment that has passed, until the next; else the interval that runs or is being written down. After the end the last
 * one can be answered for as long as `lastAnswerMs`.
 */
export function askedInterval(session: Timed, now: number): number | null {
  const count = intervalsOf(session);
  if (count === 0) return null;
  const place = placeOf(session, now);
  if (place === null)
    return session.endedAt === null && now - endOf(session, now) < lastAnswerMs ? count - 1 : null;
  if (session.method !== 'momentary') return place.index < count ? place.index : null;
  const asked = place.isRecording ? place.index : place.index - 1;
  return asked < 0 ? null : Math.min(asked, count - 1);
}

/** So long the last interval can be answered after a session is over, in milliseconds. */
export const lastAnswerMs = 15_000;
