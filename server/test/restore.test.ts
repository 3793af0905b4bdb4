import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { ulid } from 'ulid';
import { backUp } from '../src/database/backup';
import { finishRestore, restore } from '../src/database/restore';
import { makeClass } from './smallClass';
import { change, signedIn, startServer, tryServer, type Caller, type TestServer } from './server';

const now = '2026-11-23T12:00:00Z';
const emptyFolder = () => fs.mkdtempSync(path.join(os.tmpdir(), 'slate-'));
let server: TestServer;
let ines: Caller;
let backup: string;

const addClass = (name: string) =>
  ines.call('POST', '/api/changes', {
    changes: [change('section.set', { id: ulid(), name, subject: '', room: '' })],
  });
async function classes(): Promise<string[]> {
  const { section } = (await (await ines.call('GET', '/api/setup')).json()) as {
    section: { name: string }[];
  };
  return section.map(({ name }) => name).sort();
}
const start = async (folder: string) => {
  server = await startServer({ now, runs: true, folder });
  ines = await signedIn(server.address, '/api/sign-in');
};
const file = () => path.join(server.folder, 'slate-path.db');

beforeEach(async () => {
  server = await startServer({ now, runs: true });
  ines = await signedIn(server.address);
  await addClass('Boat Workshop');
  backup = path.join(emptyFolder(), 'copy.db');
  backUp(server.folder, backup);
  await addClass('Shore Ecology');
});
afterEach(() => server.stop());

test('a damaged database gives way to a backup and is kept; a backup is read by its own name afterwards', async () => {
  const before = (await ines.call('GET', '/api/setup')).headers.get('etag');
  await server.stop();
  const bytes = fs.readFileSync(file());
  bytes.fill(0xa5, 8192, 8192 + 20_000);
  fs.writeFileSync(file(), bytes);
  expect(await tryServer({ folder: server.folder })).toMatchObject({ code: 1 });
  const aside = restore(backup, server.folder, 'now') ?? '';
  expect(fs.readFileSync(aside).equals(bytes)).toBe(true);
  await start(server.folder);
  expect(await classes()).toEqual(['Boat Workshop']);
  // As many changes as before, and other ones: what a device has of before is not taken for the same.
  await addClass('Log-keeping');
  expect((await ines.call('GET', '/api/setup')).headers.get('etag')).not.toBe(before);
  expect(await classes()).toEqual(['Boat Workshop', 'Log-keeping']);
});

test('a letter that waited when the backup was made is held back: it may have gone since', async () => {
  const nowhere = {
    ...{ host: '127.0.0.1', port: 1, security: 'none', user: '', password: '' },
    ...{ sender: 'office@x.example', replyTo: '', perMinute: 60 },
  };
  await ines.call('POST', '/api/mail', nowhere);
  const wanted = { name: 'Ove Lind', role: 'teacher', sectionId: null, email: 'ove@x.example' };
  await ines.call('POST', '/api/invitations', wanted);
  const letters = async () => {
    const answer = await ines.call('GET', '/api/outbox');
    return ((await answer.json()) as { letters: { words: string }[] }).letters.map(({ words }) => words);
  };
  expect(await letters()).toEqual([expect.stringMatching(/^waiting/)]);
  const copy = path.join(emptyFolder(), 'copy.db');
  backUp(server.folder, copy);
  await server.stop();
  restore(copy, server.folder, 'now');
  await start(server.folder);
  expect(await letters()).toEqual(['held back: a backup was put back before it went']);
});

test('after a kill the journal that was left is not laid over the backup', async () => {
  await server.stop('SIGKILL');
  expect(fs.statSync(`${file()}-wal`).size).toBeGreaterThan(0);
  const aside = restore(backup, server.folder, 'now') ?? '';
  expect(fs.existsSync(`${aside}-wal`)).toBe(true);
  await start(server.folder);
  expect(await classes()).toEqual(['Boat Workshop']);
});

test('a restore that is broken off is finished at the next start, or has not been', async () => {
  await server.stop('SIGKILL');
  const journal = fs.readFileSync(`${file()}-wal`);
  const marker = path.join(server.folder, 'slate-path.restoring');
  // Before the one step: all is as it was.
  fs.writeFileSync(marker, '');
  fs.copyFileSync(backup, `${file()}.part`);
  await start(server.folder);
  expect(await classes()).toEqual(['Boat Workshop', 'Shore Ecology']);
  await server.stop();
  // After it: the backup stands there, and beside it the journal of before.
  fs.writeFileSync(marker, '');
  fs.copyFileSync(backup, file());
  fs.writeFileSync(`${file()}-wal`, journal);
  await start(server.folder);
  expect(await classes()).toEqual(['Boat Workshop']);
  expect(fs.existsSync(marker)).toBe(false);
  finishRestore(server.folder);
});

test.each(['missing', 'empty'])(
  'beside copies a database that is %s is no reason to begin anew',
  async (how) => {
    await server.stop();
    restore(backup, server.folder, 'now');
    fs.rmSync(file());
    if (how === 'empty') fs.writeFileSync(file(), '');
    const started = await tryServer({ folder: server.folder });
    expect(started).toMatchObject({ code: 1, said: expect.stringMatching(/before-now.*begin anew/) });
  },
);

test('a page for a reader does not open again with a backup: it may have been ended since', async () => {
  await makeClass(ines, 'boats', { ann: 'Annika' });
  const settings = {
    ...{ studentIds: ['ann'], reader: 'Mo', relation: 'home', language: 'en', from: '2026-11-02', to: null },
    ...{ presence: true, engagement: false, work: false, weather: false, lookFors: [], noteIds: [] },
    ...{ stepIds: [], summary: '', mayWriteBack: false },
  };
  const page = { settings, until: '2026-12-07', code: '', email: '' };
  const made = await ines.call('POST', '/api/reader-pages', page);
  const { token } = (await made.json()) as { token: string };
  const status = async () => (await fetch(`${server.address}/read/${token}`)).status;
  expect(await status()).toBe(200);
  const later = path.join(emptyFolder(), 'later.db');
  backUp(server.folder, later);
  await server.stop();
  restore(later, server.folder, 'now');
  await start(server.folder);
  expect(await status()).toBe(404);
});

test('one folder has one server; its files are for its user alone', async () => {
  expect(await tryServer({ folder: server.folder })).toMatchObject({
    code: 1,
    said: expect.stringMatching(/the server is running on these data/),
  });
  expect(await classes()).toEqual(['Boat Workshop', 'Shore Ecology']);
  await server.stop();
  fs.chmodSync(file(), 0o644);
  await start(server.folder);
  for (const name of fs.readdirSync(server.folder).filter((found) => found.startsWith('slate-path.')))
    expect([name, fs.statSync(path.join(server.folder, name)).mode & 0o077]).toEqual([name, 0]);
});
