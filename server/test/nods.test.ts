import { makeDraw, type DrawOptions } from '@slate-path/core/nods/draws/make';
import type { Draw } from '@slate-path/core/records/schema';
import { invited } from './colleagues';
import { change, signedIn, startServer, type Caller, type TestServer } from './server';
import { makeClass, send } from './smallClass';

const now = '2026-11-23T12:00:00Z';
let server: TestServer;
let ines: Caller;
let asa: Caller;
let cora: Caller;

beforeAll(async () => {
  server = await startServer({ now });
  ines = await signedIn(server.address);
  await makeClass(ines, 'boats', { ann: 'Ann', bo: 'Bo' });
  asa = await invited(server, ines, { name: 'Asa Quill', role: 'assistant', sectionId: 'boats' });
  cora = await invited(server, ines, { name: 'Cora Lund', role: 'teacher', sectionId: null });
});
afterAll(() => server.stop());

const nodTo = (id: string, studentId: string, at: string, sectionId: string | null = 'boats') =>
  change('nod.give', {
    nods: [{ id, studentId }],
    ...{ sectionId, at, reason: 'Kept at it', place: 'Shed', comment: '' },
    messages: [],
  });

async function outcomeOf(caller: Caller, made: unknown): Promise<string | undefined> {
  const answer = await caller.call('POST', '/api/changes', { changes: [made] });
  const { answers } = (await answer.json()) as { answers: { outcome: string }[] };
  return answers[0]?.outcome;
}

async function nodsOf(caller: Caller, from: string, to: string): Promise<string[] | number> {
  const answer = await caller.call('GET', `/api/sections/boats/nods?from=${from}&to=${to}`);
  if (!answer.ok) return answer.status;
  const { nod } = (await answer.json()) as { nod: { id: string; removed: boolean }[] };
  return nod.flatMap(({ id, removed }) => (removed ? [] : [id])).sort();
}

test('whoever stands in front of a class gives nods in it, and sees those of the others; nobody else does', async () => {
  expect(await outcomeOf(ines, nodTo('n1', 'ann', '2026-11-20T10:45:00'))).toBe('applied');
  expect(await outcomeOf(asa, nodTo('n2', 'bo', '2026-11-23T23:59:30'))).toBe('applied');
  expect(await outcomeOf(cora, nodTo('n3', 'ann', '2026-11-23T10:45:00'))).toBe('refused');
  expect(await nodsOf(ines, '2026-11-20', '2026-11-23')).toEqual(['n1', 'n2']);
  expect(await nodsOf(asa, '2026-11-21', '2026-11-23')).toEqual(['n2']);
  expect(await nodsOf(cora, '2026-11-20', '2026-11-23')).toBe(404);
});

test('reasons are the school’s where its keeper makes them, else one’s own; a retired one leaves nods as they are', async () => {
  const reason = (id: string, name: string) => change('nodReason.set', { id, name, position: 1 });
  await send(ines, [reason('school', 'Kept at it')]);
  await send(cora, [reason('cora', 'Sang')]);
  const offered = async (caller: Caller) => {
    const { nodReason = [] } = (await (await caller.call('GET', '/api/sync')).json()) as {
      nodReason?: { name: string; removed: boolean }[];
    };
    return nodReason.flatMap(({ name, removed }) => (removed ? [] : [name])).sort();
  };
  expect([await offered(ines), await offered(cora)]).toEqual([['Kept at it'], ['Kept at it', 'Sang']]);
  expect(await outcomeOf(cora, change('nodReason.retire', { id: 'school', retired: true }))).toBe('refused');
  await send(ines, [change('nodReason.retire', { id: 'school', retired: true })]);
  expect(await offered(ines)).toEqual([]);
  expect(await nodsOf(ines, '2026-11-20', '2026-11-23')).toEqual(['n1', 'n2']);
});

test('to whom nods are told is set by the class’s teachers', async () => {
  const telling = change('nodTelling.set', {
    ...{ sectionId: 'boats', toStudents: true, toGuardians: false, quietFrom: '20:00', quietUntil: '07:00' },
  });
  expect(await outcomeOf(asa, telling)).toBe('refused');
  expect(await outcomeOf(ines, telling)).toBe('applied');
});

const options: DrawOptions = {
  ...{
    sectionId: 'boats',
    groupName: '',
    at: '2026-11-23T12:00:00',
    startsOn: '2026-11-01',
    endsOn: '2026-11-30',
  },
  ...{ chances: 'nods', rest: 'everyone', restWeeks: null, wanted: 2, seed: 4711 },
};
const counts = new Map([
  ['ann', 1],
  ['bo', 1],
]);
const drawn = (id: string, sectionId: string | null) =>
  change('draw.make', { id, ...makeDraw({ ...options, sectionId }, counts, []) });

test('whoever stands in front of a class draws in it; for the whole school only its keeper does', async () => {
  expect(await outcomeOf(asa, drawn('d1', 'boats'))).toBe('applied');
  expect(await outcomeOf(cora, drawn('d2', 'boats'))).toBe('refused');
  expect(await outcomeOf(cora, drawn('d3', null))).toBe('refused');
  expect(await outcomeOf(ines, drawn('d4', null))).toBe('applied');
  const winners = [...makeDraw(options, counts, []).winners].reverse();
  const forged = { id: 'd5', ...makeDraw(options, counts, []), winners };
  expect(await outcomeOf(ines, change('draw.make', forged))).toBe('refused');
});

interface SchoolNods {
  total: number;
  counts: Record<string, { key: string; count: number }[]>;
  students: { id: string; name: string; classes: string[] }[];
  draw: { id: string }[];
}
const days = 'from=2026-11-21&to=2026-11-23';
const school = async (caller: Caller, page: string) =>
  (await (await caller.call('GET', `/api/school/${page}?${days}`)).json()) as SchoolNods;

test('the keeper counts the nods of all classes; a colleague sees who had one, and nothing of them', async () => {
  expect(await outcomeOf(asa, nodTo('n4', 'bo', '2026-11-22T10:00:00'))).toBe('applied');
  expect(await outcomeOf(ines, nodTo('n5', 'ann', '2026-11-23T10:00:00', null))).toBe('applied');
  const { total, counts: by, students, draw } = await school(ines, 'nods');
  expect(total).toBe(3);
  expect(by).toEqual({
    student: [
      { key: 'bo', count: 2 },
      { key: 'ann', count: 1 },
    ],
    section: [
      { key: 'boats', count: 2 },
      { key: '', count: 1 },
    ],
    reason: [{ key: 'Kept at it', count: 3 }],
    place: [{ key: 'Shed', count: 3 }],
    week: [
      { key: '2026-11-16', count: 1 },
      { key: '2026-11-23', count: 2 },
    ],
    month: [{ key: '2026-11', count: 3 }],
  });
  expect(draw.map(({ id }) => id)).toEqual(['d4']);
  const seen = await school(cora, 'nodded-students');
  expect(seen).toEqual({ students });
  expect(students.map(({ id, name }) => [id, name])).toEqual([
    ['ann', expect.stringContaining('Ann')],
    ['bo', expect.stringContaining('Bo')],
  ]);
});

test('a student who is erased takes the nods along', async () => {
  expect((await ines.call('POST', '/api/students/bo/erasure', { name: 'Bo Tanaka' })).status).toBe(200);
  expect(await nodsOf(ines, '2026-11-20', '2026-11-23')).toEqual(['n1', 'n5']);
  const { draw } = (await (await ines.call('GET', '/api/sync')).json()) as { draw: Draw[] };
  expect(
    draw.map(({ id, entries, winners }) => [id, entries.map(({ studentId }) => studentId), winners]),
  ).toEqual([['d1', ['ann'], ['ann']]]);
});
