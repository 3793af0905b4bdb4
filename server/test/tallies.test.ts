import { spawnSync } from 'node:child_process';
import fs from 'node:fs';
import path from 'node:path';
import { change, signedIn, startServer, type Caller, type TestServer } from './server';
import { makeClass, send } from './smallClass';

let server: TestServer;
let ines: Caller;
const section = '01M8000000000000000000SECT';
const [mei, jun] = ['01M800000000000000000STUDA', '01M800000000000000000STUDB'];
const lesson = {
  id: 'meeting.2026-11-16',
  sectionId: section,
  date: '2026-11-16',
  startsAt: '10:40',
  endsAt: '11:30',
};
const at = '2026-11-16T10:50:00.000Z';
let lookFors: Record<string, string>;

beforeAll(async () => {
  server = await startServer({ now: '2026-11-23T10:44:00Z', runs: true });
  ines = await signedIn(server.address);
  await makeClass(ines, section, { [mei]: 'Mei', [jun]: 'Jun' });
  const setup = await json<{ lookFor: { id: string; name: string }[] }>('/api/setup');
  lookFors = Object.fromEntries(setup.lookFor.map(({ id, name }) => [name, id]));
});
afterAll(() => server.stop());

async function json<T>(route: string): Promise<T> {
  return (await (await ines.call('GET', route)).json()) as T;
}

const tally = (id: string, studentId: string | null, name: string, circleId: string | null = null) => ({
  id,
  studentId,
  lookForId: lookFors[name],
  at,
  amount: 1,
  circleId,
});
const correction = (to: unknown) => ({
  lesson,
  id: `c${String(to)}`,
  studentId: mei,
  lookForId: lookFors['Gave evidence'],
  at,
  from: 2,
  to,
});

const counts = async () =>
  (
    await json<{ counts: { studentId: string; amount: number }[] }>(
      `/api/sections/${section}/counts?from=2026-11-01&to=2026-11-30`,
    )
  ).counts;

test('three sets ship; the same batch twice counts once; taken back, nothing is left of it, not even that anybody looked', async () => {
  expect(Object.keys(lookFors)).toHaveLength(18);
  const add = change('tally.add', {
    lesson,
    tallies: [
      tally('t1', mei, 'Gave evidence'),
      tally('t2', mei, 'Gave evidence'),
      tally('t3', null, 'Off task'),
    ],
  });
  await send(ines, [add]);
  await send(ines, [add]);
  expect((await counts()).map(({ studentId, amount }) => [studentId, amount])).toEqual([
    [mei, 2],
    [null, 1],
  ]);
  await send(ines, [change('undo', { changeId: add.id })]);
  const empty = await json<object>(`/api/sections/${section}/counts?from=2026-11-01&to=2026-11-30`);
  expect(empty).toMatchObject({ lessons: [], counts: [], exposures: [] });
  await send(ines, [
    change('tally.add', {
      lesson,
      tallies: [tally('u1', mei, 'Gave evidence'), tally('u2', mei, 'Gave evidence')],
    }),
  ]);
});

test.each([
  [-1, 'A count cannot be below 0'],
  [10_000, 'A count is at most 999'],
  ['many', 'A whole number'],
])('a correction to %s is refused with the reason and changes nothing', async (to, reason) => {
  const response = await ines.call('POST', '/api/changes', {
    changes: [change('tally.correct', correction(to))],
  });
  const { answers } = (await response.json()) as {
    answers: { outcome: string; errors: { message: string }[] }[];
  };
  expect(answers[0]).toMatchObject({ outcome: 'refused' });
  expect(answers[0]?.errors[0]?.message).toContain(reason);
  expect((await counts())[0]?.amount).toBe(2);
});

test('a correction stays on record beside what it corrects, and can be taken back', async () => {
  const correct = change('tally.correct', correction(1));
  await send(ines, [correct]);
  expect((await counts())[0]?.amount).toBe(1);
  const day = await json<{ tally: { amount: number; correctedFrom: number | null }[] }>(
    '/api/days/2026-11-16',
  );
  expect(day.tally).toContainEqual(expect.objectContaining({ amount: -1, correctedFrom: 2 }));
  await send(ines, [change('undo', { changeId: correct.id })]);
  expect((await counts())[0]?.amount).toBe(2);
});

test('the counts as a workbook that an independent reader opens: a sheet for students, lessons and weeks', async () => {
  const file = path.join(server.folder, 'counts.xlsx');
  const ask = `/api/sections/${section}/counts-file?from=2026-11-01&to=2026-11-30&format=xlsx`;
  fs.writeFileSync(file, Buffer.from(await (await ines.call('GET', ask)).arrayBuffer()));
  const script = `import openpyxl, json, sys
book = openpyxl.load_workbook(sys.argv[1])
print(json.dumps({s.title: [[c.value for c in row][:5] for row in s.iter_rows()] for s in book}))`;
  const read = spawnSync('/usr/bin/python3', ['-c', script, file], { encoding: 'utf8' });
  const heading = (first: string) => [
    first,
    'Lessons observed',
    'Minutes observed',
    'Gave evidence (times)',
    'Gave evidence per hour',
  ];
  // Both in the lesson; observed from 10:50, the first tally, to 11:30.
  expect(JSON.parse(read.stdout)).toEqual({
    Students: [heading('Student'), ['Jun Tanaka', 1, 40, 0, 0], ['Mei Tanaka', 1, 40, 2, 3]],
    Lessons: [heading('Lesson'), ['2026-11-16 10:40', 2, 80, 2, 1.5]],
    Weeks: [heading('Week from'), ['2026-11-16', 2, 80, 2, 1.5]],
  });
});

test('a circle as a file and as a page to print, where a name is text and no tag', async () => {
  const member = (studentId: string, place: number) => ({
    studentId,
    place,
    goalLookForId: lookFors['Gave evidence'],
    goalCount: 1,
    feedback: '',
    nextLookForId: null,
    nextCount: null,
  });
  const begin = {
    lesson,
    id: 'circle1',
    lookForIds: [lookFors['Gave evidence'], lookFors['Bare opinion']],
    groupName: '<b>Tide</b> group',
    startedAt: at,
    members: [member(mei, 1), member(jun, 0)],
  };
  await send(ines, [
    change('circle.begin', begin),
    change('tally.add', {
      lesson,
      tallies: [tally('v1', mei, 'Gave evidence', 'circle1'), tally('v2', mei, 'Bare opinion', 'circle1')],
    }),
    change('circle.feedback', { circleId: 'circle1', studentId: jun, feedback: '=1+1, well said' }),
  ]);
  const ask = async (format: string) =>
    (await ines.call('GET', `/api/circles/circle1/file?format=${format}`)).text();
  const lines = (await ask('csv')).replace('\uFEFF', '').trim().split('\r\n');
  expect(lines[0]).toBe(
    'Student,Times spoken,Percent of talk,Gave evidence,Bare opinion,Goal,Reached,Feedback,Next goal',
  );
  // Jun sits first; what looks like a formula is none.
  expect(lines[1]).toBe('Jun Tanaka,0,0,0,0,Gave evidence (1),no,"\'=1+1, well said",');
  expect(lines[2]).toMatch(/^Mei Tanaka,2,100,1,1,Gave evidence \(1\),yes,/);
  const page = await ask('html');
  expect(page).toContain('&lt;b&gt;Tide&lt;/b&gt; group, 2026-11-16');
  expect(page).not.toContain('<b>');
  const alone = await ines.call('POST', '/api/changes', {
    changes: [change('circle.begin', { ...begin, id: 'circle2', members: [member(mei, 0)] })],
  });
  expect(JSON.stringify(await alone.json())).toContain('A circle has at least two');
  // It is open; whoever opens the next lesson is asked.
  expect((await json<{ circle: { id: string }[] }>('/api/setup')).circle.map(({ id }) => id)).toEqual([
    'circle1',
  ]);
});

describe('two classes on one roll', () => {
  const other = '01M8000000000000000000PAIR';
  const zora = '01M800000000000000000STUDZ';
  const monday = { ...lesson, id: 'meeting.2026-11-23', date: '2026-11-23' };
  const beside = { ...monday, id: 'pair-meeting.2026-11-23', sectionId: other };
  const exposures = async (sectionId: string) =>
    (
      await json<{ lessons: { id: string }[] }>(
        `/api/sections/${sectionId}/counts?from=2026-11-23&to=2026-11-23`,
      )
    ).lessons.map(({ id }) => id);

  beforeAll(async () => {
    await makeClass(ines, other, { [zora]: 'Zora' }, 'pair-');
    await send(ines, [change('section.taughtWith', { id: other, withId: section })]);
  });

  test('a tally in one of them observes both; taken back, neither', async () => {
    const add = change('tally.add', {
      lesson: monday,
      together: beside,
      tallies: [tally('p1', mei, 'Gave evidence')],
    });
    await send(ines, [add]);
    expect([await exposures(section), await exposures(other)]).toEqual([[monday.id], [beside.id]]);
    await send(ines, [change('undo', { changeId: add.id })]);
    expect([await exposures(section), await exposures(other)]).toEqual([[], []]);
  });

  test('a lesson of nobody’s class beside it is refused, and nothing of the tally is kept', async () => {
    const response = await ines.call('POST', '/api/changes', {
      changes: [
        change('tally.add', {
          lesson: monday,
          together: { ...beside, id: 'stranger.2026-11-23', sectionId: 'no such class' },
          tallies: [tally('p2', mei, 'Gave evidence')],
        }),
      ],
    });
    const { answers } = (await response.json()) as { answers: { outcome: string }[] };
    expect(answers[0]?.outcome).toBe('refused');
    expect([await exposures(section), await exposures(other)]).toEqual([[], []]);
  });
});
