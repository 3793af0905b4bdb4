import fs from 'node:fs';
import path from 'node:path';
import Database from 'better-sqlite3';
import { ulid } from 'ulid';
import { eraseRecords } from '../src/keeping/erasure/erase';
import { change, signedIn, startServer, type Caller, type TestServer } from './server';
import { makeClass, send } from './smallClass';

const section = '01M8000000000000000000SECT';
const [odalys, wren] = ['01M800000000000000000STUDA', '01M800000000000000000STUDB'];
const lesson = {
  id: 'meeting.2026-11-16',
  sectionId: section,
  date: '2026-11-16',
  startsAt: '10:40',
  endsAt: '11:30',
};

let server: TestServer;
let ines: Caller;

/** A class of two, of whom one is named in what is said of the other. */
async function begin(): Promise<void> {
  server = await startServer({ now: '2026-11-23T10:44:00Z', runs: true });
  ines = await signedIn(server.address);
  await makeClass(ines, section, { [odalys]: 'Odalys', [wren]: 'Wren' });
  await send(ines, [
    change('roll.comment', { lesson, studentId: odalys, comment: 'left her bag' }),
    change('roll.comment', { lesson, studentId: wren, comment: 'argued with Odalys' }),
  ]);
}

const database = () => new Database(path.join(server.folder, 'slate-path.db'));
const holds = (word: string) =>
  ['slate-path.db', 'slate-path.db-wal']
    .map((name) => path.join(server.folder, name))
    .filter((file) => fs.existsSync(file) && fs.readFileSync(file).includes(word))
    .map((file) => path.basename(file));

async function untilFinished(): Promise<void> {
  const db = database();
  const left = db.prepare('SELECT count(*) FROM "erasing"').pluck();
  for (let waited = 0; waited < 150 && left.get() !== 0; waited += 1)
    await new Promise((resolve) => setTimeout(resolve, 100));
  expect(left.get()).toBe(0);
  db.close();
}

const erase = () => ines.call('POST', `/api/students/${odalys}/erasure`, { name: 'Odalys Tanaka' });

beforeEach(begin);
afterEach(() => server.stop());

test('broken off after its first step, it is gone on with at the next start', async () => {
  const file = path.join(server.folder, 'slate-path.db');
  const db = database();
  const teacherId = db.prepare('SELECT "id" FROM "teacher"').pluck().get() as string;
  db.close();
  await server.stop('SIGKILL');
  eraseRecords({ file, teacherId, studentId: odalys, at: '2026-11-23T10:45:00.000Z', changeId: ulid() });
  expect(holds('Odalys')).not.toEqual([]);
  server = await startServer({ folder: server.folder });
  await untilFinished();
  expect(holds('Odalys')).toEqual([]);
  expect(holds('argued with')).not.toEqual([]);
});

test('while somebody reads the file it says that something is left, and what is left goes later', async () => {
  const reader = database();
  reader.exec('BEGIN');
  reader.prepare('SELECT count(*) FROM "change"').get();
  const answer = await erase();
  expect([answer.status, await answer.json()]).toMatchObject([200, { unfinished: true }]);
  // The records are gone at once all the same.
  expect((await ines.call('GET', `/api/students/${odalys}/path`)).status).toBe(404);
  reader.close();
  await server.stop();
  server = await startServer({ folder: server.folder });
  await untilFinished();
  expect(holds('Odalys')).toEqual([]);
});

test('an archive made before asks what becomes of who was erased since', async () => {
  const archive = new Uint8Array(await (await ines.call('GET', '/api/archive')).arrayBuffer());
  expect(await (await erase()).json()).toMatchObject({ unfinished: false, name: 'Odalys Tanaka' });
  const octets = { 'content-type': 'application/octet-stream' };
  const bring = (query: string) => ines.call('POST', `/api/archive${query}`, archive, octets);
  const reading = await ines.call('POST', '/api/archive-reading', archive, octets);
  expect(await reading.json()).toMatchObject({ errors: [], erased: 1 });
  expect((await bring('')).status).toBe(409);
  expect(holds('Odalys')).toEqual([]);
  expect((await bring('?erased=leaveOut')).status).toBe(200);
  expect(holds('Odalys')).toEqual([]);
  expect((await bring('?erased=bringBack')).status).toBe(200);
  const { student } = (await (await ines.call('GET', '/api/setup')).json()) as {
    student: { id: string; givenName: string }[];
  };
  expect(student.find(({ id }) => id === odalys)?.givenName).toBe('Odalys');
});

test('what would go is counted while others write, and nothing is changed by it', async () => {
  const preview = await ines.call('GET', `/api/students/${odalys}/erasure`);
  expect(await preview.json()).toMatchObject({
    name: 'Odalys Tanaka',
    cleaned: [{ table: 'mark', count: 1 }],
    unfinished: false,
  });
  expect((await ines.call('GET', `/api/students/${odalys}/path`)).status).toBe(200);
});
