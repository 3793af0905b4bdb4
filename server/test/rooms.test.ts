import { strFromU8, unzipSync } from 'fflate';
import type { RoomPlan, Seating } from '@slate-path/core/records/schema';
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

async function roomsOf(caller: Caller): Promise<{ roomPlan: RoomPlan[]; seating: Seating[] }> {
  const response = await caller.call('GET', '/api/setup');
  return (await response.json()) as { roomPlan: RoomPlan[]; seating: Seating[] };
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
  ['without a seat', { seats: [] }, 'There is no seat in it'],
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

test('an archive takes plans and all seatings along; another place has the same, and exports the same', async () => {
  await send(ines, [change('room.set', { ...plan, name: 'In pairs', startsOn: '2026-11-18' })]);
  const archiveOf = async (caller: Caller) =>
    new Uint8Array(await (await caller.call('GET', '/api/archive')).arrayBuffer());
  const archive = await archiveOf(ines);
  expect((await there.call('POST', '/api/archive', archive)).status).toBe(200);
  const brought = await roomsOf(there);
  expect(brought.roomPlan).toEqual((await roomsOf(ines)).roomPlan);
  expect(daysOf(brought)).toEqual(['2026-11-18']);
  // The earlier seating came along as well, though a device is told of the last alone.
  const moreOf = (zip: Uint8Array) => strFromU8(unzipSync(zip)['more.csv'] ?? new Uint8Array());
  expect(moreOf(archive).match(/^seating,/gm)).toHaveLength(2);
  expect(moreOf(await archiveOf(there))).toBe(moreOf(archive));
});

test('whoever is erased leaves a free seat, in the plan and in every seating', async () => {
  const erased = await ines.call('POST', `/api/students/${mei}/erasure`, { name: 'Mei Tanaka' });
  expect(erased.status).toBe(200);
  const { roomPlan, seating } = await roomsOf(ines);
  expect(roomPlan[0]).toMatchObject({ seats: [left, right], places: [{ studentId: jun, ...right }] });
  expect(JSON.stringify(seating)).not.toContain(mei);
});
