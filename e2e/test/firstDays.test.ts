import type { Browser, Page } from 'puppeteer-core';
import {
  control,
  exceptionsOf,
  openPage,
  openStudent,
  rollOf,
  saved,
  says,
  tap,
  textOf,
  type,
} from '../src/browser';
import { change, marksOn, meetingOn, send, type Classroom } from '../src/classroom';
import { closeSchool, openSchool, signIn } from '../src/school';
import type { RestartableServer } from '../src/server';

let server: RestartableServer;
let browser: Browser;
let page: Page;
let room: Classroom;

async function open(size: 'phone' | 'wide', now = '2026-11-23T10:42:00Z'): Promise<void> {
  ({ server, browser, page, room } = await openSchool(now, 6, size));
}

afterEach(async () => {
  await closeSchool({ server, browser });
});

const goTo = (where: string) => page.goto(`${server.address}${where}`);
const today = '2026-11-23';
const lessonOf = async (date: string, weekday: number) => `${await meetingOn(room, weekday)}.${date}`;
const standingId = (code: string) => room.standings.find((standing) => standing.code === code)?.id;

async function plan(...numbers: number[]): Promise<void> {
  const lesson = { id: await lessonOf(today, 1), sectionId: room.sectionId, date: today };
  const times = { startsAt: '10:40', endsAt: '11:30' };
  const marks = numbers.map((number) => ({
    ...{ studentId: room.studentIds[number - 1], standingId: standingId('X') },
    ...{ arrivedAt: null, leftAt: null },
  }));
  const lessons = [{ lesson: { ...lesson, ...times }, marks }];
  const answers = await send(room.client, [change('roll.range', { lessons })]);
  expect(answers[0]?.outcome).toBe('applied');
}

test('a planned absence shows before the roll is taken; a tap means what one sees; all others here leaves it', async () => {
  await open('phone');
  await plan(2, 4);
  await goTo('/');
  await says(page, 'planned');
  expect((await rollOf(page)).filter((row) => row.includes('planned'))).toEqual([
    'Pupil02 Brodie: planned: away, excused',
    'Pupil04 Demir: planned: away, excused',
  ]);
  // Pupil04 came after all: the row says away, and the tap here.
  expect(
    await (await control(page, 'Pupil04 Demir')).evaluate((row) => row.getAttribute('aria-label')),
  ).toContain('Tap: here');
  await tap(page, 'Pupil04 Demir');
  await saved(page);
  expect(await marksOn(room.client, today)).toContain('Pupil02 X');
  expect(await exceptionsOf(page)).toEqual(['Pupil02 Brodie: away, excused']);
});

test('all others here keeps what was planned', async () => {
  await open('phone');
  await plan(2);
  await goTo('/');
  await tap(page, 'All others here');
  await says(page, '5 of 6 there');
  await saved(page);
  expect(await marksOn(room.client, today)).toEqual(['Pupil02 X']);
});

test('what is marked in a lesson of a later day is planned: it takes no roll', async () => {
  await open('phone');
  const later = '2026-11-30';
  await goTo(`/lessons/${await lessonOf(later, 1)}`);
  await says(page, 'the roll is taken on the day');
  await tap(page, 'Pupil03');
  await says(page, 'Planned away: 1');
  expect((await rollOf(page)).filter((row) => row.includes('planned'))).toEqual([
    'Pupil03 Calloway: planned: away',
  ]);
  await saved(page);
  const { lesson } = await room.client.get<{ lesson: { takenAt: string | null }[] }>(`/api/days/${later}`);
  expect(lesson.map(({ takenAt }) => takenAt)).toEqual([null]);
  expect(await marksOn(room.client, later)).toEqual(['Pupil03 A']);
});

test('a comment is kept on Close; take back in a sheet is this student’s; an emptied arrival stays late', async () => {
  await open('phone');
  await tap(page, 'Pupil01 Abara');
  await openStudent(page, 'Pupil03');
  await tap(page, 'Late');
  await type(page, 'Comment', 'bus broke down');
  await tap(page, 'Close');
  await tap(page, 'Pupil05 Eklund');
  await saved(page);
  // The last change of the lesson is another student's: here it is not taken back.
  await openStudent(page, 'Pupil03');
  expect(await (await control(page, 'Comment')).evaluate((field) => (field as HTMLInputElement).value)).toBe(
    'bus broke down',
  );
  const arrived = (await control(page, 'Arrived at')) as unknown as { focus: () => Promise<void> };
  await arrived.focus();
  for (let key = 0; key < 5; key += 1) await page.keyboard.press('Backspace');
  // Whoever empties the field goes on typing in it.
  expect(await page.evaluate(() => document.activeElement?.tagName)).toBe('INPUT');
  await saved(page);
  expect(await marksOn(room.client, today)).toEqual(['Pupil01 A', 'Pupil03 L', 'Pupil05 A']);
  await page.keyboard.type('10:48');
  await saved(page);
  expect(await marksOn(room.client, today)).toContain('Pupil03 L 10:48');
  for (let back = 0; back < 3; back += 1) await tap(page, 'Take back');
  await saved(page);
  expect(await marksOn(room.client, today)).toEqual(
    expect.arrayContaining(['Pupil01 A', 'Pupil05 A']) as string[],
  );
  await tap(page, 'Close');
  expect(await textOf(page)).not.toContain('late, 0');
});

test('what is typed and left is there again, and a note that is left is saved', async () => {
  await open('wide');
  await goTo('/desk');
  await tap(page, 'Add a day off');
  await type(page, 'Name', 'Regatta');
  await tap(page, 'Close');
  await page.reload();
  await tap(page, 'Add a day off');
  expect(await (await control(page, 'Name')).evaluate((field) => (field as HTMLInputElement).value)).toBe(
    'Regatta',
  );
  await tap(page, 'Close');

  const note = { id: 'note', at: '2026-11-23T10:43:00.000Z', text: 'Pupil01 tired', lesson: null };
  const tied = { sectionId: null, own: false, lookAgainOn: null, place: '', happenedAt: null, doubts: [] };
  const answers = await send(room.client, [
    change('note.write', { ...note, ...tied, students: [], topics: [] }, '2026-11-23T10:43:00.000Z'),
  ]);
  expect(answers[0]).toMatchObject({ outcome: 'applied' });
  await goTo('/notes/note');
  await type(page, 'Your words', 'Pupil01 tired, slept little');
  await tap(page, 'Watch');
  await says(page, 'Who needs me');
  await saved(page);
  const { note: kept } = await room.client.get<{ note: { text: string }[] }>('/api/notes/recent');
  expect(kept.map(({ text }) => text)).toEqual(['Pupil01 tired, slept little']);
});

test('a timer that nobody stopped ends with the lesson, and asks; its time is set right by hand', async () => {
  await open('phone', '2026-11-25T10:45:00Z');
  const { lookFor } = await room.client.get<{ lookFor: { id: string; name: string; measure: string }[] }>(
    '/api/setup',
  );
  const timed = lookFor.find(({ measure }) => measure === 'seconds');
  const lesson = { id: await lessonOf(today, 1), sectionId: room.sectionId, date: today };
  const running = {
    ...{ id: 'running', studentId: room.studentIds[0], lookForId: timed?.id },
    ...{ at: '2026-11-23T11:10:00.000Z', amount: null, circleId: null },
  };
  const key = { ...lesson, startsAt: '10:40', endsAt: '11:30' };
  await send(room.client, [
    change('tally.add', { lesson: key, tallies: [running] }, '2026-11-23T11:10:00.000Z'),
  ]);
  await goTo(`/lessons/${encodeURIComponent(lesson.id)}?mode=tally`);
  await says(page, 'nobody stopped it, so it ended with the lesson after 20 min. Was it so long?');
  await tap(page, `${timed?.name ?? ''}, Pupil01 A.: it was shorter`);
  await type(page, `${timed?.name ?? ''}, Pupil01 A.`, '3 min 20 s');
  await tap(page, `Set ${timed?.name ?? ''}, Pupil01 A. right`);
  await saved(page);
  const { tally } = await room.client.get<{ tally: { amount: number }[] }>(`/api/days/${today}`);
  expect(tally.map(({ amount }) => amount)).toEqual([200]);
  expect(await textOf(page)).not.toContain('nobody stopped it');
});

test('without the server a file says so in place, and nothing is left; with it the file comes', async () => {
  await open('wide');
  await tap(page, 'All here');
  await saved(page);
  await goTo(`/totals?sectionId=${room.sectionId}`);
  await says(page, '1 of 1');
  await page.setOfflineMode(true);
  await tap(page, 'More: Boat Workshop');
  await tap(page, 'Save lesson by lesson as CSV');
  await says(page, 'The file could not be saved');
  await says(page, 'Nothing is lost');
  expect(new URL(page.url()).pathname).toBe('/totals');
  await page.setOfflineMode(false);
  await tap(page, 'Try again');
  await page.waitForFunction(() => !document.body.innerText.includes('could not be saved'));
  await says(page, 'Shown added up');
});

test('a second phone for a student who is in is kept beside the first, and hides no call for help', async () => {
  await open('wide', '2026-11-23T10:41:00Z');
  const { token } = await room.client.postJson<{ token: string }>(
    `/api/sections/${room.sectionId}/check-in-links`,
    {},
  );
  const says1 = async (weather: string, word: boolean, comment: string) => {
    const phone = await openPage(await browser.createBrowserContext(), 'phone');
    await phone.goto(`${server.address}/check-in/${token}`);
    await tap(phone, 'Pupil01 A.');
    await says(phone, 'inner weather');
    await tap(phone, weather);
    if (word) await tap(phone, 'I would like a quiet word');
    await type(phone, 'Anything else?', comment);
    await tap(phone, 'I am here');
    await says(phone, 'Pupil01 A.');
    await phone.close();
  };
  await says1('storm', true, 'not a good day');
  await says1('clear', false, 'all fine here');
  await page.bringToFront();
  await says(page, 'Storm or rain: 1');
  await says(page, 'Asks for a quiet word: 1');
  await says(page, 'not a good day');
  await says(page, 'all fine here');
  // On another device of the teacher too.
  const other = await openPage(await browser.createBrowserContext(), 'phone');
  await signIn(other, server.address);
  await says(other, '1 low · 1 asks for a word');
});
