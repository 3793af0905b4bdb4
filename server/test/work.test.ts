import { spawnSync } from 'node:child_process';
import fs from 'node:fs';
import path from 'node:path';
import Database from 'better-sqlite3';
import type { AnswerOf } from '@slate-path/core/api/contract';
import { change, signedIn, startServer, type Caller, type TestServer } from './server';
import { makeClass, send } from './smallClass';

const section = '01M8000000000000000000SECT';
const mei = '01M800000000000000000STUDA';
const jun = '01M800000000000000000STUDB';
let server: TestServer;
let ines: Caller;

beforeAll(async () => {
  server = await startServer({ now: '2026-11-23T10:44:00Z', runs: true });
  ines = await signedIn(server.address);
  await makeClass(ines, section, { [mei]: 'Mei', [jun]: 'Jun' });
});
afterAll(() => server.stop());

const bytesOf = (text: string) => new TextEncoder().encode(text);
async function bring(text: string): Promise<AnswerOf<'bringActivity'>> {
  const answer = await ines.call('POST', `/api/sections/${section}/activity?name=log.csv`, bytesOf(text));
  expect(answer.status).toBe(200);
  return (await answer.json()) as AnswerOf<'bringActivity'>;
}
async function work(query = 'from=2026-11-16&to=2026-11-23'): Promise<AnswerOf<'classWork'>> {
  const answer = await ines.call('GET', `/api/sections/${section}/work?${query}`);
  return (await answer.json()) as AnswerOf<'classWork'>;
}
const counts = ({ days }: AnswerOf<'classWork'>) =>
  days.map(({ studentId, day, count }) => [studentId, day, count]);

const log = [
  'Name,When,Action,Course,Page',
  'Mei Tanaka,2026-11-18 09:05,opened,Log book,Week 3',
  'Mei Tanaka,2026-11-18 23:10,posted,Forum,',
  'Jun Tanaka,2026-11-20 10:00,opened,Log book,Week 3',
  'Somebody Else,2026-11-20 10:00,opened,Log book,Week 3',
  'Jun Tanaka,2026-11-20 24:00,opened,Log book,Week 3',
].join('\n');

test('a file of activity: read, taken in, the same again adds nothing, and taken back as one', async () => {
  const answer = await ines.call('POST', `/api/sections/${section}/work-reading`, bytesOf(log));
  const reading = (await answer.json()) as AnswerOf<'readWork'>;
  expect(reading).toMatchObject({
    shape: 'activity',
    actions: { count: 4, from: '2026-11-18', to: '2026-11-20' },
    leftOut: [{ line: 6 }],
  });
  expect(await bring(log)).toMatchObject({ added: 3, known: 0, ofNobody: 1 });
  const again = await bring(log);
  expect(again).toEqual({ changeId: null, added: 0, known: 3, ofNobody: 1 });
  const seen = await work();
  expect(counts(seen)).toEqual([
    [mei, '2026-11-18', 2],
    [jun, '2026-11-20', 1],
  ]);
  expect(seen.days[0]).toMatchObject({ first: '2026-11-18T09:05:00', hours: (1 << 9) | (1 << 23) });
  expect(seen.kinds).toEqual([
    { name: 'opened', count: 2 },
    { name: 'posted', count: 1 },
  ]);
  expect(counts(await work('from=2026-11-16&to=2026-11-23&kind=posted'))).toEqual([[mei, '2026-11-18', 1]]);

  const more = await bring(`${log}\nJun Tanaka,2026-11-21 10:00,opened,Log book,Week 4`);
  expect(more).toMatchObject({ added: 1, known: 3 });
  const undo = { ...change('undo', { changeId: more.changeId }), madeAt: '2026-11-23T10:45:00.000Z' };
  await send(ines, [undo]);
  expect(counts(await work())).toEqual(counts(seen));
  // What was taken back comes in again.
  expect(await bring(`${log}\nJun Tanaka,2026-11-21 10:00,opened,Log book,Week 4`)).toMatchObject({
    added: 1,
  });
});

test('a day is told action by action, of this class only', async () => {
  const day = await ines.call('GET', `/api/sections/${section}/students/${mei}/days/2026-11-18`);
  expect(((await day.json()) as AnswerOf<'studentDay'>).actions).toEqual([
    { at: '2026-11-18T09:05:00', kind: 'opened', place: 'Log book', object: 'Week 3', seconds: null },
    { at: '2026-11-18T23:10:00', kind: 'posted', place: 'Forum', object: '', seconds: null },
  ]);
});

test('the log has one line for a file, and no device is told of its actions', async () => {
  const before = await ines.call('GET', '/api/sync');
  const { cursor } = (await before.json()) as { cursor: string };
  await bring('Name,When,Action\nMei Tanaka,2026-11-22 09:05,opened\nMei Tanaka,2026-11-22 09:06,opened');
  const after = await ines.call('GET', `/api/sync?cursor=${cursor}`);
  expect(JSON.stringify(await after.json())).not.toContain('opened');
  const database = new Database(path.join(server.folder, 'slate-path.db'), { readonly: true });
  const lines = database
    .prepare(`SELECT "payload", "edits" FROM "change" WHERE "kind" = 'activity.bring'`)
    .all();
  database.close();
  expect(lines.map((line) => JSON.stringify(line)).join()).not.toContain('09:05');
  expect(lines).toHaveLength(4);
});

test('pieces and hand-ins of a file are one change; what it overwrote comes back', async () => {
  const piece = {
    id: 'w1',
    sectionId: section,
    title: 'Log 1',
    assignedAt: null,
    dueAt: '2026-11-20T08:30:00',
    points: 20,
  };
  const handIn = {
    studentId: mei,
    status: 'handed_in',
    handedInAt: '2026-11-19T20:00:00',
    handedBackAt: null,
    score: 12,
  };
  await send(ines, [
    change('piece.set', piece),
    change('handIn.set', { sectionId: section, workId: 'w1', handIns: [handIn] }),
  ]);
  const source = { name: 'grades.csv', digest: 'abc' };
  const brought = change('work.bring', {
    ...{ sectionId: section, source, pieces: [{ ...piece, points: 25 }] },
    handIns: [
      { ...handIn, workId: 'w1', score: 15 },
      { ...handIn, workId: 'w1', studentId: jun, status: 'missing', handedInAt: null, score: null },
    ],
  });
  const later = { ...brought, madeAt: '2026-11-23T10:44:30.000Z' };
  await send(ines, [later]);
  const scores = ({ work: pieces, handIn: list }: AnswerOf<'classWork'>) => [
    pieces.map(({ points }) => points),
    list
      .filter(({ removed }) => !removed)
      .map(({ studentId, status, score }) => [studentId, status, score])
      .sort(),
  ];
  expect(scores(await work())).toEqual([
    [25],
    [
      [mei, 'handed_in', 15],
      [jun, 'missing', null],
    ].sort(),
  ]);
  await send(ines, [{ ...change('undo', { changeId: later.id }), madeAt: '2026-11-23T10:45:30.000Z' }]);
  expect(scores(await work())).toEqual([[20], [[mei, 'handed_in', 12]]]);
});

test('a workbook has a sheet for each subject; another program reads the same', async () => {
  const file = await ines.call('GET', `/api/sections/${section}/work-file?from=2026-11-16&to=2026-11-23`);
  const name = path.join(server.folder, 'work.xlsx');
  fs.writeFileSync(name, Buffer.from(await file.arrayBuffer()));
  const script = `import openpyxl, json, sys
book = openpyxl.load_workbook(sys.argv[1])
print(json.dumps({s.title: [["" if c.value is None else c.value for c in row] for row in s.iter_rows()] for s in book}))`;
  const { stdout } = spawnSync('/usr/bin/python3', ['-c', script, name], { encoding: 'utf8' });
  const sheets = JSON.parse(stdout) as Record<string, (string | number)[][]>;
  expect(Object.keys(sheets)).toEqual([
    'Summary',
    'Students',
    'Pieces of work',
    'Activity by day',
    'How it is counted',
  ]);
  const csv = await ines.call(
    'GET',
    `/api/sections/${section}/work-file?from=2026-11-16&to=2026-11-23&format=csv&sheet=students`,
  );
  const lines = (await csv.text()).replace('\uFEFF', '').trim().split('\r\n');
  expect(sheets['Students']?.map((row) => row.join(','))).toEqual(lines);
  expect(sheets['Students']?.find(([who]) => who === 'Mei Tanaka')?.slice(1, 3)).toEqual([4, 2]);
});

test('a workbook that another program wrote is read, to the second', async () => {
  const name = path.join(server.folder, 'grades.xlsx');
  const script = `import openpyxl, datetime, sys
book = openpyxl.Workbook()
book.active.append(['Student', 'Log 9'])
book.active.append(['Due date', datetime.datetime(2026, 11, 6, 8, 30)])
book.active.append(['Mei Tanaka', 15.5])
book.save(sys.argv[1])`;
  spawnSync('/usr/bin/python3', ['-c', script, name]);
  const answer = await ines.call('POST', `/api/sections/${section}/work-reading`, fs.readFileSync(name));
  expect(await answer.json()).toMatchObject({
    pieces: [{ title: 'Log 9', dueAt: '2026-11-06T08:30:00' }],
    handIns: [{ score: 15.5 }],
  });
});

test('a page of HTML, and a file without headings, are refused with a sentence', async () => {
  for (const text of ['<html><body>Sign in</body></html>', 'a,b\nc,d\n']) {
    const answer = await ines.call('POST', `/api/sections/${section}/activity`, bytesOf(text));
    expect(answer.status).toBe(422);
    expect(((await answer.json()) as { detail: string }).detail).toContain('Nothing was changed.');
  }
});

test('who is erased goes from the actions and from what they were added up to', async () => {
  const answer = await ines.call('POST', `/api/students/${mei}/erasure`, { name: 'Mei Tanaka' });
  expect(answer.status).toBe(200);
  expect((await work()).days.map(({ studentId }) => studentId)).not.toContain(mei);
  const database = new Database(path.join(server.folder, 'slate-path.db'), { readonly: true });
  const left = [
    database.prepare('SELECT count(*) AS n FROM "activity" WHERE "studentId" = ?').get(mei),
    // Neither its number nor its days are there, nor those of anybody who has no action.
    database.prepare('SELECT count(*) AS n FROM "activityWord" WHERE "text" = ?').get(mei),
    ...['actionDay', 'actionTotal'].map((table) =>
      database
        .prepare(
          `SELECT count(*) AS n FROM "${table}" WHERE "student" NOT IN (SELECT "student" FROM "action")`,
        )
        .get(),
    ),
  ];
  database.close();
  expect(left).toEqual([{ n: 0 }, { n: 0 }, { n: 0 }, { n: 0 }]);
});
