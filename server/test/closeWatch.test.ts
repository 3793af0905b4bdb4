import { figuresOf } from '@slate-path/core/observation/closeWatch/figures';
import { answerId } from '@slate-path/core/observation/closeWatch/ids';
import type {
  Observation,
  ObservationComment,
  ObservationEvent,
  ObservationPhase,
  ObservationPlan,
} from '@slate-path/core/records/schema';
import { invited } from './colleagues';
import { change, signedIn, startServer, type Caller, type TestServer } from './server';
import { ask, makeClass, send } from './smallClass';

const now = '2026-11-23T10:44:00Z';
const section = '01M9000000000000000000SECT';
const [mei, jun] = ['01M900000000000000000STUDA', '01M900000000000000000STUDB'];
const lesson = {
  ...{ id: 'meeting.2026-11-23', sectionId: section, date: '2026-11-23' },
  ...{ startsAt: '10:40', endsAt: '11:30' },
};
const at = '2026-11-23T10:45:00.000Z';
const run = {
  ...{
    studentIds: [mei, jun],
    method: 'momentary',
    intervalSeconds: 60,
    recordSeconds: 0,
    lengthSeconds: 300,
  },
};
const plan = {
  ...{
    id: 'plan',
    sectionId: section,
    name: 'On task',
    definition: 'Eyes on the page',
    tone: 'wanted',
    ...run,
  },
  ...{ signal: 'both', befores: ['asked to begin'], afters: [] },
};
const start = {
  lesson,
  id: 'watch',
  planId: 'plan',
  ...run,
  startedAt: at,
  observer: 'Ines',
  besideId: null,
};
const answer = (observationId: string, interval: number, place: number, seen: boolean) => ({
  ...{ id: answerId(observationId, interval, place), observationId, studentId: place === 0 ? mei : jun },
  ...{ at, until: null, interval, seen, byHand: false, before: '', after: '' },
});
const answers = (...events: ReturnType<typeof answer>[]) =>
  change('observationEvent.set', { lessonId: lesson.id, events });

let old: TestServer;
let fresh: TestServer;
let ines: Caller;
let there: Caller;

beforeAll(async () => {
  [old, fresh] = await Promise.all([startServer({ now, runs: true }), startServer({ now, runs: true })]);
  ines = await signedIn(old.address);
  there = await signedIn(fresh.address);
  await makeClass(ines, section, { [mei]: 'Mei', [jun]: 'Jun' });
});
afterAll(() => Promise.all([old.stop(), fresh.stop()]));

interface Watched {
  observationPlan: ObservationPlan[];
  observationPhase: ObservationPhase[];
  observationComment: ObservationComment[];
  observation: Observation[];
  observationEvent: ObservationEvent[];
}

const watched = (caller: Caller) =>
  ask<Watched>(caller, `/api/sections/${section}/observations?from=2026-11-01&to=2026-11-30`);

/** What a session tells of a student once it is over. */
function wordsOf({ observation, observationEvent }: Watched, id: string, studentId: string) {
  const session = observation.find((one) => one.id === id);
  const events = observationEvent.filter(
    (event) => event.observationId === id && event.studentId === studentId && !event.removed,
  );
  const figures = session && figuresOf(session, events, Date.parse('2026-11-23T12:00:00Z'));
  return figures?.kind === 'interval' ? figures.outcomes : null;
}

test('a session with a pause, a locked phone, an answer said again and one taken back', async () => {
  const mistaken = answers(answer('watch', 3, 1, true));
  await send(ines, [
    change('observationPlan.set', plan),
    change('observation.start', start),
    answers(answer('watch', 0, 0, false), answer('watch', 0, 1, true)),
    answers(answer('watch', 0, 0, true)),
    change('observation.set', {
      ...{
        id: 'watch',
        lessonId: lesson.id,
        pauses: [{ from: '2026-11-23T10:46:30.000Z', to: '2026-11-23T10:47:30.000Z' }],
      },
      lost: [{ from: '2026-11-23T10:47:50.000Z', to: '2026-11-23T10:48:10.000Z' }],
    }),
    answers(answer('watch', 1, 0, false), answer('watch', 2, 0, false)),
    mistaken,
    change('undo', { changeId: mistaken.id }),
  ]);
  const found = await watched(ines);
  // The second moment, a minute later for the pause, fell into the time that was lost.
  expect(wordsOf(found, 'watch', mei)).toEqual([
    'seen',
    'not_observed',
    'not_seen',
    'not_observed',
    'not_observed',
  ]);
  expect(wordsOf(found, 'watch', jun)).toEqual(['seen', ...Array.from({ length: 4 }, () => 'not_observed')]);
});

test('an assistant observes beside, but neither says what is watched nor what is said of it', async () => {
  const asa = await invited(old, ines, { name: 'Asa Quill', role: 'assistant', sectionId: section });
  await send(asa, [
    change('observation.start', { ...start, id: 'beside', observer: 'Asa', besideId: 'watch' }),
    answers(answer('beside', 0, 0, true)),
  ]);
  expect(wordsOf(await watched(ines), 'beside', mei)?.[0]).toBe('seen');
  for (const refused of [
    change('observationPlan.set', { ...plan, name: 'Off task' }),
    change('observationComment.set', { id: 'plan.mei', planId: 'plan', studentId: mei, text: 'No' }),
  ]) {
    const response = await asa.call('POST', '/api/changes', { changes: [refused] });
    expect(await response.text()).toContain('"outcome":"refused"');
  }
  await send(ines, [
    change('observationPhase.set', {
      id: 'phase',
      planId: 'plan',
      studentId: mei,
      startsOn: '2026-11-16',
      name: 'In front',
    }),
    change('observationComment.set', {
      id: 'plan.mei',
      planId: 'plan',
      studentId: mei,
      text: 'Looks up often',
    }),
  ]);
  expect((await watched(asa)).observationComment).toEqual([]);
  expect((await watched(ines)).observationComment).toMatchObject([{ text: 'Looks up often' }]);
});

test.each([
  ['nobody', 'observationPlan.set', { ...plan, studentIds: [] }, 'Who is watched?'],
  [
    'five students',
    'observation.start',
    { ...start, id: 'no', studentIds: ['a', 'b', 'c', 'd', 'e'] },
    'At most four',
  ],
  ['no interval', 'observationPlan.set', { ...plan, intervalSeconds: null }, 'room for 1 to'],
  [
    'an interval longer than the session',
    'observationPlan.set',
    { ...plan, intervalSeconds: 301 },
    'room for 1 to',
  ],
  [
    'an interval of two seconds',
    'observationPlan.set',
    { ...plan, intervalSeconds: 2 },
    'At least 5 seconds',
  ],
  [
    'an answer in no session',
    'observationEvent.set',
    { lessonId: lesson.id, events: [answer('none', 0, 0, true)] },
    '',
  ],
])('%s is refused, and nothing changes', async (_what, kind, payload, reason) => {
  const before = await watched(ines);
  const response = await ines.call('POST', '/api/changes', { changes: [change(kind, payload)] });
  const said = await response.text();
  expect(said).toContain('"outcome":"refused"');
  expect(said).toContain(reason);
  expect(await watched(ines)).toEqual(before);
});

test('a day and a student’s path have it; of others who were watched the path has nothing seen', async () => {
  const day = await ask<Watched>(ines, '/api/days/2026-11-23');
  expect(day.observation.map(({ id }) => id).sort()).toEqual(['beside', 'watch']);
  const path = await ask<Watched>(ines, `/api/students/${jun}/path`);
  expect(path.observationPlan.map(({ id }) => id)).toEqual(['plan']);
  expect(new Set(path.observationEvent.map(({ studentId }) => studentId))).toEqual(new Set([jun]));
});

test('an archive brings it into another place as it was; whoever is erased was watched in no session', async () => {
  const archive = await (await ines.call('GET', '/api/archive')).arrayBuffer();
  const response = await there.call('POST', '/api/archive', new Uint8Array(archive));
  expect(response.status).toBe(200);
  const [here, copied] = [await watched(ines), await watched(there)];
  for (const id of ['watch', 'beside']) expect(wordsOf(copied, id, mei)).toEqual(wordsOf(here, id, mei));
  expect(copied.observationPhase).toMatchObject([{ id: 'phase', name: 'In front' }]);
  expect(copied.observation.find(({ id }) => id === 'beside')?.besideId).toBe('watch');
  const erased = await there.call('POST', `/api/students/${mei}/erasure`, { name: 'Mei Tanaka' });
  expect(erased.status).toBe(200);
  const after = await watched(there);
  expect(JSON.stringify(after)).not.toContain(mei);
  expect(after.observation.map(({ studentIds }) => studentIds)).toEqual([[jun], [jun]]);
  expect(after.observationComment).toEqual([]);
});
