import fs from 'node:fs';
import path from 'node:path';
import Database from 'better-sqlite3';
import { createTeacher } from '../src/accounts/accounts';
import { openDatabase } from '../src/database/open';
import { addDays } from '@slate-path/core/calendar/localTime';
import { oldBackups } from '../src/keeping/backups/backups';
import { callerOf, change, signedIn, startServer, type Caller, type TestServer } from './server';
import { makeClass, send } from './smallClass';

const now = '2026-11-23T10:44:00Z';
let server: TestServer;
let ines: Caller;

interface Backup {
  name: string;
  madeAt: string;
  bytes: number;
}

beforeAll(async () => {
  server = await startServer({ now, runs: true });
  ines = await signedIn(server.address);
  await makeClass(ines, '01M8000000000000000000SECT', { '01M800000000000000000STUDA': 'Mei' });
});
afterAll(() => server.stop());

const folder = () => path.join(server.folder, 'backups');
const made = async (method: 'GET' | 'POST') =>
  ((await (await ines.call(method, '/api/backups')).json()) as { backups: Backup[] }).backups;

const topic = (n: number) =>
  change('topic.add', { id: `topic-${n}`, name: `Topic ${n}`, trouble: false, alsoCalled: [], marks: [] });

/** How many topics a database holds, how many lines of its log tell of one, and whether it is whole. */
function topicsIn(file: string) {
  const database = new Database(file, { readonly: true });
  const count = (sql: string) => (database.prepare(sql).get() as { n: number }).n;
  const found = {
    records: count('SELECT count(*) AS n FROM topic'),
    lines: count(`SELECT count(*) AS n FROM change WHERE kind = 'topic.add'`),
    whole: database.pragma('integrity_check', { simple: true }),
  };
  database.close();
  return found;
}

test('none at first; one that is made while others write holds whole changes, as far as they had come', async () => {
  expect(await made('GET')).toEqual([]);
  const state = { sent: 0, done: false };
  const writing = (async () => {
    for (; state.sent < 60; state.sent += 1) await send(ines, [topic(state.sent)]);
    state.done = true;
  })();
  while (state.sent < 10) await new Promise((resolve) => setTimeout(resolve, 5));
  const before = state.sent;
  const [backup] = await made('POST');
  const after = state.sent + 1;
  await writing;
  const { records, lines, whole } = topicsIn(path.join(folder(), backup?.name ?? ''));
  expect(whole).toBe('ok');
  expect(records).toBe(lines);
  expect(records).toBeGreaterThanOrEqual(before);
  expect(records).toBeLessThanOrEqual(after);
  expect(backup?.bytes).toBe(fs.statSync(path.join(folder(), backup?.name ?? '')).size);
  expect(backup?.madeAt.slice(0, 10)).toBe(now.slice(0, 10));
});

test('the last ten are kept, the latest first; what else lies there is nobody’s business', async () => {
  fs.writeFileSync(path.join(folder(), 'by hand.db'), 'kept');
  const [first] = await made('GET');
  for (let n = 0; n < 10; n += 1) await made('POST');
  const backups = await made('GET');
  expect(backups).toHaveLength(10);
  const moments = backups.map(({ madeAt }) => madeAt);
  expect(moments).toEqual(moments.toSorted().reverse());
  expect(backups.map(({ name }) => name)).not.toContain(first?.name);
  expect(fs.readdirSync(folder()).sort()).toEqual([...backups.map(({ name }) => name), 'by hand.db'].sort());
});

test('of each of thirty days the last one is kept, however many are made in one afternoon', () => {
  const one = (daysAgo: number, hour: number) => ({
    madeAt: `${addDays('2026-11-30', -daysAgo)}T${String(hour).padStart(2, '0')}:00:00.000Z`,
  });
  // Twelve today, three a day on 39 days before, the latest first.
  const today = Array.from({ length: 12 }, (_, n) => one(0, 23 - n));
  const before = Array.from({ length: 39 }, (_, n) => [18, 12, 9].map((hour) => one(n + 1, hour))).flat();
  const dropped = oldBackups([...today, ...before]);
  const kept = [...today, ...before].filter((backup) => !dropped.includes(backup));
  expect(kept.slice(0, 10)).toEqual(today.slice(0, 10));
  expect(kept.slice(10).map(({ madeAt }) => madeAt.slice(11, 13))).toEqual(Array<string>(29).fill('18'));
  expect(new Set(kept.map(({ madeAt }) => madeAt.slice(0, 10))).size).toBe(30);
});

test('where it cannot be written, it says so, and what is there stays', async () => {
  const aside = path.join(server.folder, 'aside');
  fs.renameSync(folder(), aside);
  fs.writeFileSync(folder(), 'a file where the folder should be');
  const answer = await ines.call('POST', '/api/backups');
  expect(answer.status).toBe(500);
  expect(((await answer.json()) as { detail: string }).detail).toMatch(
    /the backup could not be written .*The records are as they were; earlier backups too\./,
  );
  fs.rmSync(folder());
  fs.renameSync(aside, folder());
  expect(await made('GET')).toHaveLength(10);
});

/** Somebody else on the same server. */
async function colleague(): Promise<Caller> {
  const known = { name: 'Tarek Osei', passphrase: 'lantern gull anchor' };
  const database = await openDatabase(server.folder);
  const school = { name: 'Tern Rock', zone: 'Europe/Dublin', graceMinutes: 5 };
  await createTeacher({ database, clock: () => Date.parse(now) }, { ...known, school });
  await database.close();
  const response = await callerOf(server.address).call('POST', '/api/sign-in', known);
  return callerOf(server.address, response.headers.getSetCookie()[0]!.split(';')[0]);
}

const setupOf = async (caller: Caller) =>
  (await (await caller.call('GET', '/api/setup')).json()) as {
    student: { id: string; givenName: string }[];
    topic: { name: string; removed: boolean }[];
  };
const goBack = (caller: Caller, { name }: Pick<Backup, 'name'>) =>
  caller.call('POST', `/api/backups/${encodeURIComponent(name)}/return`, {});
const detailOf = async (answer: Response) => ((await answer.json()) as { detail: string }).detail;
const topicsOf = async (caller: Caller) =>
  (await setupOf(caller)).topic.flatMap(({ name, removed }) => (removed ? [] : [name])).sort();

describe('going back to a backup', () => {
  let tarek: Caller;
  let early: Backup;
  const boats = '01M8000000000000000000BOAT';

  beforeAll(async () => {
    [early] = (await made('POST')) as [Backup];
    tarek = await colleague();
    await makeClass(tarek, boats, { '01M800000000000000000STUDT': 'Tove' }, 'tarek-');
  });

  test('one’s own records are as they were, what was made since is taken away, nobody else’s is touched; and from there back again', async () => {
    const before = await setupOf(ines);
    const topics = await topicsOf(ines);
    const blank = { called: '', email: '', grade: '', schoolId: '' };
    await send(
      ines,
      [
        change('student.set', {
          id: '01M800000000000000000STUDA',
          student: { givenName: 'Maya', familyName: 'Tanaka', ...blank },
          guardians: [],
        }),
        topic(900),
      ].map((one) => ({ ...one, madeAt: '2026-11-23T10:40:00.000Z' })),
    );
    const later = await setupOf(ines);
    expect(later.student.map(({ givenName }) => givenName)).toEqual(['Maya']);

    const meaning = await ines.call('GET', `/api/backups/${early.name}`);
    expect(await meaning.json()).toEqual({ asThen: 1, backAgain: 0, gone: 1 });
    expect((await goBack(ines, early)).status).toBe(200);
    expect((await setupOf(ines)).student).toEqual(before.student);
    expect(await topicsOf(ines)).toEqual(topics);
    expect((await setupOf(tarek)).student.map(({ givenName }) => givenName)).toEqual(['Tove']);

    const [safety] = await made('GET');
    expect((await goBack(ines, safety!)).status).toBe(200);
    expect((await setupOf(ines)).student).toEqual(later.student);
    expect(await topicsOf(ines)).toEqual([...topics, 'Topic 900'].sort());
  });

  test('a name that is none of ours, one of before the account, a damaged one: a sentence, and nothing changed', async () => {
    const count = (await made('GET')).length;
    for (const name of ['../slate-path.db', 'by hand.db', 'slate-path-2026-01-01T00-00-00.000Z.db'])
      expect(await detailOf(await goBack(ines, { name }))).toBe(
        'This backup is not on the server any more. Nothing was changed.',
      );
    const [latest] = await made('GET');
    expect(await detailOf(await goBack(tarek, early))).toMatch(
      /before your account was\. Nothing was changed\./,
    );
    fs.writeFileSync(path.join(folder(), latest!.name), 'half a file');
    expect(await detailOf(await goBack(ines, latest!))).toBe(
      'This backup is damaged and cannot be read. Nothing was changed.',
    );
    expect(await made('GET')).toHaveLength(count);
    expect((await callerOf(server.address).call('GET', `/api/backups/${early.name}`)).status).toBe(401);
  });

  test('whoever was erased for good does not come back', async () => {
    const [backup] = await made('POST');
    const erased = await ines.call('POST', '/api/students/01M800000000000000000STUDA/erasure', {
      name: 'Maya Tanaka',
    });
    expect(erased.status).toBe(200);
    expect(await detailOf(await goBack(ines, backup!))).toMatch(/A student was erased for good since\./);
    expect((await setupOf(ines)).student).toEqual([]);
  });

  test('nothing of a backup lies about after it was read; what a reading broken off left goes at the next start', async () => {
    const readings = () => fs.readdirSync(folder()).filter((name) => name.startsWith('reading-'));
    expect(readings()).toEqual([]);
    fs.mkdirSync(path.join(folder(), 'reading-broken'));
    fs.writeFileSync(path.join(folder(), 'reading-broken', 'slate-path.db'), 'children’s records');
    const count = (await made('GET')).length;
    await server.stop();
    server = await startServer({ folder: server.folder, now, runs: true });
    ines = await signedIn(server.address, '/api/sign-in');
    expect(readings()).toEqual([]);
    expect(await made('GET')).toHaveLength(count);
  });
});
