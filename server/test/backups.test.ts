import fs from 'node:fs';
import path from 'node:path';
import Database from 'better-sqlite3';
import { change, signedIn, startServer, type Caller, type TestServer } from './server';
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
