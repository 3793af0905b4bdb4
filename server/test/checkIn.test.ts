import { callerOf, change, signedIn, startServer, type Caller, type TestServer } from './server';
import { makeClass, send } from './smallClass';

let server: TestServer;
let ines: Caller;
let token: string;
const section = '01M8000000000000000000SECT';
const ids = ['01M800000000000000000STUDA', '01M800000000000000000STUDB', '01M800000000000000000STUDC'];

beforeAll(async () => {
  // A Monday, four minutes into the lesson.
  server = await startServer({ now: '2026-11-23T10:44:00Z', runs: true });
  ines = await signedIn(server.address);
  await makeClass(
    ines,
    section,
    Object.fromEntries(ids.map((id, index) => [id, ['Mei', 'Jun', 'Ola'][index] ?? ''])),
  );
  token = await link();
});
afterAll(() => server.stop());

async function link(): Promise<string> {
  const made = await ines.call('POST', `/api/sections/${section}/check-in-links`);
  return ((await made.json()) as { token: string }).token;
}

const phone = () => callerOf(server.address);
const saying = (studentId = ids[0], fields: object = {}) => ({
  studentId,
  weather: 2,
  wantsWord: true,
  lunch: 'soup',
  comment: 'a <b>word</b>',
  device: 'phone-1',
  ...fields,
});
const say = (body: object, by = token) => phone().call('POST', `/api/check-in/${by}`, body);

async function day() {
  const response = await ines.call('GET', '/api/days/2026-11-23');
  return (await response.json()) as {
    checkIn: { studentId: string; weather: number; comment: string; lunch: string; sameDevice: boolean }[];
    otherCheckIn: { studentId: string; weather: number; device: string }[];
    mark: unknown[];
    lesson: { takenAt: string | null }[];
  };
}

test('a phone is told the class and names in short, and nothing of anybody', async () => {
  const door = (await (await phone().call('GET', `/api/check-in/${token}`)).json()) as object;
  expect(door).toEqual({
    className: 'Boats',
    open: true,
    startsAt: '10:40',
    closesAt: '11:10',
    opensAt: null,
    lunchChoices: [],
    students: [
      { id: ids[1], name: 'Jun T.' },
      { id: ids[0], name: 'Mei T.' },
      { id: ids[2], name: 'Ola T.' },
    ],
  });
});

test('checking in is kept as said, text is text, a lunch that is not offered is none; the roll is not taken by it', async () => {
  const answer = await say(saying());
  expect([answer.status, await answer.json()]).toEqual([
    200,
    { name: 'Mei T.', at: '10:44', late: false, again: false, shortened: false },
  ]);
  const { checkIn, lesson } = await day();
  expect(checkIn).toMatchObject([{ studentId: ids[0], weather: 2, comment: 'a <b>word</b>', lunch: '' }]);
  expect(lesson.map(({ takenAt }) => takenAt)).toEqual([null]);
});

test('somebody else from the same phone is marked; a long comment is shortened', async () => {
  const long = await say(saying(ids[1], { comment: 'x'.repeat(10_000) }));
  expect(await long.json()).toMatchObject({ shortened: true });
  const jun = async () => (await day()).checkIn.find(({ studentId }) => studentId === ids[1]);
  expect(await jun()).toMatchObject({ sameDevice: true, comment: 'x'.repeat(500) });
});

test('another device cannot write over a check-in: both are kept, and the mark stays as the first left it', async () => {
  const before = await day();
  const prank = await say(
    saying(ids[0], { weather: 5, wantsWord: false, comment: 'fine', device: 'phone-2' }),
  );
  expect(await prank.json()).toMatchObject({ again: true, late: false });
  const after = await day();
  const mei = ({ studentId }: { studentId: string }) => studentId === ids[0];
  expect(after.checkIn.find(mei)).toEqual(before.checkIn.find(mei));
  expect(after.checkIn.find(mei)).toMatchObject({ weather: 2, wantsWord: true });
  expect(after.otherCheckIn).toMatchObject([{ studentId: ids[0], weather: 5, device: 'phone-2' }]);
  expect(after.mark).toEqual(before.mark);
  // The same again, as when the answer was lost; then the phone that was first sets right what it said.
  await say(saying(ids[0], { weather: 5, wantsWord: false, comment: 'fine', device: 'phone-2' }));
  await say(saying(ids[0], { weather: 3 }));
  const last = await day();
  expect(last.otherCheckIn).toHaveLength(1);
  expect(last.checkIn.find(mei)).toMatchObject({ weather: 3, wantsWord: true });
});

test('of phones that say something for one student at the same moment one is the first, the others are beside it', async () => {
  const answers = await Promise.all(
    ['p1', 'p2', 'p3', 'p4'].map((device, index) => say(saying(ids[2], { device, weather: index + 1 }))),
  );
  const again = await Promise.all(
    answers.map(async (answer) => ((await answer.json()) as { again: boolean }).again),
  );
  expect(again.filter((other) => !other)).toHaveLength(1);
  const { checkIn, otherCheckIn } = await day();
  const said = [...checkIn, ...otherCheckIn].filter(({ studentId }) => studentId === ids[2]);
  expect(said.map(({ weather }) => weather).sort()).toEqual([1, 2, 3, 4]);
});

test('who is not in the class, and an answer that is none, are refused with a sentence', async () => {
  const stranger = await say(saying('nobody'));
  expect([stranger.status, ((await stranger.json()) as { detail: string }).detail]).toEqual([
    404,
    'This name is not in the class. Choose yours again.',
  ]);
  expect((await say(saying(ids[0], { weather: 9 }))).status).toBe(400);
});

test('a link that has ended and one that never was get the same answer, and many tries are slowed', async () => {
  const old = token;
  await ines.call('POST', `/api/sections/${section}/check-in-links/end`);
  const ended = await phone().call('GET', `/api/check-in/${old}`);
  const never = await phone().call('GET', '/api/check-in/never-was');
  expect([ended.status, await ended.text()]).toEqual([never.status, await never.text()]);
  const statuses = new Set<number>();
  for (let index = 0; index < 80; index += 1)
    statuses.add((await phone().call('GET', `/api/check-in/guess-${index}`)).status);
  expect([...statuses].sort()).toEqual([404, 429]);
  // A whole school has one address: who has the right link comes in all the same.
  token = await link();
  expect((await phone().call('GET', `/api/check-in/${token}`)).status).toBe(200);
});

test('a mark by the teacher’s hand stands, whatever is said; both are there to see', async () => {
  const lesson = {
    id: 'meeting.2026-11-23',
    sectionId: section,
    date: '2026-11-23',
    startsAt: '10:40',
    endsAt: '11:30',
  };
  const { standing } = (await (await ines.call('GET', '/api/setup')).json()) as {
    standing: { id: string; code: string }[];
  };
  const away = standing.find(({ code }) => code === 'A')?.id ?? '';
  const marks = [{ studentId: ids[1], standingId: away, arrivedAt: null, leftAt: null }];
  await send(ines, [change('roll.mark', { lesson, marks })]);
  expect((await say(saying(ids[1], { device: 'phone-late', comment: 'I am here!' }))).status).toBe(200);
  const { mark, otherCheckIn } = await day();
  expect(mark).toContainEqual(
    expect.objectContaining({ studentId: ids[1], standingId: away, source: 'tap' }),
  );
  expect(otherCheckIn).toContainEqual(expect.objectContaining({ studentId: ids[1], comment: 'I am here!' }));
});

test('one phone says so much for one student, and speaks for so many', async () => {
  const statuses: number[] = [];
  for (let again = 0; again < 12; again += 1)
    statuses.push((await say(saying(ids[0], { device: 'busy', comment: `word ${again}` }))).status);
  expect(statuses).toEqual([...Array<number>(10).fill(200), 429, 429]);
  const people = Object.fromEntries(
    Array.from({ length: 8 }, (_, index) => [`crowd${index}`, `Crowd${index}`]),
  );
  await send(
    ines,
    Object.entries(people).flatMap(([id, givenName], index) => [
      change('student.set', {
        id,
        student: { givenName, familyName: '', called: '', email: '', grade: '', schoolId: '' },
        guardians: [],
      }),
      change('enrolment.set', {
        id: `c${index}`,
        sectionId: section,
        studentId: id,
        cohort: '',
        startsOn: null,
        endsOn: null,
      }),
    ]),
  );
  const crowd = async (device: string) => {
    const answers: number[] = [];
    for (const id of Object.keys(people)) answers.push((await say(saying(id, { device }))).status);
    return answers;
  };
  expect(await crowd('one phone')).toEqual([...Array<number>(6).fill(200), 429, 429]);
  // The tablet at the door is everybody's.
  expect(await crowd('shared')).toEqual(Array<number>(8).fill(200));
});

test('the teacher’s page hears of what others write', async () => {
  const stream = await ines.call('GET', '/api/events');
  const reader = stream.body!.getReader();
  await reader.read();
  await send(ines, [change('section.set', { id: section, name: 'Boats and knots', subject: '', room: '' })]);
  const { value } = (await reader.read()) as { value: Uint8Array };
  expect(new TextDecoder().decode(value)).toContain('"device"');
  await reader.cancel();
});
