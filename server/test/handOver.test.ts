import { execFileSync } from 'node:child_process';
import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import type { AnswerOf } from '@slate-path/core/api/contract';
import { readArchive } from '@slate-path/core/keeping/archive/readArchive';
import { invited } from './colleagues';
import { change, signedIn, startServer, type Caller, type TestServer } from './server';
import { makeClass, send } from './smallClass';

const lesson = { id: 'boats1', sectionId: 'boats', date: '2026-11-23', startsAt: '10:40', endsAt: '11:30' };
const at = '2026-11-23T10:55:00.000Z';
let server: TestServer;
let elsewhere: TestServer;
let ines: Caller;
let lookForId = '';

const noteOn = (id: string, text: string, studentIds: string[], own = false) =>
  change('note.write', {
    ...{ id, text, own, at, happenedAt: null, lesson, sectionId: 'boats', place: '', doubts: [] },
    ...{ students: studentIds.map((studentId) => ({ studentId, spans: [] })), topics: [], lookAgainOn: null },
  });
const bytesOf = async (answer: Response) => {
  expect(answer.status).toBe(200);
  return new Uint8Array(await answer.arrayBuffer());
};

beforeAll(async () => {
  server = await startServer({ now: '2026-11-23T12:00:00Z' });
  ines = await signedIn(server.address);
  elsewhere = await startServer({ now: '2026-11-23T12:00:00Z' });
  await makeClass(ines, 'boats', { ann: 'Annika', bo: 'Bogdan' });
  await makeClass(ines, 'knots', { kit: 'Kittiwake' }, 'k');
  const setup = (await (await ines.call('GET', '/api/setup')).json()) as AnswerOf<'setup'>;
  lookForId = setup.lookFor[0]!.id;
  const away = setup.standing.find(({ countsAs, excused }) => countsAs === 'away' && !excused)!.id;
  await send(ines, [
    change('roll.mark', {
      lesson,
      marks: [{ studentId: 'bo', standingId: away, arrivedAt: null, leftAt: null }],
      takenAt: '2026-11-23T10:41:00.000Z',
    }),
    change('tally.add', {
      lesson,
      tallies: [{ id: 't', studentId: 'ann', lookForId, at, amount: 2, circleId: null }],
    }),
    noteOn('noteShared', 'Annika showed Kittiwake the knot.', ['ann', 'kit']),
    noteOn('noteOwn', 'Only for me: tired.', ['ann'], true),
  ]);
});
afterAll(async () => {
  await server.stop();
  await elsewhere.stop();
});

test('a class is handed over with all that was recorded of it, and nothing of one’s own or of other classes', async () => {
  const archive = await bytesOf(await ines.call('GET', '/api/archive?sectionId=boats'));
  const text = JSON.stringify(readArchive(archive));
  expect(text).toContain('Annika showed Kittiwake the knot.');
  expect(text).not.toMatch(/Only for me|knots|"kit"/);

  const keeper = await signedIn(elsewhere.address);
  await send(keeper, [
    change('term.set', { id: 'ours', name: 'Autumn', startsOn: '2026-11-02', endsOn: '2026-12-04' }),
  ]);
  const noor = await invited(elsewhere, keeper, { name: 'Noor Abadi', role: 'teacher', sectionId: null });
  const brought = await noor.call('POST', '/api/archive', archive);
  expect([brought.status, await brought.text()]).toEqual([200, expect.stringContaining('records')]);
  const setup = (await (await noor.call('GET', '/api/setup')).json()) as AnswerOf<'setup'>;
  expect(setup.section.map(({ id }) => id)).toEqual(['boats']);
  expect(setup.student.map(({ id }) => id).sort()).toEqual(['ann', 'bo']);
  const path = (await (await noor.call('GET', '/api/students/bo/path')).json()) as AnswerOf<'studentPath'>;
  expect(path.mark).toHaveLength(1);
  const roll = async (caller: Caller) =>
    (await caller.call('GET', '/api/sections/boats/roll?from=2026-11-02&to=2026-11-30')).text();
  expect(await roll(noor)).toBe(await roll(ines));
});

test('a colleague of the same school who was not given the class brings nothing in, and is told', async () => {
  const bela = await invited(server, ines, { name: 'Bela Roth', role: 'teacher', sectionId: null });
  const archive = await bytesOf(await ines.call('GET', '/api/archive?sectionId=boats'));
  const answer = await bela.call('POST', '/api/archive', archive);
  expect([answer.status, (await answer.json()) as object]).toEqual([
    409,
    expect.objectContaining({ detail: expect.stringContaining('Boats is on this server already') as string }),
  ]);
  expect((await bela.call('GET', '/api/archive?sectionId=boats')).status).toBe(404);
});

test('a workbook has a sheet a subject, days that are days and numbers that are numbers, as another program reads it', async () => {
  const book = await bytesOf(await ines.call('GET', '/api/workbook?from=2026-11-02&to=2026-11-30'));
  const file = path.join(fs.mkdtempSync(path.join(os.tmpdir(), 'book-')), 'book.xlsx');
  fs.writeFileSync(file, book);
  const script = `import openpyxl, json, sys
book = openpyxl.load_workbook(sys.argv[1])
print(json.dumps({s.title: {"rows": [[[type(c.value).__name__, str(c.value)] for c in row] for row in s.iter_rows()], "frozen": s.freeze_panes} for s in book}))`;
  type Sheet = { rows: [type: string, value: string][][]; frozen: string };
  const sheets = JSON.parse(
    execFileSync('/usr/bin/python3', ['-c', script, file], { encoding: 'utf8' }),
  ) as Record<string, Sheet>;
  expect(Object.keys(sheets)).toEqual([
    ...['Attendance', 'Totals', 'Counts', 'Engagement', 'Work', 'Contact', 'Definitions'],
  ]);
  for (const { frozen } of Object.values(sheets)) expect(frozen).toBe('B2');
  expect(sheets['Attendance']!.rows[2]).toEqual([
    ['datetime', '2026-11-23 00:00:00'],
    ['str', '10:40'],
    ['str', 'Boats'],
    ['str', 'Bogdan Tanaka'],
    ['str', 'Away'],
    ...['1', '0', '0', '0'].map((value) => ['int', value]),
  ]);
  expect(sheets['Totals']!.rows.map((row) => row[0]![1])).toEqual([
    ...['Student', 'Annika Tanaka', 'Bogdan Tanaka', 'Kittiwake Tanaka'],
  ]);
  expect(sheets['Counts']!.rows[1]!.slice(0, 4).map(([, value]) => value)).toEqual([
    ...['Annika Tanaka', 'Boats', expect.any(String), '2'],
  ]);
  expect(JSON.stringify(sheets)).not.toContain('Only for me');
  const one = await bytesOf(
    await ines.call('GET', '/api/workbook?from=2026-11-02&to=2026-11-30&sectionId=boats'),
  );
  expect(one.length).toBeLessThan(book.length);
  expect((await ines.call('GET', '/api/workbook?from=2026-11-02&to=2026-11-30&sectionId=none')).status).toBe(
    404,
  );
});
