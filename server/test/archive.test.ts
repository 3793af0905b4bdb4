import fs from 'node:fs';
import path from 'node:path';
import Database from 'better-sqlite3';
import { ArchiveRows } from '@slate-path/core/keeping/archive/archiveRows';
import { writeArchive } from '@slate-path/core/keeping/archive/writeArchive';
import { backUp } from '../src/database/backup';
import { restore } from '../src/database/restore';
import { change, signedIn, startServer, type Caller, type TestServer } from './server';
import { makeClass, send } from './smallClass';

const now = '2026-11-23T10:44:00Z';
const section = '01M8000000000000000000SECT';
const mei = '01M800000000000000000STUDA';
let old: TestServer;
let fresh: TestServer;
let here: Caller;
let there: Caller;

const letter = (id: string) => ({
  messages: [
    {
      id,
      studentId: mei,
      noticeId: `notice ${id}`,
      occasion: 'lesson',
      reason: 'away today',
      toWhom: 'guardians',
      addresses: ['home@example.org'],
      subject: 'Mei was away',
      body: 'Mei was away today.',
      writtenAt: now.replace('Z', '.000Z'),
    },
  ],
});

beforeAll(async () => {
  [old, fresh] = await Promise.all([startServer({ now, runs: true }), startServer({ now, runs: true })]);
  here = await signedIn(old.address);
  there = await signedIn(fresh.address);
  await makeClass(here, section, { [mei]: 'Mei' });
  await send(here, [change('message.send', letter('letter-1'))]);
});
afterAll(() => Promise.all([old.stop(), fresh.stop()]));

const bytesOf = async (response: Response) => new Uint8Array(await response.arrayBuffer());
/** The copies of letters that a mail server has taken; its folder comes with the first of them. */
function lettersIn({ folder }: TestServer): string[] {
  const outbox = path.join(folder, 'outbox');
  return fs.existsSync(outbox) ? fs.readdirSync(outbox).filter((name) => name.endsWith('.eml')) : [];
}

async function until(isSo: () => boolean): Promise<void> {
  for (let tries = 0; tries < 100 && !isSo(); tries += 1)
    await new Promise((resolve) => setTimeout(resolve, 50));
}

test('while an archive is brought in, the share is told; afterwards none is on its way', async () => {
  // Twenty parts of it, so that there is something in between.
  const rows = new ArchiveRows();
  for (let n = 0; n < 5000; n += 1)
    rows.add('notes', {
      id: `brought-${n}`,
      at: '2026-11-20T10:00:00',
      lesson_id: null,
      text: 'A calm day.',
    });
  const archive = writeArchive(rows.archive, 'Europe/Dublin');
  const share = async () =>
    ((await (await here.call('GET', '/api/archive-progress')).json()) as { share: number | null }).share;
  const state = { done: false };
  const brought = here.call('POST', '/api/archive', archive).finally(() => (state.done = true));
  const told: number[] = [];
  const etagNow = async () => (await here.call('GET', '/api/notes/recent')).headers.get('etag');
  const etags = new Set<string | null>();
  while (!state.done) {
    const now = await share();
    if (now === null) continue;
    told.push(now);
    const etag = await etagNow();
    const after = await share();
    if (after !== null && after < 1) etags.add(etag);
  }
  expect((await brought).status).toBe(200);
  expect(told.some((part) => part > 0 && part < 1)).toBe(true);
  expect(told).toEqual(told.toSorted((a, b) => a - b));
  expect(await share()).toBeNull();
  // What was asked for between two parts is known to be old.
  expect(etags.size).toBeGreaterThan(0);
  expect(etags).not.toContain(await etagNow());
});

test('a letter that an archive brings is not sent once more, neither with the next one nor at the next start', async () => {
  await until(() => lettersIn(old).length === 1);
  const archive = await bytesOf(await here.call('GET', '/api/archive'));
  expect((await there.call('POST', '/api/archive', archive)).status).toBe(200);
  const outbox = (await (await there.call('GET', '/api/outbox')).json()) as { message: { id: string }[] };
  expect(outbox.message.map(({ id }) => id)).toEqual(['letter-1']);
  await send(there, [change('message.send', letter('letter-2'))]);
  await until(() => lettersIn(fresh).length > 0);
  await fresh.stop();
  fresh = await startServer({ now, runs: true, folder: fresh.folder });
  expect(lettersIn(fresh)).toHaveLength(1);
  expect(fs.readFileSync(path.join(fresh.folder, 'outbox', lettersIn(fresh)[0] ?? ''), 'utf8')).toContain(
    'letter-2',
  );
});

test('an archive is one line of the log, which holds none of its records, and is taken back as one', async () => {
  const server = await startServer({ now, runs: true });
  const caller = await signedIn(server.address);
  const shown = async () => {
    const setup = (await (await caller.call('GET', '/api/setup')).json()) as Record<string, unknown>;
    const lists = Object.entries(setup).filter(([, list]) => Array.isArray(list));
    return Object.fromEntries(
      lists.map(([table, list]) => [
        table,
        (list as { id: string; removed: boolean }[])
          .filter(({ removed }) => !removed)
          .map(({ removed: _removed, ...record }) => JSON.stringify(record))
          .sort(),
      ]),
    );
  };
  const bring = async (): Promise<string[]> => {
    const answer = await caller.call('POST', '/api/archive', archive);
    return ((await answer.json()) as { changeIds: string[] }).changeIds;
  };
  const archive = await bytesOf(await here.call('GET', '/api/archive'));
  const before = await shown();
  const changeIds = await bring();
  const brought = await shown();
  expect(brought['student']).toHaveLength(1);
  // What ships with a new account made room for the archive's own.
  expect(brought['standing']).not.toEqual(before['standing']);

  const database = new Database(path.join(server.folder, 'slate-path.db'), { readonly: true });
  const lines = database
    .prepare(`SELECT "payload", "edits" FROM "change" WHERE "device" = 'archive' AND "kind" <> 'archive.end'`)
    .all();
  expect(lines).toHaveLength(changeIds.length);
  const counts = database.prepare(
    `SELECT json_extract("payload", '$.counts.student') FROM "change" WHERE "id" = ?`,
  );
  expect(counts.pluck().get(changeIds[0])).toBe(1);
  expect(JSON.stringify(lines)).not.toContain('Mei');

  const takeBack = (ids: string[]) =>
    send(
      caller,
      ids.map((changeId) => change('undo', { changeId })),
    );
  await takeBack(changeIds);
  expect(await shown()).toEqual(before);
  const again = await bring();
  expect(await shown()).toEqual(brought);
  // What the teacher has taken away meanwhile stays away, and only once is it taken back.
  await send(caller, [{ ...change('enrolment.remove', { id: 'e0' }), madeAt: new Date(now).toISOString() }]);
  await takeBack(again);
  expect(await shown()).toEqual(before);
  const twice = await caller.call('POST', '/api/changes', {
    changes: [change('archive.bring', { counts: {} })],
  });
  expect(await twice.json()).toMatchObject({ answers: [{ outcome: 'refused' }] });
  database.close();
  await server.stop();
});

test('a backup is not put under a running server, and nothing is changed; once it has stopped, it is', async () => {
  const backup = path.join(fs.mkdtempSync(path.join(old.folder, 'backup-')), 'copy.db');
  backUp(old.folder, backup);
  const before = fs.readdirSync(fresh.folder).sort();
  expect(() => restore(backup, fresh.folder, 'now')).toThrow(/the server is running on these data/);
  expect(fs.readdirSync(fresh.folder).sort()).toEqual(before);
  await fresh.stop();
  expect(restore(backup, fresh.folder, 'now')).toMatch(/slate-path\.db\.before-now$/);
  fresh = await startServer({ now, runs: true, folder: fresh.folder });
  const signed = await signedIn(fresh.address, '/api/sign-in');
  const { student } = (await (await signed.call('GET', '/api/setup')).json()) as {
    student: { givenName: string }[];
  };
  expect(student.map(({ givenName }) => givenName)).toEqual(['Mei']);
});
