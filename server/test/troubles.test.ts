import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import type { Response } from 'express';
import { dropBrokenCopies } from '../src/keeping/backups/backups';
import { openDatabase } from '../src/database/open';
import { diskTrouble } from '../src/database/problems';
import { Events } from '../src/http/events';
import { change, signedIn, startServer } from './server';
import { send } from './smallClass';

const newFolder = () => fs.mkdtempSync(path.join(os.tmpdir(), 'slate-'));

test('a full disk is known as one, and is forgotten when there is room again', async () => {
  const database = await openDatabase(newFolder());
  const setRoom = (pages: number) =>
    database.write((sql) => void sql.get(`PRAGMA max_page_count = ${pages}`));
  const write = () =>
    database.write((sql) => {
      sql.run(
        `INSERT INTO "teacher" ("id", "name", "passphraseHash", "createdAt") VALUES (?, ?, ?, '')`,
        ...[String(Math.random()), String(Math.random()), 'x'.repeat(40_000)],
      );
    });
  await setRoom(1);
  await expect(write()).rejects.toMatchObject({ code: 'SQLITE_FULL' });
  expect(database.trouble()).toMatch(/^The server’s disk is full, so this was not saved/);
  await setRoom(100_000);
  await write();
  expect(database.trouble()).toBeNull();
  expect(database.lookUp.all('SELECT 1 FROM "teacher"')).toHaveLength(1);
  await database.close();
});

test.each<[unknown, RegExp | null]>([
  [{ code: 'ENOSPC' }, /disk is full/],
  [{ driverError: { code: 'SQLITE_FULL' } }, /disk is full/],
  [{ code: 'SQLITE_IOERR_WRITE' }, /did not take this/],
  [{ code: 'SQLITE_CONSTRAINT' }, null],
  [new Error('anything'), null],
  [null, null],
])('%j', (error, sentence) => {
  if (sentence === null) expect(diskTrouble(error)).toBeNull();
  else expect(diskTrouble(error)).toMatch(sentence);
});

test('so many pages listen and no more; one that goes makes room', () => {
  const events = new Events();
  const page = () => {
    const goes: (() => void)[] = [];
    const response = {
      writeHead: () => response,
      write: () => true,
      end: () => undefined,
      on: (_event: string, listener: () => void) => goes.push(listener),
    };
    events.stream('ines', response as unknown as Response);
    return () => {
      for (const go of goes) go();
    };
  };
  const leave = Array.from({ length: 250 }, page);
  expect(page).toThrow('Too many pages open');
  leave[0]?.();
  expect(page).not.toThrow();
});

test('copies that were broken off are taken away, not those that are being written', () => {
  const folder = newFolder();
  const backups = path.join(folder, 'backups');
  fs.mkdirSync(backups);
  for (const name of ['old.db.part', 'old.db.part-journal', 'new.db.part', 'whole.db'])
    fs.writeFileSync(path.join(backups, name), '');
  const before = new Date(Date.now() - 120_000);
  for (const name of ['old.db.part', 'old.db.part-journal', 'whole.db'])
    fs.utimesSync(path.join(backups, name), before, before);
  dropBrokenCopies(folder);
  expect(fs.readdirSync(backups).sort()).toEqual(['new.db.part', 'whole.db']);
});

test('a letter whose id is long in bytes goes out, and so do those behind it', async () => {
  const server = await startServer({ now: '2026-11-23T10:44:00Z', runs: true });
  const ines = await signedIn(server.address);
  const student = { givenName: 'Mei', familyName: '', called: '', email: '', grade: '', schoolId: '' };
  const letter = (id: string) => ({
    id,
    studentId: 'mei',
    noticeId: 'n',
    occasion: 'today',
    reason: 'to all',
    toWhom: 'student' as const,
    addresses: ['mei@ternrock.example'],
    subject: 'Hello',
    body: 'Hello Mei',
    writtenAt: '2026-11-23T10:44:00.000Z',
  });
  const ids = ['Ж'.repeat(64), 'plain'];
  await send(ines, [
    change('student.set', { id: 'mei', student, guardians: [] }),
    change('message.send', { messages: ids.map(letter) }),
  ]);
  let delivered: string[] = [];
  for (let waited = 0; waited < 100 && delivered.length < 2; waited += 1) {
    await new Promise((resolve) => setTimeout(resolve, 100));
    const { letters } = (await (await ines.call('GET', '/api/outbox')).json()) as {
      letters: { aboutId: string; state: string }[];
    };
    delivered = letters.flatMap(({ aboutId, state }) => (state === 'kept' ? [aboutId] : [])).sort();
  }
  expect(delivered).toEqual([...ids].sort());
  await server.stop();
});
