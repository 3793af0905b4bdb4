import { listOf, type Records } from '../records/records';
import type { PayloadOf } from '../changes/kind';
import type { calendarChanges, TermToSet } from './changes';
import type { z } from 'zod';

export interface NextTermRequest {
  term: z.output<typeof TermToSet>;
  /** The classes that go on. */
  sectionIds: readonly string[];
  withStudents: boolean;
  /** Last day of the term before: what ran without an end ends with it. */
  lastDay: string;
}

export type NextTerm = PayloadOf<(typeof calendarChanges)['term.next']>;

/**
 * The payload that begins another term from this one's set-up: each class that goes on is a new one
 * with the same name, times, rules, look-fors, sets and room plans (and students), so that the old one's totals stay
 * its own. What all classes share is not copied.
 * Times and enrolments of all old classes end with the old term.
 * @param newId gives a fresh id at every call
 */
export function nextTerm(request: NextTermRequest, records: Records, newId: () => string): NextTerm {
  const { term, sectionIds, withStudents, lastDay } = request;
  const open = (endsOn: string | null) => endsOn === null || endsOn > lastDay;
  const meetings = listOf(records, 'meeting').filter(({ validUntil }) => open(validUntil));
  const enrolments = listOf(records, 'enrolment').filter(({ endsOn }) => open(endsOn));
  const idOf = new Map(sectionIds.map((id) => [id, newId()]));
  const newSection = (id: string) => idOf.get(id) ?? null;
  const own = ownOf(records, newSection, newId);
  return {
    term,
    sections: listOf(records, 'section').flatMap(({ id, removed: _removed, taughtWithId, ...rest }) => {
      const fresh = newSection(id);
      return fresh
        ? [{ id: fresh, ...rest, taughtWithId: taughtWithId ? newSection(taughtWithId) : null }]
        : [];
    }),
    meetings: meetings.flatMap(({ removed: _removed, sectionId, ...rest }) => {
      const fresh = newSection(sectionId);
      const valid = { validFrom: term.startsOn, validUntil: null };
      return fresh ? [{ ...rest, ...valid, id: newId(), sectionId: fresh }] : [];
    }),
    enrolments: enrolments.flatMap(({ sectionId, studentId, cohort }) => {
      const fresh = withStudents ? newSection(sectionId) : null;
      const from = { startsOn: term.startsOn, endsOn: null };
      return fresh ? [{ id: newId(), sectionId: fresh, studentId, cohort, ...from }] : [];
    }),
    ...own,
    roomPlans: listOf(records, 'roomPlan').flatMap(({ removed: _removed, sectionId, places, ...rest }) => {
      const fresh = newSection(sectionId);
      return fresh ? [{ ...rest, id: newId(), sectionId: fresh, places: withStudents ? places : [] }] : [];
    }),
    ended: {
      on: lastDay,
      meetingIds: meetings.map(({ id }) => id),
      enrolmentIds: enrolments.map(({ id }) => id),
    },
  };
}

/** The look-fors of each class's own and its sets, which may hold shared ones too. */
function ownOf(
  records: Records,
  newSection: (id: string) => string | null,
  newId: () => string,
): Pick<NextTerm, 'lookFors' | 'focuses'> {
  const idOf = new Map<string, string>();
  const lookFors = listOf(records, 'lookFor').flatMap(({ id, removed: _removed, sectionId, ...rest }) => {
    const fresh = sectionId === null ? null : newSection(sectionId);
    if (fresh === null) return [];
    idOf.set(id, newId());
    return [{ ...rest, id: idOf.get(id) ?? id, sectionId: fresh }];
  });
  const focuses = listOf(records, 'focus').flatMap(
    ({ removed: _removed, sectionId, lookForIds, ...rest }) => {
      const fresh = sectionId === null ? null : newSection(sectionId);
      const ids = lookForIds.map((id) => idOf.get(id) ?? id);
      return fresh === null ? [] : [{ ...rest, id: newId(), sectionId: fresh, lookForIds: ids }];
    },
  );
  return { lookFors, focuses };
}
