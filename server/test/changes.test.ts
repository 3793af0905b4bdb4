import { spawnSync } from 'node:child_process';
import fs from 'node:fs';
import path from 'node:path';
import { ulid } from 'ulid';
import type { ChangeAnswer } from '@slate-path/core/changes/schema';
import type { Lesson, Mark, Section, Standing, Student } from '@slate-path/core/records/schema';
import { signedIn, startServer, type Caller, type TestServer } from './server';

let server: TestServer;
let ines: Caller;
let standings: Record<string, string>;
const sectionId = ulid();
const [dario, mei] = [ulid(), ulid()] as [string, string];
const lesson = { id: 'm.2026-11-23', sectionId, date: '2026-11-23', startsAt: '10:40', endsAt: '11:30' };

interface Day {
  lesson: Lesson[];
  mark: Mark[];
}
type Setup = { section: Section[]; student: Student[]; standing: Standing[] };

let seconds = 0;
/** A change a second after the last, on a device. */
function change<P>(kind: string, payload: P, over: { id?: string; madeAt?: string; device?: string } = {}) {
  seconds += 1;
  return {
    id: ulid(),
    kind,
    payload,
    madeAt: new Date(Date.UTC(2026, 10, 23, 10, 41, seconds)).toISOString(),
    device: 'phone',
    ...over,
  };
}

async function send(...changes: unknown[]): Promise<ChangeAnswer[]> {
  const response = await ines.call('POST', '/api/changes', { changes });
  expect(response.status).toBe(200);
  return ((await response.json()) as { answers: ChangeAnswer[] }).answers;
}

const mark = (studentId: string, code: string | null, arrivedAt: string | null = null) =>
  [
    'roll.mark',
    { lesson, marks: [{ studentId, standingId: code && standings[code]!, arrivedAt, leftAt: null }] },
  ] as const;
const setup = async () => (await (await ines.call('GET', '/api/setup')).json()) as Setup;
const day = async () => (await (await ines.call('GET', '/api/days/2026-11-23')).json()) as Day;
const codeOf = async (studentId: string) => {
  const found = (await day()).mark.find((m) => m.studentId === studentId)?.standingId;
  return Object.entries(standings).find(([, id]) => id === found)?.[0] ?? null;
};
const person = (givenName: string) => ({
  givenName,
  familyName: '',
  called: '',
  email: '',
  grade: '',
  schoolId: '',
});

beforeAll(async () => {
  server = await startServer({ now: '2026-11-23T12:00:00Z' });
  ines = await signedIn(server.address);
  standings = Object.fromEntries((await setup()).standing.map(({ code, id }) => [code, id]));
  const answers = await send(
    change('section.set', { id: sectionId, name: 'Boat Workshop', subject: '', room: '' }),
    change('student.set', { id: dario, student: person('Dario'), guardians: [] }),
    change('student.set', { id: mei, student: person('Mei'), guardians: [] }),
  );
  expect(answers.map(({ outcome, overruled }) => [outcome, overruled])).toEqual([
    ['applied', []],
    ['applied', []],
    ['applied', []],
  ]);
});
afterAll(() => server.stop());

test('a new teacher has a school and the standings that ship', () => {
  expect(Object.keys(standings)).toEqual(['H', 'L', 'E', 'A', 'X', 'S']);
});

test('marking makes the lesson, takes the roll, and the same batch twice changes nothing', async () => {
  const [kind, payload] = mark(dario, 'A');
  const first = change(kind, { ...payload, takenAt: '2026-11-23T10:41:00.000Z' });
  const once = await send(first);
  const before = await day();
  const twice = await send(first);
  expect(twice).toEqual(once);
  expect(await day()).toEqual(before);
  expect(before.lesson).toMatchObject([
    { id: lesson.id, takenAt: '2026-11-23T10:41:00.000Z', setAside: false },
  ]);
  expect(before.mark).toMatchObject([{ studentId: dario, standingId: standings['A'] }]);
  const { lines } = (await (await ines.call('GET', `/api/lessons/${lesson.id}/history`)).json()) as {
    lines: unknown[];
  };
  expect(lines).toHaveLength(1);
});

test('taking back twice goes two steps back, and the history says so', async () => {
  const changes = [change(...mark(mei, 'A')), change(...mark(mei, 'L', '10:48'))];
  await send(...changes);
  expect(await codeOf(mei)).toBe('L');
  await send(change('undo', { changeId: changes[1]!.id }));
  expect([await codeOf(mei), (await day()).mark.find((m) => m.studentId === mei)?.arrivedAt]).toEqual([
    'A',
    null,
  ]);
  await send(change('undo', { changeId: changes[0]!.id }));
  expect(await codeOf(mei)).toBeNull();
  const { lines } = (await (await ines.call('GET', `/api/lessons/${lesson.id}/history`)).json()) as {
    lines: { kind: string }[];
  };
  expect(lines.slice(0, 4).map(({ kind }) => kind)).toEqual(['undo', 'undo', 'roll.mark', 'roll.mark']);
});

test('taking back for one of two students leaves the other, who is taken back by another step', async () => {
  const [kind, { lesson: of, marks }] = mark(mei, 'A');
  const both = change(kind, { lesson: of, marks: [...marks, { ...marks[0], studentId: dario }] });
  const before = [await codeOf(mei), await codeOf(dario)];
  await send(both);
  expect([await codeOf(mei), await codeOf(dario)]).toEqual(['A', 'A']);
  const idOf = async (studentId: string) => (await day()).mark.find((m) => m.studentId === studentId)!.id;
  await send(change('undo', { changeId: both.id, recordIds: [await idOf(mei)] }));
  expect([await codeOf(mei), await codeOf(dario)]).toEqual([before[0], 'A']);
  await send(change('undo', { changeId: both.id, recordIds: [await idOf(dario)] }));
  expect([await codeOf(mei), await codeOf(dario)]).toEqual(before);
});

test('taking back what was added removes it, and a removed record is kept', async () => {
  const added = change('dayOff.add', {
    days: [{ id: ulid(), name: 'Storm', startsOn: '2026-11-25', endsOn: '2026-11-25' }],
  });
  await send(added);
  await send(change('undo', { changeId: added.id }));
  const { dayOff } = (await (await ines.call('GET', '/api/setup')).json()) as {
    dayOff: { name: string; removed: boolean }[];
  };
  expect(dayOff).toMatchObject([{ name: 'Storm', removed: true }]);
});

test('of two devices the later word counts, however late it arrives', async () => {
  const early = change(...mark(dario, 'L', '10:45'), { device: 'phone' });
  const late = change(...mark(dario, 'X'), { device: 'tablet' });
  expect((await send(late))[0]?.overruled).toEqual([]);
  const [overruled] = await send(early);
  expect(overruled).toMatchObject({
    outcome: 'applied',
    overruled: [{ table: 'mark', fields: expect.arrayContaining(['standingId', 'arrivedAt']) }],
  });
  expect(await codeOf(dario)).toBe('X');
  // Taking back the overruled one changes nothing; taking back the other does.
  await send(change('undo', { changeId: early.id }));
  expect(await codeOf(dario)).toBe('X');
});

test('a device corrects its own word also after its clock stepped back, and can take both back', async () => {
  const at = (time: string, device: string) => ({ madeAt: `2026-11-23T${time}.000Z`, device });
  const first = change(...mark(dario, 'A'), at('11:50:00', 'laptop'));
  const correction = change(...mark(dario, 'L', '10:50'), at('11:49:57', 'laptop'));
  await send(first);
  expect(await send(correction)).toMatchObject([{ outcome: 'applied', overruled: [] }]);
  expect(await codeOf(dario)).toBe('L');
  // What another device said between the two is no reason to take this one for the later.
  const between = change(...mark(dario, 'X'), at('11:49:59', 'watch'));
  expect((await send(between))[0]?.overruled).toHaveLength(1);
  await send(change('undo', { changeId: correction.id }, at('11:49:50', 'laptop')));
  expect(await codeOf(dario)).toBe('A');
  await send(change('undo', { changeId: first.id }, at('11:49:40', 'laptop')));
  expect(await codeOf(dario)).toBe('X');
});

test('a clock that runs ahead does not win for ever', async () => {
  await send(change(...mark(dario, 'A'), { madeAt: '2099-01-01T00:00:00.000Z', device: 'tablet' }));
  // The server's clock stands still here, so the later of the two is the one made later: its id tells.
  await send(change(...mark(dario, 'L', '10:50'), { madeAt: '2026-11-23T12:00:00.000Z' }));
  expect(await codeOf(dario)).toBe('L');
});

test.each([
  ['no kind', () => ({ ...change('x', {}), kind: undefined }), 'kind'],
  ['an unknown kind', () => change('roll.erase', {}), 'kind'],
  ['an id that is no ULID', () => change(...mark(dario, 'A'), { id: 'one' }), 'id'],
  ['a time that is none', () => change(...mark(dario, 'A', '25:00')), 'payload.marks.0.arrivedAt'],
  ['a field too many', () => change('undo', { changeId: ulid(), force: true }), 'payload'],
  [
    'a term that ends before it begins',
    () => change('term.set', { id: ulid(), name: 'T', startsOn: '2026-12-01', endsOn: '2026-11-01' }),
    'payload.endsOn',
  ],
  [
    'a comment that is too long',
    () => change('roll.comment', { lesson, studentId: dario, comment: 'x'.repeat(501) }),
    'payload.comment',
  ],
])('a malformed change (%s) is refused by itself; the others apply', async (_what, bad, field) => {
  const good = change('section.set', { id: ulid(), name: `Good ${seconds}`, subject: '', room: '' });
  const [refused, applied] = await send(bad(), good);
  expect(refused).toMatchObject({
    outcome: 'refused',
    errors: expect.arrayContaining([expect.objectContaining({ field })]),
  });
  expect(applied?.outcome).toBe('applied');
  expect((await setup()).section.map(({ name }) => name)).toContain(good.payload.name);
});

test.each([
  ['a mark for nobody', () => change(...mark(ulid(), 'A')), /student that is not here/],
  ['a class that never was', () => change('section.remove', { id: ulid() }), /no section/],
  ['taking back what never arrived', () => change('undo', { changeId: ulid() }), /nothing to take back/],
])('%s is refused with the reason, and leaves nothing behind', async (_what, bad, reason) => {
  const before = [await setup(), await day()];
  const [answer] = await send(bad());
  expect(answer).toMatchObject({ outcome: 'refused', reason: expect.stringMatching(reason) });
  expect([await setup(), await day()]).toEqual(before);
});

test('views say "not changed" until something changes', async () => {
  const first = await ines.call('GET', '/api/setup');
  const etag = first.headers.get('etag')!;
  const again = () => ines.call('GET', '/api/setup', undefined, { 'if-none-match': etag });
  expect((await again()).status).toBe(304);
  await send(change('section.set', { id: sectionId, name: 'Boat Workshop 2', subject: '', room: '' }));
  expect((await again()).status).toBe(200);
});

test('a month as CSV: codes with times, not taken said, totals', async () => {
  await send(
    change('term.set', { id: ulid(), name: 'T', startsOn: '2026-08-24', endsOn: '2026-12-04' }),
    change('meeting.add', {
      id: 'm',
      sectionId,
      weekday: 1,
      startsAt: '10:40',
      endsAt: '11:30',
      validFrom: null,
      validUntil: null,
    }),
    ...[dario, mei].map((studentId) =>
      change('enrolment.set', { id: ulid(), sectionId, studentId, cohort: '', startsOn: null, endsOn: null }),
    ),
    change(...mark(dario, 'L', '10:50'), { madeAt: '2026-11-23T12:00:00.000Z' }),
  );
  const range = 'from=2026-11-01&to=2026-11-30';
  const response = await ines.call('GET', `/api/sections/${sectionId}/roll?${range}`);
  const lines = (await response.text()).replace('\uFEFF', '').trim().split('\r\n');
  const totals = (line: string) => line.split(',').slice(7).join(',');
  expect(response.headers.get('content-type')).toContain('text/csv');
  expect(lines[0]).toMatch(/^Student,Cohort,2026-11-02 10:40,.*,Lessons,Taken,Not taken/);
  expect(lines[1]).toMatch(/^Dario,,not taken,not taken,not taken,L from 10:50,,/);
  expect(lines[2]).toMatch(/^Mei,,not taken,not taken,not taken,H,,/);
  // Lessons, taken, not taken, here, late, left early, away, excused, away by lates, set aside,
  // credit, percent, minutes missed, late, there, days.
  expect([lines[1]!, lines[2]!].map(totals)).toEqual([
    '4,1,3,0,1,0,0,0,0,0,1,100,10,10,40,1',
    '4,1,3,1,0,0,0,0,0,0,1,100,0,0,50,1',
  ]);
  // The totals of the screen are the same ones.
  const { rows } = (await (await ines.call('GET', `/api/totals?${range}`)).json()) as {
    rows: { studentId: string; totals: Record<string, number> }[];
  };
  expect(rows.find(({ studentId }) => studentId === dario)?.totals).toMatchObject({
    late: 1,
    minutesThere: 40,
  });
});

test('a workbook that an independent reader opens, a page to print, and a range that is refused', async () => {
  const file = path.join(server.folder, 'roll.xlsx');
  const ask = (query: string) => ines.call('GET', `/api/sections/${sectionId}/roll?${query}`);
  const xlsx = await ask('from=2026-11-01&to=2026-11-30&format=xlsx');
  fs.writeFileSync(file, Buffer.from(await xlsx.arrayBuffer()));
  const script = `import openpyxl, json, sys
sheet = openpyxl.load_workbook(sys.argv[1]).active
print(json.dumps([sheet.title] + [[c.value for c in row][:2] + [row[-1].value] for row in sheet.iter_rows()]))`;
  const read = spawnSync('/usr/bin/python3', ['-c', script, file], { encoding: 'utf8' });
  expect(read.status).toBe(0);
  expect(JSON.parse(read.stdout)).toEqual([
    'Boat Workshop 2',
    ['Student', 'Cohort', 'Days'],
    ['Dario', null, 1],
    ['Mei', null, 1],
  ]);
  const page = await (await ask('from=2026-11-01&to=2026-11-30&format=html')).text();
  expect(page).toContain('<td>L from 10:50</td>');
  expect((await ask('from=2026-11-30&to=2026-11-01')).status).toBe(400);
});

test('a stop on request is clean, and everything is there afterwards', async () => {
  const before = await day();
  expect(await server.stop('SIGTERM')).toBe(0);
  server = await startServer({ folder: server.folder, now: '2026-11-23T12:10:00Z' });
  ines = await signedIn(server.address, '/api/sign-in');
  expect(await day()).toEqual(before);
});
