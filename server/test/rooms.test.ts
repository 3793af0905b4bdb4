import { strFromU8, unzipSync } from 'fflate';
import type { RoomPlan, Seating, SeatWish } from '@slate-path/core/records/schema';
import { change, signedIn, startServer, type Caller, type TestServer } from './server';
import { makeClass, send } from './smallClass';

const now = '2026-11-23T10:44:00Z';
const section = '01M8000000000000000000SECT';
const [mei, jun] = ['01M800000000000000000STUDA', '01M800000000000000000STUDB'];
const [left, right] = [
  { x: 10, y: 10 },
  { x: 11, y: 10 },
];
const plan = {
  id: 'plan',
  sectionId: section,
  name: 'Pairs',
  seats: [left, right],
  places: [
    { studentId: mei, ...left },
    { studentId: jun, ...right },
  ],
};
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

async function roomsOf(
  caller: Caller,
): Promise<{ roomPlan: RoomPlan[]; seating: Seating[]; seatWish: SeatWish[] }> {
  const response = await caller.call('GET', '/api/setup');
  return (await response.json()) as { roomPlan: RoomPlan[]; seating: Seating[]; seatWish: SeatWish[] };
}
const daysOf = ({ seating }: { seating: Seating[] }) =>
  seating.filter(({ removed }) => !removed).map(({ startsOn }) => startsOn);

test('a plan in use is how the class sits from that day on, and the last one is what a device is told', async () => {
  await send(ines, [
    change('room.set', { ...plan, startsOn: null }),
    change('room.set', { ...plan, startsOn: '2026-11-02' }),
  ]);
  const swapped = [
    { studentId: jun, ...left },
    { studentId: mei, ...right },
  ];
  const again = change('room.set', { ...plan, places: swapped, startsOn: '2026-11-16' });
  await send(ines, [again, again]);
  const rooms = await roomsOf(ines);
  expect(rooms.roomPlan).toMatchObject([{ ...plan, places: swapped, removed: false }]);
  expect(rooms.seating).toMatchObject([{ startsOn: '2026-11-16', roomPlanId: 'plan', places: swapped }]);
  await send(ines, [change('undo', { changeId: again.id })]);
  const before = await roomsOf(ines);
  expect(before.roomPlan[0]?.places).toEqual(plan.places);
  expect(daysOf(before)).toEqual(['2026-11-02']);
});

test.each([
  ['without a name', { name: ' ' }, 'A room plan needs a name'],
  [
    'with half a door',
    { furniture: [{ id: 'd', kind: 'door', x: 1, y: 1, wide: 0.5, deep: 1, turn: 0 }] },
    'expected int',
  ],
  ['with a seat outside', { seats: [{ x: 40, y: 0 }] }, 'Too big'],
  ['of no class', { sectionId: '01M8000000000000000000NONE' }, ''],
])('a plan %s is refused with the reason, and nothing changes', async (_what, fields, reason) => {
  const before = await roomsOf(ines);
  const response = await ines.call('POST', '/api/changes', {
    changes: [change('room.set', { ...plan, ...fields, startsOn: null })],
  });
  const { answers } = (await response.json()) as {
    answers: { outcome: string; reason: string; errors: { message: string }[] }[];
  };
  expect(answers[0]?.outcome).toBe('refused');
  expect([answers[0]?.reason, ...(answers[0]?.errors ?? []).map(({ message }) => message)].join()).toContain(
    reason,
  );
  expect(await roomsOf(ines)).toEqual(before);
});

const door = { id: 'door', kind: 'door', x: 3, y: 3, wide: 1, deep: 2, turn: 1 };

test('what is moved in a room is moved in the plans of both classes, and who sits there goes along', async () => {
  const [other, kim] = ['01M8000000000000000000OTHR', '01M800000000000000000STUDC'];
  await makeClass(ines, other, { [kim]: 'Kim' }, 'o');
  const shared = { ...plan, roomId: 'room' };
  const elsewhere = { ...shared, id: 'elsewhere', sectionId: other, places: [{ studentId: kim, ...left }] };
  await send(ines, [
    change('room.set', { ...shared, startsOn: null }),
    change('room.set', { ...elsewhere, startsOn: '2026-11-16' }),
  ]);
  const to = { x: 20, y: 10 };
  const arranged = change('room.arrange', {
    seats: [{ ...to, turn: 1 }, right],
    furniture: [door],
    plans: [
      { id: 'plan', sectionId: section, places: [{ studentId: mei, ...to }], startsOn: null },
      { id: 'elsewhere', sectionId: other, places: [{ studentId: kim, ...to }], startsOn: '2026-11-23' },
    ],
  });
  await send(ines, [arranged]);
  const after = await roomsOf(ines);
  for (const one of after.roomPlan)
    expect(one).toMatchObject({ seats: [{ ...to, turn: 1 }, right], furniture: [door], roomId: 'room' });
  expect(after.seating.find(({ sectionId }) => sectionId === other)).toMatchObject({
    startsOn: '2026-11-23',
    places: [{ studentId: kim, ...to }],
  });
  await send(ines, [change('undo', { changeId: arranged.id })]);
  const back = await roomsOf(ines);
  expect(back.roomPlan.map(({ seats, furniture }) => [seats, furniture])).toEqual([
    [plan.seats, []],
    [plan.seats, []],
  ]);
  // What an application from before does not say of a room stays.
  await send(ines, [change('room.set', { ...plan, furniture: [door], startsOn: null })]);
  await send(ines, [change('room.set', { ...plan, startsOn: null })]);
  expect((await roomsOf(ines)).roomPlan.find(({ id }) => id === 'plan')?.furniture).toEqual([door]);
});

test('a wish is about as many as it needs; it comes along in an archive, and goes with whom it is about', async () => {
  const wish = { id: 'w1', sectionId: section, kind: 'apart', studentIds: [mei, jun], seats: [] };
  await send(ines, [
    change('seatWish.set', wish),
    change('seatWish.set', { ...wish, id: 'w2', kind: 'notThere', studentIds: [jun], seats: [left] }),
    change('seatWish.set', { ...wish, id: 'w3', kind: 'front', studentIds: [mei] }),
    change('seatWish.remove', { id: 'w3', sectionId: section, removed: true }),
  ]);
  const response = await ines.call('POST', '/api/changes', {
    changes: [change('seatWish.set', { ...wish, id: 'w4', studentIds: [mei, mei] })],
  });
  expect(await response.text()).toContain('Apart and together are about two students');
});

test('an archive takes plans and all seatings along; another place has the same, and exports the same', async () => {
  await send(ines, [change('room.set', { ...plan, name: 'In pairs', startsOn: '2026-11-18' })]);
  const archiveOf = async (caller: Caller) =>
    new Uint8Array(await (await caller.call('GET', '/api/archive')).arrayBuffer());
  const archive = await archiveOf(ines);
  expect((await there.call('POST', '/api/archive', archive)).status).toBe(200);
  const brought = await roomsOf(there);
  expect(brought.roomPlan).toEqual((await roomsOf(ines)).roomPlan);
  expect(brought.seatWish).toEqual((await roomsOf(ines)).seatWish.filter(({ removed }) => !removed));
  expect(brought.seatWish).toHaveLength(2);
  expect(daysOf(brought).sort()).toEqual(['2026-11-16', '2026-11-18']);
  // The earlier seating came along as well, though a device is told of the last alone.
  const moreOf = (zip: Uint8Array) => strFromU8(unzipSync(zip)['more.csv'] ?? new Uint8Array());
  expect(moreOf(archive).match(/^seating,/gm)).toHaveLength(3);
  expect(moreOf(await archiveOf(there))).toBe(moreOf(archive));
});

test('whoever is erased leaves a free seat, in the plan and in every seating', async () => {
  const erased = await ines.call('POST', `/api/students/${mei}/erasure`, { name: 'Mei Tanaka' });
  expect(erased.status).toBe(200);
  const { roomPlan, seating, seatWish } = await roomsOf(ines);
  expect(JSON.stringify(seatWish)).not.toContain(mei);
  expect(roomPlan.find(({ id }) => id === 'plan')).toMatchObject({
    seats: [left, right],
    places: [{ studentId: jun, ...right }],
  });
  expect(JSON.stringify(seating)).not.toContain(mei);
});
