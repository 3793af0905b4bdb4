import type { Observation, ObservationEvent, ObservationPhase, ObservationPlan } from '../../records/schema';
import type { BetterWay } from '../../statistics/overlap';
import { agreementOf, type Agreement } from './agreement';
import { beforeAfterOf, type BeforeAfter } from './beforeAfter';
import { isOver, runningSpans } from './course';
import { figuresOf, valueOf, type Figures } from './figures';
import { phasesOf, type Phase } from './phases';

/** Which way a number gets better. What is wanted is to begin sooner, and to be more of all else. */
export function betterWay({ method, tone }: Pick<ObservationPlan, 'method' | 'tone'>): BetterWay {
  const isMoreBetter = method !== 'latency';
  return isMoreBetter === (tone !== 'unwanted') ? 'up' : 'down';
}

export interface SessionOfStudent {
  session: Observation;
  /** `YYYY-MM-DD`. */
  date: string;
  figures: Figures;
}

/** Two observers of one session, and how far they agree about the student. */
export interface Pair {
  first: Observation;
  second: Observation;
  agreement: Agreement;
}

/** What a plan's sessions tell of one student. */
export interface StudentWatch {
  /** One a session, whoever else observed beside; in order of time. */
  sessions: SessionOfStudent[];
  phases: Phase[];
  observedSeconds: number;
  beforeAfter: BeforeAfter[];
  pairs: Pair[];
}

interface ToRead {
  plan: ObservationPlan;
  studentId: string;
  /** Of any plan, removed ones too. */
  sessions: readonly Observation[];
  events: readonly ObservationEvent[];
  changes: readonly ObservationPhase[];
  /** The day of a moment at the school. */
  dateOf: (instant: string) => string;
  /** Milliseconds since 1970. */
  now: number;
}

const overlap = (one: Observation, other: Observation, now: number) => {
  const [first, second] = [runningSpans(one, now), runningSpans(other, now)];
  return first.some(([from, to]) => second.some(([start, end]) => start < to && end > from));
};

/** Sessions that have another at the same time: that other is the second observer's. */
function pairsOf(sessions: readonly Observation[], now: number): (readonly [Observation, Observation])[] {
  return sessions.flatMap((first, index) =>
    sessions
      .slice(index + 1)
      .filter((second) => second.method === first.method && overlap(first, second, now))
      .map((second) => [first, second] as const),
  );
}

/** All that was seen of one student by a plan: over sessions, by phase, and by two observers. Sessions that go on are left out. */
export function watchOf({ plan, studentId, sessions, events, changes, dateOf, now }: ToRead): StudentWatch {
  const own = sessions
    .filter(
      (session) =>
        !session.removed &&
        session.planId === plan.id &&
        session.method === plan.method &&
        session.studentIds.includes(studentId) &&
        isOver(session, now),
    )
    .sort((a, b) =>
      a.startedAt < b.startedAt ? -1 : a.startedAt > b.startedAt ? 1 : a.besideId === null ? -1 : 1,
    );
  const seen = events.filter((event) => !event.removed && event.studentId === studentId);
  const eventsOf = ({ id }: Observation) => seen.filter(({ observationId }) => observationId === id);
  const pairs = pairsOf(own, now);
  const seconds = new Set(pairs.map(([, second]) => second.id));
  const first = own.filter(({ id }) => !seconds.has(id));
  const told = first.map((session) => ({
    session,
    date: dateOf(session.startedAt),
    figures: figuresOf(session, eventsOf(session), now),
  }));
  const values = told.flatMap(({ session, date, figures }) => {
    const value = valueOf(figures);
    return value === null
      ? []
      : [{ observationId: session.id, date, at: Date.parse(session.startedAt), value }];
  });
  const isAbout = (change: ObservationPhase) =>
    !change.removed &&
    change.planId === plan.id &&
    (change.studentId === null || change.studentId === studentId);
  const firstIds = new Set(first.map(({ id }) => id));
  return {
    sessions: told,
    phases: phasesOf(values, changes.filter(isAbout), betterWay(plan)),
    observedSeconds: told.reduce((sum, { figures }) => sum + figures.observedSeconds, 0),
    beforeAfter: beforeAfterOf(seen.filter(({ observationId }) => firstIds.has(observationId))),
    pairs: pairs.map(([one, other]) => ({
      first: one,
      second: other,
      agreement: agreementOf(
        { session: one, events: eventsOf(one) },
        { session: other, events: eventsOf(other) },
        now,
      ),
    })),
  };
}
