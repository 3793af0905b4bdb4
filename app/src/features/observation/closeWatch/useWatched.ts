import { useMemo } from 'react';
import { addressOf } from '@slate-path/core/api/address';
import { addDays } from '@slate-path/core/calendar/localTime';
import { watchOf, type StudentWatch } from '@slate-path/core/observation/closeWatch/ofStudent';
import type { ObservationPlan } from '@slate-path/core/records/schema';
import { now, useNow } from '../../../sync/clock';
import { useRecords } from '../../../sync/useRecords';
import { useView } from '../../../sync/views';
import { dateOf } from './times';

/** So far back sessions are read. */
const daysBack = 400;

/** Asks for all sessions of a class. */
export function useAllSessions(sectionId: string) {
  const today = useNow().date;
  return useView(addressOf('observations', { sectionId, from: addDays(today, -daysBack), to: today }));
}

/** What a plan's sessions tell of each who was watched. */
export function useWatched(plan: ObservationPlan | undefined): ReadonlyMap<string, StudentWatch> {
  const sessions = useRecords(({ current }) => current.observation);
  const events = useRecords(({ current }) => current.observationEvent);
  const changes = useRecords(({ current }) => current.observationPhase);
  return useMemo(() => {
    if (!plan) return new Map();
    const all = Object.values(sessions);
    const ids = new Set(
      all.flatMap((session) => (session.planId === plan.id && !session.removed ? session.studentIds : [])),
    );
    for (const id of plan.studentIds) ids.add(id);
    const given = { plan, sessions: all, events: Object.values(events), changes: Object.values(changes) };
    return new Map(
      [...ids].map((studentId) => [studentId, watchOf({ ...given, studentId, dateOf, now: now() })]),
    );
  }, [plan, sessions, events, changes]);
}
