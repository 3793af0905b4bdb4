import { unzipSync } from 'fflate';
import { writeArchive } from '@slate-path/core/keeping/archive/writeArchive';
import type { ClassGlance } from '@slate-path/core/watch/signals/glance';
import type { WatchPreview } from '@slate-path/core/watch/signals/preview';
import type { SectionWatch } from '@slate-path/core/watch/signals/watchReading';
import { classArchive, draw } from '../../core/test/signals/classes';
import { change as changeAt, signedIn, startServer, type Caller, type TestServer } from './server';
import { send } from './smallClass';

const zone = 'Europe/Dublin';
/** Seventy lessons from 24 August; one who misses every other lesson since the 45th, the rest as usual. */
const archive = classArchive({
  lessons: 66,
  students: 16,
  startsOn: '2026-08-24',
  how: (i, lesson) => ({
    away: i === 4 && lesson >= 45 ? lesson % 2 === 1 : draw(i, lesson, 1) < 0.03,
    spoke: Math.floor(draw(i, lesson, 2) * 3),
    level: 1 + (i % 3),
  }),
});
const lastDay = archive.lessons.at(-1)?.starts_at.slice(0, 10) ?? '';

/** A change made after the archive was brought: an earlier one would not decide. */
const change = (kind: string, payload: unknown) => ({
  ...changeAt(kind, payload),
  madeAt: `${lastDay}T23:00:00.000Z`,
});

let server: TestServer;
let ines: Caller;

beforeAll(async () => {
  server = await startServer({ now: `${lastDay}T16:00:00Z`, runs: true });
  ines = await signedIn(server.address);
  const brought = await ines.call('POST', '/api/archive', writeArchive(archive, zone));
  expect(await brought.json()).toMatchObject({ records: expect.any(Number) as number });
});
afterAll(() => server.stop());

async function json<T>(path: string, body?: unknown): Promise<T> {
  const response = await (body === undefined ? ines.call('GET', path) : ines.call('POST', path, body));
  if (!response.ok) throw new Error(await response.text());
  return (await response.json()) as T;
}

interface WatchAnswer {
  sections: SectionWatch[];
  step: { id: string }[];
  quiet: { concern: string }[];
}
const concernsNow = async () =>
  (await json<WatchAnswer>('/api/watch')).sections[0]?.items.filter(
    ({ concern }) => concern !== 'over_a_line',
  ) ?? [];

test('an archive is read before it is brought, brought once, and comes out the same', async () => {
  const reading = await json<{ counts: { file: string; rows: number }[]; errors: string[] }>(
    '/api/archive-reading',
    writeArchive(archive, zone),
  );
  expect(reading.errors).toEqual([]);
  expect(reading.counts).toContainEqual({ file: 'lessons.csv', rows: 66 });
  const out = async () =>
    unzipSync(new Uint8Array(await (await ines.call('GET', '/api/archive')).arrayBuffer()));
  const first = await out();
  await ines.call('POST', '/api/archive', writeArchive(archive, zone));
  const second = await out();
  expect(Object.keys(second).sort()).toEqual(Object.keys(first).sort());
  for (const [name, bytes] of Object.entries(first))
    expect([name, Buffer.compare(second[name] ?? new Uint8Array(), bytes)]).toEqual([name, 0]);
});

test.each([
  ['nothing', new Uint8Array(), /the file is empty/],
  ['half a zip', writeArchive(archive, zone).subarray(0, 3000), /damaged/],
  [
    'a lesson twice',
    writeArchive(
      { ...archive, lessons: [...archive.lessons, { ...archive.lessons[0]!, id: 'again' }] },
      zone,
    ),
    /lessons\.csv:68: is the lesson of line 2 again/,
  ],
])('%s is refused with the reason, and nothing is brought', async (_what, bytes, reason) => {
  const before = (await json<{ section: unknown[] }>('/api/setup')).section.length;
  const response = await ines.call('POST', '/api/archive', bytes);
  expect(response.status).toBe(422);
  expect(((await response.json()) as { detail: string }).detail).toMatch(reason);
  expect((await json<{ section: unknown[] }>('/api/setup')).section).toHaveLength(before);
});

test('the list names who changed, with proof, and hears of a new mark at once', async () => {
  const [item, ...others] = await concernsNow();
  expect(others).toEqual([]);
  expect(item).toMatchObject({ studentId: 'p4', concern: 'absent' });
  expect(item?.evidence[0]).toMatchObject({ stream: 'presence', kind: 'change' });
  expect(item?.evidence[0]?.points.at(-1)?.source).toBe('l65');
  const row = archive.lessons[65];
  const lesson = { id: 'l65', sectionId: 's', date: lastDay, startsAt: '10:40', endsAt: '11:30' };
  expect(row?.id).toBe('l65');
  await send(ines, [
    change('roll.mark', {
      lesson,
      marks: [{ studentId: 'p4', standingId: null, arrivedAt: null, leftAt: null }],
    }),
  ]);
  const [after] = await concernsNow();
  expect(after?.evidence[0]?.points.at(-1)?.value).toBe(0);
  expect(after?.strength).toBeLessThan(item?.strength ?? 0);
});

test('a step, putting aside and showing again are kept; what became of a step is told honestly', async () => {
  const about = { studentId: 'p4', sectionId: 's', concern: 'absent' as const };
  const at = new Date(Date.parse(`${lastDay}T15:00:00Z`)).toISOString();
  await send(ines, [
    change('step.take', { id: 'step-1', ...about, at, kind: 'Talk', text: '', lookAgainOn: null }),
    change('concern.quiet', { ...about, at, until: null, because: 'trip', strength: 0.7 }),
  ]);
  const kept = await json<WatchAnswer>('/api/watch');
  expect([kept.step.map(({ id }) => id), kept.quiet.map(({ concern }) => concern)]).toEqual([
    ['step-1'],
    ['absent'],
  ]);
  expect(kept.sections[0]?.outcomes['step-1']?.[0]).toMatchObject({
    stream: 'presence',
    verdict: 'too_few',
    seenAfter: 0,
  });
  await send(ines, [change('concern.show', about)]);
  expect((await json<WatchAnswer & { quiet: { removed: boolean }[] }>('/api/watch')).quiet[0]?.removed).toBe(
    true,
  );
});

test('a setting is tried before it is kept, and then decides', async () => {
  const setting = {
    sectionId: 's',
    streams: ['voice' as const],
    shares: [0.05, 0.1, 0.2],
    fewestTaken: 15,
    inARow: 3,
    missingOfFive: 3,
  };
  const all = await json<WatchPreview>('/api/sections/s/watch-preview', {
    ...setting,
    streams: ['presence', 'voice'],
  });
  expect(all.entries.filter(({ concern }) => concern === 'absent').map(({ studentId }) => studentId)).toEqual(
    ['p4'],
  );
  const few = await json<WatchPreview>('/api/sections/s/watch-preview', setting);
  expect(few.entries.filter(({ concern }) => concern === 'absent')).toEqual([]);
  expect(await concernsNow()).toHaveLength(1);
  await send(ines, [change('watchSetting.set', setting)]);
  expect(await concernsNow()).toEqual([]);
  await send(ines, [change('watchSetting.set', { ...setting, streams: ['presence', 'voice'] })]);
  expect(await concernsNow()).toHaveLength(1);
});

test('a class at a glance has everybody, who changed most first', async () => {
  const glance = await json<ClassGlance>('/api/sections/s/glance');
  expect(glance.students).toHaveLength(16);
  expect(glance.students[0]).toMatchObject({ studentId: 'p4', stream: 'presence', concern: 'absent' });
  expect(glance.students[0]?.missed).toHaveLength(glance.lessons.length);
});
