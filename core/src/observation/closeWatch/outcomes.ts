import type { Observation, ObservationEvent } from '../../records/schema';
import { intervalsOf, intervalSpans, spansOf, type Span } from './course';

/** What is known of one student in one interval. Where nobody answered it is not observed, never not seen. */
export type Outcome = 'seen' | 'not_seen' | 'not_observed';

export const outcomeWords: Record<Outcome, string> = {
  seen: 'seen',
  not_seen: 'not seen',
  not_observed: 'not observed',
};

type Session = Omit<Observation, 'planId' | 'lessonId' | 'observer' | 'besideId' | 'studentIds' | 'removed'>;
type Answer = Pick<ObservationEvent, 'interval' | 'seen' | 'byHand'>;

const overlaps = (spans: readonly Span[], lost: readonly Span[]) =>
  spans.some(([from, to]) => lost.some(([start, end]) => start < to && end > from));

/** Was the moment at which something was to be seen lost? */
function isMomentLost(spans: readonly Span[], lost: readonly Span[]): boolean {
  const moment = spans.at(-1)?.[1];
  return moment !== undefined && lost.some(([from, to]) => from <= moment && moment < to);
}

/**
 * Whether what was lost of an interval takes away an answer. Something that was seen in part of a partial interval was
 * seen; something that stopped in a part of a whole one did not go on for all of it.
 */
function isUnknown(
  { method }: Pick<Session, 'method'>,
  isSeen: boolean,
  spans: readonly Span[],
  lost: readonly Span[],
): boolean {
  if (method === 'momentary') return isMomentLost(spans, lost);
  if (method === 'partial_interval') return !isSeen && overlaps(spans, lost);
  return isSeen && overlaps(spans, lost);
}

/** Whether the moment of a momentary sampling, or all of an interval, was lost: there is nothing to answer. */
export function isMissed(session: Session, index: number, now: number): boolean {
  const lost = spansOf(session.lost, now);
  const spans = intervalSpans(session, index, now);
  if (session.method === 'momentary') return isMomentLost(spans, lost);
  return (
    spans.length > 0 && spans.every(([from, to]) => lost.some(([start, end]) => start <= from && to <= end))
  );
}

/**
 * What is known of a student in each interval of a session.
 * @param answers of that student @param now milliseconds since 1970
 */
export function outcomesOf(session: Session, answers: readonly Answer[], now: number): Outcome[] {
  const lost = spansOf(session.lost, now);
  const byInterval = new Map(answers.map((answer) => [answer.interval, answer]));
  return Array.from({ length: intervalsOf(session) }, (_, index): Outcome => {
    const answer = byInterval.get(index);
    if (answer?.seen === undefined || answer.seen === null) return 'not_observed';
    const spans = intervalSpans(session, index, now);
    if (!answer.byHand && isUnknown(session, answer.seen, spans, lost)) return 'not_observed';
    return answer.seen ? 'seen' : 'not_seen';
  });
}
