import { useMemo } from 'react';
import { endOf } from '@slate-path/core/observation/closeWatch/course';
import { observationHistory } from '@slate-path/core/observation/closeWatch/history';
import { answerId } from '@slate-path/core/observation/closeWatch/ids';
import type { Records } from '@slate-path/core/records/records';
import type { Lesson, Observation, ObservationEvent, ObservationPlan } from '@slate-path/core/records/schema';
import { useAccount } from '../../../sync/account';
import { now } from '../../../sync/clock';
import { makeChange, newId } from '../../../sync/outbox';
import { useRecords } from '../../../sync/useRecords';
import { keyOf } from '../../attendance/lesson/marking';
import { forget, show } from './ownSessions';

export const moment = (at = now()) => new Date(at).toISOString();

/** What is watched in a class, by name. */
export function usePlans(sectionId: string): ObservationPlan[] {
  const plans = useRecords(({ current }) => current.observationPlan);
  return useMemo(
    () =>
      Object.values(plans)
        .filter((plan) => !plan.removed && plan.sectionId === sectionId)
        .sort((a, b) => a.name.localeCompare(b.name)),
    [plans, sectionId],
  );
}

/** The sessions of a lesson, in the order in which they began. */
export function useSessions(lessonId: string): Observation[] {
  const sessions = useRecords(({ current }) => current.observation);
  return useMemo(
    () =>
      Object.values(sessions)
        .filter((session) => !session.removed && session.lessonId === lessonId)
        .sort((a, b) => (a.startedAt < b.startedAt ? -1 : 1)),
    [sessions, lessonId],
  );
}

export const eventsIn = (events: Records['observationEvent'], observationId: string): ObservationEvent[] =>
  Object.values(events)
    .filter((event) => !event.removed && event.observationId === observationId)
    .sort((a, b) => (a.at < b.at ? -1 : a.at > b.at ? 1 : a.id < b.id ? -1 : 1));

/** All that was seen in a session, in order of time. */
export function useEvents(observationId: string): ObservationEvent[] {
  const events = useRecords(({ current }) => current.observationEvent);
  return useMemo(() => eventsIn(events, observationId), [events, observationId]);
}

/** Begins a session on this device. @param beside the session of another observer, with whose beginning and intervals it runs */
export function startSession(lesson: Lesson, plan: ObservationPlan, beside?: Observation): string {
  const id = newId();
  const { studentIds, method, intervalSeconds, recordSeconds, lengthSeconds, startedAt } = {
    startedAt: moment(),
    ...plan,
    ...beside,
  };
  show(id, Date.now());
  makeChange(
    'observation.start',
    {
      ...{ lesson: keyOf(lesson), id, planId: plan.id },
      ...{ studentIds, method, intervalSeconds, recordSeconds, lengthSeconds, startedAt },
      ...{ observer: useAccount.getState().teacherName, besideId: beside?.id ?? null },
    },
    observationHistory(lesson.id),
  );
  // What was paused until now moves the intervals of both.
  const pauses = (beside?.pauses ?? []).filter(({ to }) => to !== null);
  if (pauses.length > 0)
    makeChange('observation.set', { id, lessonId: lesson.id, pauses }, observationHistory(lesson.id));
  return id;
}

/** A second observer's sheet for a session that has ended: nothing is observed in it until it is written down. */
export function addSheet(lesson: Lesson, session: Observation): void {
  const id = newId();
  const { planId, studentIds, method, intervalSeconds, recordSeconds, lengthSeconds, startedAt } = session;
  const about = observationHistory(lesson.id);
  makeChange(
    'observation.start',
    {
      ...{
        lesson: keyOf(lesson),
        id,
        planId,
        studentIds,
        method,
        intervalSeconds,
        recordSeconds,
        lengthSeconds,
      },
      ...{ startedAt, endedAt: session.endedAt ?? moment(endOf(session, now())) },
      ...{ observer: 'Second observer', besideId: session.id },
    },
    about,
  );
  if (session.pauses.length > 0)
    makeChange('observation.set', { id, lessonId: lesson.id, pauses: session.pauses }, about);
}

type Decided = Partial<Pick<Observation, 'endedAt' | 'pauses' | 'lost' | 'observer'>>;

/** Decides something of a session; what is not named stays as it is. */
export function setSession({ id, lessonId }: Observation, decided: Decided): void {
  makeChange('observation.set', { id, lessonId, ...decided }, observationHistory(lessonId));
}

/** Ends a session now, or when its time had run off. What was not answered stays not observed. */
export function endSession(session: Observation): void {
  setSession(session, { endedAt: moment(Math.min(endOf(session, now()), now())) });
  forget(session.id);
}

/** Writes down what could not be observed; *Take back* is not about that. */
export function loseParts({ id, lessonId }: Observation, lost: Observation['lost']): void {
  makeChange('observation.set', { id, lessonId, lost }, `${observationHistory(lessonId)} lost`);
}

export function removeSession({ id, lessonId }: Observation): void {
  makeChange('observation.remove', { id, lessonId, removed: true }, observationHistory(lessonId));
}

export function pause(session: Observation): void {
  setSession(session, { pauses: [...session.pauses, { from: moment(), to: null }] });
}

export function resume(session: Observation): void {
  const to = moment();
  setSession(session, { pauses: session.pauses.map((part) => (part.to === null ? { ...part, to } : part)) });
}

export const isPaused = ({ pauses }: Pick<Observation, 'pauses'>) => pauses.some(({ to }) => to === null);

function setEvents({ lessonId }: Observation, events: ObservationEvent[]): void {
  const bare = events.map(({ removed: _removed, ...event }) => event);
  makeChange('observationEvent.set', { lessonId, events: bare }, observationHistory(lessonId));
}

const fresh = {
  until: null,
  interval: null,
  seen: null,
  byHand: false,
  before: '',
  after: '',
  removed: false,
};

/** Says of one interval of some students whether it was seen; null takes the answer away. */
export function answer(
  session: Observation,
  interval: number,
  studentIds: readonly string[],
  seen: boolean | null,
  byHand = false,
): void {
  setEvents(
    session,
    studentIds.map((studentId) => ({
      ...fresh,
      ...{ id: answerId(session.id, interval, session.studentIds.indexOf(studentId)) },
      ...{ observationId: session.id, studentId, at: moment(), interval, seen, byHand },
    })),
  );
}

/** Something is seen, is begun, or is asked for, now. @returns its id */
export function addEvent(session: Observation, studentId: string): string {
  const event = { ...fresh, id: newId(), observationId: session.id, studentId, at: moment() };
  setEvents(session, [event]);
  return event.id;
}

export function setEvent(
  session: Observation,
  event: ObservationEvent,
  decided: Partial<Pick<ObservationEvent, 'until' | 'before' | 'after'>>,
): void {
  setEvents(session, [{ ...event, ...decided }]);
}

export function removeEvent({ lessonId }: Observation, { id }: ObservationEvent): void {
  makeChange('observationEvent.remove', { id, lessonId, removed: true }, observationHistory(lessonId));
}
