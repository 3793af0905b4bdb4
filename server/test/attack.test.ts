import fs from 'node:fs';
import http from 'node:http';
import path from 'node:path';
import { pathToFileURL } from 'node:url';
import { gzipSync } from 'node:zlib';
import { strFromU8, strToU8, unzipSync, zipSync, type Zippable } from 'fflate';
import { ulid } from 'ulid';
import { BytesInHand } from '../src/http/bodies';
import { Readers } from '../src/jobs/readers';
import { callerOf, change, signedIn, startServer, type Caller, type TestServer } from './server';

let server: TestServer;
let ines: Caller;

beforeAll(async () => {
  server = await startServer();
  ines = await signedIn(server.address);
});
afterAll(() => server.stop());

/** A post of which only the head is sent. @returns the status of an answer that comes all the same, or null */
function headOnly(route: string, headers: Record<string, string>): Promise<number | null> {
  return new Promise((resolve) => {
    const request = http.request(server.address + route, { method: 'POST', headers }, ({ statusCode }) => {
      resolve(statusCode ?? null);
      request.destroy();
    });
    request.on('error', () => {
      resolve(null);
    });
    request.flushHeaders();
    setTimeout(() => {
      resolve(null);
      request.destroy();
    }, 1500);
  });
}

test('whoever only asks is answered before a long batch of changes is through', async () => {
  const changes = Array.from({ length: 500 }, (_, index) =>
    change('student.set', {
      id: `batch${index}`,
      student: { givenName: `Pupil${index}`, familyName: '', called: '', email: '', grade: '', schoolId: '' },
      guardians: [],
    }),
  );
  const order: string[] = [];
  const batch = ines.call('POST', '/api/changes', { changes }).then((answer) => {
    order.push('batch');
    return answer.json();
  });
  await new Promise((resolve) => setTimeout(resolve, 60));
  for (let i = 0; i < 3; i += 1) {
    expect((await ines.call('GET', '/api/health')).status).toBe(200);
    order.push('health');
  }
  const { answers } = (await batch) as { answers: { outcome: string }[] };
  expect(new Set(answers.map(({ outcome }) => outcome))).toEqual(new Set(['applied']));
  expect(order).toEqual(['health', 'health', 'health', 'batch']);
});

describe('bodies', () => {
  test.each(['/api/changes', '/api/archive', '/api/archive-reading', '/api/days-off-reading'])(
    'of a stranger nothing is read before the answer: %s',
    async (route) => {
      expect(await headOnly(route, { 'content-length': '1000' })).toBe(401);
      expect(await headOnly(route, { 'transfer-encoding': 'chunked' })).toBe(401);
    },
  );

  test('who has not signed in sends little', async () => {
    const stranger = callerOf(server.address);
    for (const route of ['/api/sign-in', '/api/first-start', '/api/check-in/nobody'])
      expect((await stranger.call('POST', route, { name: 'x'.repeat(20_000) })).status).toBe(413);
  });

  test('nothing is unpacked', async () => {
    const packed = gzipSync(JSON.stringify({ changes: ['x'.repeat(1_000_000)] }));
    for (const encoding of ['gzip', 'deflate', 'br', 'none of these'])
      expect((await ines.call('POST', '/api/changes', packed, { 'content-encoding': encoding })).status).toBe(
        415,
      );
    const charset = { 'content-type': 'application/json; charset=klingon' };
    expect((await ines.call('POST', '/api/changes', '{}', charset)).status).toBe(415);
  });

  test('unfinished uploads hold room only so far; what is given up makes room', async () => {
    const headers = { cookie: ines.cookie, 'content-length': '100000000' };
    const first = http.request(`${server.address}/api/archive-reading`, { method: 'POST', headers });
    first.on('error', () => undefined);
    first.flushHeaders();
    await new Promise((resolve) => setTimeout(resolve, 200));
    expect(await headOnly('/api/archive-reading', headers)).toBe(503);
    // Small things go on.
    expect((await ines.call('POST', '/api/changes', { changes: [] })).status).toBe(400);
    first.destroy();
    await new Promise((resolve) => setTimeout(resolve, 200));
    expect(await headOnly('/api/archive-reading', headers)).toBeNull();
  });

  test('the room is counted in all and for each address', () => {
    const inHand = new BytesInHand(100, 60);
    expect([inHand.take('a', 60), inHand.take('a', 1), inHand.take('b', 41), inHand.take('b', 40)]).toEqual([
      ...[true, false, false, true],
    ]);
    inHand.give('a', 60);
    expect([inHand.take('c', 60), inHand.take('a', 1)]).toEqual([true, false]);
  });
});

test.each(['null', 'nonsense', 'http://elsewhere.example'])('a page from %s cannot write', async (origin) => {
  expect((await ines.call('POST', '/api/changes', { changes: [] }, { origin })).status).toBe(403);
});

describe('files', () => {
  const sectionId = ulid();
  beforeAll(async () => {
    const section = { id: sectionId, name: 'Boat Workshop', subject: '', room: '' };
    await ines.call('POST', '/api/changes', { changes: [change('section.set', section)] });
  });

  /** A sound workbook with cells besides its own. */
  function workbook(cells: string): Uint8Array {
    const files = unzipSync(fs.readFileSync(path.join(__dirname, '../../demo/files/log-keeping.xlsx')));
    const sheet = 'xl/worksheets/sheet1.xml';
    const xml = strFromU8(files[sheet]!).replace('</sheetData>', `${cells}</sheetData>`);
    return zipSync({ ...files, [sheet]: strToU8(xml) });
  }
  const cell = (at: string, row: number) =>
    `<row r="${row}"><c r="${at}${row}" t="inlineStr"><is><t>Mei Tanaka</t></is></c></row>`;
  const packed = (files: Zippable) => zipSync(files, { level: 1 });
  const empty = (bytes: number) => new Uint8Array(bytes);
  /** As it says in its directory that every file has ten bytes, which it has not. */
  function lying(zip: Uint8Array): Uint8Array {
    const view = new DataView(zip.buffer, zip.byteOffset);
    for (let at = 0; at + 46 < zip.length; at += 1)
      if (view.getUint32(at, true) === 0x02014b50) view.setUint32(at + 24, 10, true);
    return zip;
  }
  const calendar = (rule: string) =>
    `BEGIN:VCALENDAR\r\nBEGIN:VEVENT\r\nDTSTART;VALUE=DATE:20261005\r\nRRULE:${rule}\r\nEND:VEVENT\r\nEND:VCALENDAR`;
  const roster = `/api/sections/${sectionId}/roster-reading`;
  const list = `/api/sections/${sectionId}/participants-reading`;
  const sheets = Object.fromEntries([['xl/worksheets/sheet1.xml', empty(55_000_000)]]);

  test.each([
    ['a cell far to the right and below', roster, () => workbook(cell('XFD', 1_048_576))],
    ['a cell far below', roster, () => workbook(cell('A', 1_048_576))],
    ['rows out of order', roster, () => workbook(cell('A', 90_000) + cell('ZZ', 2))],
    ['a cell far to the right, as a list', list, () => workbook(cell('XFD', 2))],
    ['a zip that unpacks to much', roster, () => packed({ 'xl/workbook.xml': empty(70_000_000) })],
    ['a zip that lies', roster, () => lying(packed({ 'xl/workbook.xml': empty(90_000_000) }))],
    ['a workbook of nothing', roster, () => packed(sheets)],
    [
      'an archive that unpacks to much',
      '/api/archive-reading',
      () => packed({ 'datapackage.json': strToU8('{}'), 'roll.csv': empty(210_000_000) }),
    ],
    ['a calendar on no day', '/api/days-off-reading', () => calendar('FREQ=DAILY;BYMONTH=2;BYMONTHDAY=31')],
    ['a calendar by the second', '/api/days-off-reading', () => calendar('FREQ=SECONDLY;BYMONTH=2')],
  ])(
    '%s: the server goes on, and says why',
    async (_what, route, file) => {
      const bytes = file();
      // Making it took so long that the client's own time for its idle connections is over: it is to see that first.
      await new Promise((resolve) => setTimeout(resolve, 50));
      const asked = ines.call('POST', route, bytes);
      expect((await ines.call('GET', '/api/health')).status).toBe(200);
      const answer = await asked;
      expect([200, 422]).toContain(answer.status);
      if (answer.status === 422) expect(((await answer.json()) as { detail: string }).detail).toMatch(/\.$/);
    },
    60_000,
  );

  test('a process over its bounds ends alone; the next file is read by another', async () => {
    const program = pathToFileURL(path.join(__dirname, '../src/jobs/reader.mjs'));
    const within = { seconds: 20, megabytes: 400 };
    const others = { readWork: within, readActivity: within, readFeedPage: within };
    const bounds = { readRoster: within, readParticipants: within, readArchive: within, ...others };
    const few = new Readers(program, { ...bounds, readDaysOff: { seconds: -1, megabytes: 400 } });
    const small = new Readers(program, { ...bounds, readDaysOff: { seconds: 20, megabytes: 1 } });
    const whole = new Readers(program);
    const bytes = strToU8(calendar('FREQ=WEEKLY;COUNT=2'));
    await expect(few.run('readDaysOff', { bytes })).rejects.toThrow('took too long');
    await expect(small.run('readDaysOff', { bytes })).rejects.toThrow('too much memory');
    const all = await Promise.all([1, 2, 3].map(() => whole.run('readDaysOff', { bytes })));
    expect(all.map((read) => ('days' in read ? read.days.length : 0))).toEqual([2, 2, 2]);
    for (const readers of [few, small, whole]) readers.close();
  });
});
