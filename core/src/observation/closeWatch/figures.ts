import type { Observation, ObservationEvent } from '../../records/schema';
import { mean } from '../../statistics/mean';
import { median } from '../../statistics/median';
import { lengthOf, observedSpans, within } from './course';
import { asksByInterval } from './limits';
import { outcomesOf, type Outcome } from './outcomes';

/** What is common to all methods: how long a student was observed. */
interface Exposure {
  /** Seconds in which the observer could observe. */
  observedSeconds: number;
}

export interface FrequencyFigures extends Exposure {
  kind: 'frequency';
  count: number;
  /** Null where nothing was observed. */
  perMinute: number | null;
}

export interface DurationFigures extends Exposure {
  kind: 'duration';
  /** How many times it was begun. */
  count: number;
  totalSeconds: number;
  /** Of one time; null where there was none. */
  meanSeconds: number | null;
  /** Of the observed time; null where nothing was observed. */
  percent: number | null;
}

export interface LatencyFigures extends Exposure {
  kind: 'latency';
  /** How often it was asked for. */
  asked: number;
  /** How often it was begun after that. */
  count: number;
  meanSeconds: number | null;
  medianSeconds: number | null;
}

export interface IntervalFigures extends Exposure {
  kind: 'interval';
  outcomes: Outcome[];
  seen: number;
  /** Intervals in which it was seen or not seen. */
  observed: number;
  /** Of the observed intervals; null where there are none. */
  percent: number | null;
}

export type Figures = FrequencyFigures | DurationFigures | LatencyFigures | IntervalFigures;

type Session = Omit<Observation, 'planId' | 'lessonId' | 'observer' | 'besideId' | 'removed'>;
type Seen = Omit<ObservationEvent, 'id' | 'observationId' | 'removed'>;

const share = (part: number, whole: number) => (whole === 0 ? null : (part / whole) * 100);

/** A time that lasts ends with the session at the latest. */
const spanOf = ({ at, until }: Seen, end: number) =>
  [Date.parse(at), until === null ? end : Math.min(Date.parse(until), end)] as const;

function latencyFigures(session: Session, events: readonly Seen[], observedSeconds: number): LatencyFigures {
  const lost = session.lost.map(
    ({ from, to }) => [Date.parse(from), to === null ? Infinity : Date.parse(to)] as const,
  );
  // Whoever could not look for a part of the time does not know when it was begun.
  const known = events.filter(({ at, until }) => {
    const to = until === null ? Date.parse(at) : Date.parse(until);
    return !lost.some(([start, end]) => start < to && end > Date.parse(at));
  });
  const seconds = known.flatMap(({ at, until }) =>
    until === null ? [] : [(Date.parse(until) - Date.parse(at)) / 1000],
  );
  return {
    ...{ kind: 'latency', observedSeconds, asked: known.length, count: seconds.length },
    ...{ meanSeconds: mean(seconds), medianSeconds: median(seconds) },
  };
}

/**
 * What a session tells of one student. Sums, rates, percentages and means as Cooper, Heron and Heward, Applied Behavior
 * Analysis (2020), chapter 4, have them; what was lost counts neither as seen nor as time.
 * @param events of that student in the session, not removed @param now milliseconds since 1970
 */
export function figuresOf(session: Session, events: readonly Seen[], now: number): Figures {
  const observed = observedSpans(session, now);
  const observedSeconds = lengthOf(observed) / 1000;
  if (asksByInterval(session.method)) {
    const outcomes = outcomesOf(session, events, now);
    const seen = outcomes.filter((outcome) => outcome === 'seen').length;
    const known = outcomes.filter((outcome) => outcome !== 'not_observed').length;
    return {
      kind: 'interval',
      observedSeconds,
      outcomes,
      seen,
      observed: known,
      percent: share(seen, known),
    };
  }
  if (session.method === 'latency') return latencyFigures(session, events, observedSeconds);
  const count = events.length;
  if (session.method === 'frequency')
    return {
      ...{ kind: 'frequency', observedSeconds, count },
      perMinute: observedSeconds === 0 ? null : (count / observedSeconds) * 60,
    };
  const end = observed.at(-1)?.[1] ?? Date.parse(session.startedAt);
  const lengths = events.map((event) => lengthOf(within(observed, spanOf(event, end))) / 1000);
  const totalSeconds = lengths.reduce((sum, one) => sum + one, 0);
  return {
    ...{ kind: 'duration', observedSeconds, count, totalSeconds },
    ...{ meanSeconds: mean(lengths), percent: share(totalSeconds, observedSeconds) },
  };
}

/** What is shown over sessions: one number each, and what it is called. */
export interface Measure {
  /** Names an axis, with its unit. */
  name: string;
  unit: string;
  most: number | null;
}

/** The measure by which sessions of a method are compared. */
export function measureOf(method: Observation['method']): Measure {
  switch (method) {
    case 'frequency':
      return { name: 'Times a minute', unit: 'a minute', most: null };
    case 'duration':
      return { name: 'Share of the observed time, %', unit: '%', most: 100 };
    case 'latency':
      return { name: 'Median latency, seconds', unit: 's', most: null };
    default:
      return { name: 'Share of the observed intervals, %', unit: '%', most: 100 };
  }
}

/** The number of a session by that measure; null where there is none. */
export function valueOf(figures: Figures): number | null {
  switch (figures.kind) {
    case 'frequency':
      return figures.perMinute;
    case 'latency':
      return figures.medianSeconds;
    default:
      return figures.percent;
  }
}
