import { change, type Caller } from './server';

/** Sends changes that must all be applied. */
export async function send(caller: Caller, changes: unknown[]): Promise<void> {
  const response = await caller.call('POST', '/api/changes', { changes });
  const { answers } = (await response.json()) as { answers: { outcome: string; reason: string }[] };
  expect(answers.filter(({ outcome }) => outcome !== 'applied')).toEqual([]);
}

/** What the server answers to a question. */
export async function ask<T>(caller: Caller, path: string): Promise<T> {
  return (await (await caller.call('GET', path)).json()) as T;
}

/**
 * A term, and a class that meets on Mondays from 10:40 to 11:30. @param people ids with given names
 * @param own before ids, where another teacher on the server has such a class
 */
export async function makeClass(
  caller: Caller,
  sectionId: string,
  people: Record<string, string>,
  own = '',
): Promise<void> {
  const blank = { called: '', email: '', grade: '', schoolId: '' };
  await send(caller, [
    change('term.set', { id: `${own}term`, name: 'Autumn', startsOn: '2026-11-02', endsOn: '2026-12-04' }),
    change('section.set', { id: sectionId, name: 'Boats', subject: '', room: '' }),
    change('meeting.add', {
      id: `${own}meeting`,
      sectionId,
      weekday: 1,
      startsAt: '10:40',
      endsAt: '11:30',
      validFrom: null,
      validUntil: null,
    }),
    change('roster.accept', {
      sectionId,
      people: Object.entries(people).map(([id, givenName], index) => ({
        id,
        added: { givenName, familyName: 'Tanaka', ...blank },
        changed: {},
        guardians: [],
        enrolment: { id: `${own}e${index}`, cohort: '', startsOn: null },
      })),
    }),
  ]);
}
