import type { Game, GamePoint, RoomTone } from '@slate-path/core/records/schema';
import { pointsOf, scoresOf } from '@slate-path/core/observation/sides/scores';
import { change, signedIn, startServer, type Caller, type TestServer } from './server';
import { ask, makeClass, send } from './smallClass';

const now = '2026-11-23T10:44:00Z';
const section = '01M9000000000000000000SECT';
const [mei, jun] = ['01M900000000000000000STUDA', '01M900000000000000000STUDB'];
const lesson = {
  ...{ id: 'meeting.2026-11-23', sectionId: section, date: '2026-11-23' },
  ...{ startsAt: '10:40', endsAt: '11:30' },
};
const at = '2026-11-23T10:45:00.000Z';
const sides = [
  { name: 'Star', mark: 'star', studentIds: [mei] },
  { name: 'Ring', mark: 'ring', studentIds: [jun] },
  { name: 'Wave', mark: 'wave', studentIds: [] },
];
const game = { lesson, id: 'game', name: 'Knots', sides, formedBy: 'hand', seed: null, startedAt: at };
const given = {
  ...{ id: 'no', lessonId: lesson.id, gameId: 'game', side: 0, studentId: null, amount: 1, round: 1, at },
};
const point = (id: string, side: number, amount: number, studentId: string | null = null) =>
  change('gamePoint.give', { ...given, id, side, amount, studentId });

let old: TestServer;
let fresh: TestServer;
let ines: Caller;
let there: Caller;

beforeAll(async () => {
  [old, fresh] = await Promise.all([startServer({ now, runs: true }), startServer({ now, runs: true })]);
  ines = await signedIn(old.address);
  there = await signedIn(fresh.address);
  await makeClass(ines, section, { [mei]: 'Mei', [jun]: 'Jun' });
});
afterAll(() => Promise.all([old.stop(), fresh.stop()]));

interface Played {
  game: Game[];
  gamePoint: GamePoint[];
  roomTone: RoomTone[];
}

const played = (caller: Caller) =>
  ask<Played>(caller, `/api/sections/${section}/played?from=2026-11-01&to=2026-11-30`);

function standing({ game: [of], gamePoint }: Played): number[] {
  return of ? scoresOf(of, pointsOf(of.id, gamePoint)).map(({ points }) => points) : [];
}

test('a game in a lesson that nobody had written about; points, a correction on record, and one taken back', async () => {
  const mistaken = point('p3', 0, 5);
  await send(ines, [
    change('game.start', game),
    point('p1', 0, 2, mei),
    point('p2', 1, 3, jun),
    mistaken,
    change('undo', { changeId: mistaken.id }),
    change('gamePoint.correct', {
      ...{ id: 'p2', lessonId: lesson.id },
      corrections: [{ side: 2, amount: -1, at }],
    }),
  ]);
  const now_ = await played(ines);
  expect(standing(now_)).toEqual([2, 0, -1]);
  expect(now_.gamePoint.find(({ id }) => id === 'p2')).toMatchObject({
    ...{ side: 1, amount: 3, studentId: jun },
    corrections: [{ side: 2, amount: -1, at }],
  });
});

test('two devices that steer one game each decide their own thing', async () => {
  const clock = { lengthSeconds: 180, leftSeconds: 180, runningSince: at };
  const of = { id: 'game', lessonId: lesson.id };
  await send(ines, [change('game.set', { ...of, round: 2 }), change('game.set', { ...of, clock })]);
  expect((await played(ines)).game).toMatchObject([{ round: 2, clock, name: 'Knots', endedAt: null }]);
});

test.each([
  ['a single side', 'game.start', { ...game, id: 'no', sides: sides.slice(0, 1) }, 'at least two sides'],
  [
    'nine sides',
    'game.start',
    { ...game, id: 'no', sides: Array.from({ length: 9 }, () => sides[0]) },
    'At most eight sides',
  ],
  ['half a point', 'gamePoint.give', { ...given, amount: 0.5 }, 'int'],
  ['a point of no game', 'gamePoint.give', { ...given, gameId: 'none' }, ''],
  ['a tone beyond far up', 'roomTone.set', { lesson, id: 'no', at, level: 3 }, ''],
])('%s is refused, and nothing changes', async (_what, kind, payload, reason) => {
  const before = await played(ines);
  const response = await ines.call('POST', '/api/changes', { changes: [change(kind, payload)] });
  const said = await response.text();
  expect(said).toContain('"outcome":"refused"');
  expect(said).toContain(reason);
  expect(await played(ines)).toEqual(before);
});

test('the tone is kept with its course, and both come along with a day and a student’s path', async () => {
  await send(ines, [
    change('roomTone.set', { lesson, id: 't1', at, level: -2 }),
    change('roomTone.set', { lesson, id: 't2', at: '2026-11-23T11:00:00.000Z', level: 1 }),
    change('roomTone.set', { lesson, id: 't3', at: '2026-11-23T11:01:00.000Z', level: 2 }),
    change('roomTone.remove', { id: 't3', lessonId: lesson.id, removed: true }),
  ]);
  const day = await ask<Played>(ines, '/api/days/2026-11-23');
  expect(day.roomTone.filter(({ removed }) => !removed).map(({ level }) => level)).toEqual([-2, 1]);
  expect(day.game).toHaveLength(1);
  const path = await ask<Played>(ines, `/api/students/${jun}/path`);
  expect(path.game.map(({ id }) => id)).toEqual(['game']);
  expect(path.gamePoint.map(({ id }) => id).sort()).toEqual(['p1', 'p2', 'p3']);
});

test('an archive brings games and tone into another place as they were; whoever is erased is in no side', async () => {
  const archive = await (await ines.call('GET', '/api/archive')).arrayBuffer();
  const response = await there.call('POST', '/api/archive', new Uint8Array(archive));
  expect(response.status).toBe(200);
  const [here, copied] = [await played(ines), await played(there)];
  expect(standing(copied)).toEqual(standing(here));
  expect(copied.game).toMatchObject([{ id: 'game', sides, round: 2 }]);
  expect(copied.roomTone.map(({ id }) => id).sort()).toEqual(['t1', 't2']);
  const erased = await there.call('POST', `/api/students/${mei}/erasure`, { name: 'Mei Tanaka' });
  expect(erased.status).toBe(200);
  const after = await played(there);
  expect(JSON.stringify(after)).not.toContain(mei);
  expect(after.game[0]?.sides.map(({ studentIds }) => studentIds)).toEqual([[], [jun], []]);
});
