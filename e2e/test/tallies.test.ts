import type { Browser, Page } from 'puppeteer-core';
import type { LookFor, Tally } from '@slate-path/core/records/schema';
import { control, openPage, saved, says, tap, textOf, type } from '../src/browser';
import { change, send, takeRolls, type Classroom } from '../src/classroom';
import { closeSchool, openSchool, signIn } from '../src/school';
import type { RestartableServer } from '../src/server';

const today = '2026-11-23';
let server: RestartableServer;
let browser: Browser;
let page: Page;
let room: Classroom;

beforeEach(async () => {
  ({ server, browser, page, room } = await openSchool(`${today}T10:42:00Z`, 12, 'phone'));
});

afterEach(async () => {
  await closeSchool({ server, browser });
});

/** What the server has of a day: how often each was seen doing what, as `Pupil01 Gave evidence 3`. */
async function countsOn(date = today): Promise<string[]> {
  const { tally } = await room.client.get<{ tally: Tally[] }>(`/api/days/${date}`);
  const setup = await room.client.get<{ lookFor: LookFor[]; student: { id: string; givenName: string }[] }>(
    '/api/setup',
  );
  const sums = new Map<string, number>();
  for (const { studentId, lookForId, amount, removed } of tally) {
    if (removed) continue;
    const who = setup.student.find(({ id }) => id === studentId)?.givenName ?? 'Class';
    const key = `${who} ${setup.lookFor.find(({ id }) => id === lookForId)?.name ?? ''}`;
    sums.set(key, (sums.get(key) ?? 0) + (amount ?? 0));
  }
  return [...sums].map(([key, sum]) => `${key} ${sum}`).sort();
}

const tiles = (on: Page) =>
  on.evaluate(() =>
    [...document.querySelectorAll('[data-testid=student-tile]')].map(
      (tile) => tile.getAttribute('aria-label') ?? '',
    ),
  );

/** A thumb: quick taps on a control that is in sight. */
async function tapQuickly(on: Page, name: string, times: number): Promise<void> {
  const element = await control(on, name);
  await element.evaluate((node) => {
    node.scrollIntoView({ block: 'center' });
  });
  const { x, y } = await element.clickablePoint();
  for (let time = 0; time < times; time += 1) await on.touchscreen.tap(x, y);
}

async function openTally(on: Page): Promise<void> {
  await tap(on, 'Tally');
  await says(on, 'Tap a student or what you see.');
}

test('sixty tallies in sixty seconds by thumb, both ways; who is away is out of reach; taken back and set right', async () => {
  await tap(page, 'Pupil12');
  await says(page, '1 away');
  await openTally(page);
  expect((await tiles(page)).some((tile) => tile.startsWith('Pupil12'))).toBe(false);
  await says(page, 'Pupil12');
  await says(page, 'Not observed yet');

  const begun = Date.now();
  await tap(page, 'Gave evidence');
  for (let number = 1; number <= 10; number += 1)
    await tapQuickly(page, `Pupil${String(number).padStart(2, '0')}`, 4);
  await tap(page, 'Put Gave evidence down');
  await tap(page, 'Pupil11');
  await tapQuickly(page, 'Asked a question', 12);
  await tapQuickly(page, 'Bare opinion', 8);
  await says(page, '60 tallies');
  expect((Date.now() - begun) / 1000).toBeLessThan(60);
  await saved(page);
  const ten = Array.from(
    { length: 10 },
    (_, index) => `Pupil${String(index + 1).padStart(2, '0')} Gave evidence 4`,
  );
  const all = [...ten, 'Pupil11 Asked a question 12', 'Pupil11 Bare opinion 8'];
  expect(await countsOn()).toEqual(all);
  expect((await tiles(page)).find((tile) => tile.startsWith('Pupil11'))).toBe(
    'Pupil11 A.: 12 wanted, 8 unwanted',
  );

  await tap(page, 'Take back');
  await says(page, '59 tallies');
  await tap(page, 'Counts of Pupil11');
  await tap(page, 'Correct Asked a question: 12');
  await type(page, 'Asked a question: how often', '-1');
  await tap(page, 'Set Asked a question right');
  await says(page, 'A count cannot be below 0');
  await type(page, 'Asked a question: how often', '10000');
  await tap(page, 'Set Asked a question right');
  await says(page, 'A count is at most 999');
  await type(page, 'Asked a question: how often', '9');
  await tap(page, 'Set Asked a question right');
  await tap(page, 'Close');
  await saved(page);
  expect(await countsOn()).toEqual([...ten, 'Pupil11 Asked a question 9', 'Pupil11 Bare opinion 7']);
  // The correction is on record, in the list that the lesson line opens.
  await tap(page, 'What was seen');
  await says(page, 'Asked a question, set right from 12 to 9');
});

test('two devices tally at once: both count, none twice, each sees the other’s; a retired look-for keeps what is used meanwhile', async () => {
  const other = await openPage(await browser.createBrowserContext(), 'phone');
  await signIn(other, server.address);
  await Promise.all([openTally(page), openTally(other)]);
  await Promise.all([tap(page, 'Gave evidence'), tap(other, 'Asked a question')]);
  await Promise.all([tapQuickly(page, 'Pupil01', 7), tapQuickly(other, 'Pupil01', 5)]);
  const begun = Date.now();
  await Promise.all([saved(page), saved(other)]);
  const same = ['Pupil01 Asked a question 5', 'Pupil01 Gave evidence 7'];
  expect(await countsOn()).toEqual(same);
  await Promise.all([says(page, '12 tallies'), says(other, '12 tallies')]);
  // An event tells of it; asking again by itself would take twenty seconds.
  expect(Date.now() - begun).toBeLessThan(10_000);

  await other.setOfflineMode(true);
  const { lookFor } = await room.client.get<{ lookFor: LookFor[] }>('/api/setup');
  const id = lookFor.find(({ name }) => name === 'Asked a question')!.id;
  await send(room.client, [
    change('lookFor.retire', { id, retired: true }, new Date(`${today}T10:50:00Z`).toISOString()),
  ]);
  await tapQuickly(other, 'Pupil02', 3);
  await says(other, '15 tallies');
  await other.setOfflineMode(false);
  await saved(other);
  expect(await countsOn()).toEqual([...same, 'Pupil02 Asked a question 3']);
});

test('with the network cut in the middle nothing is lost or doubled; the tab closed, it is there again', async () => {
  await page.evaluate(() => navigator.serviceWorker.ready.then(() => undefined));
  await openTally(page);
  await tap(page, 'Built on another');
  await tapQuickly(page, 'Pupil03', 10);
  await page.setOfflineMode(true);
  // On a slow phone that is put away at once, before it has shown or written them all.
  await page.emulateCPUThrottling(6);
  await tapQuickly(page, 'Pupil04', 20);
  await page.close();
  page = await openPage(browser, 'phone');
  await page.setOfflineMode(true);
  await page.goto(`${server.address}/?mode=tally`);
  await says(page, '30 tallies');
  await page.setOfflineMode(false);
  await saved(page);
  expect(await countsOn()).toEqual(['Pupil03 Built on another 10', 'Pupil04 Built on another 20']);
});

test('wide, by keyboard: first letters find the student, a digit gives the look-for; ticked once, and timed', async () => {
  const wide = await openPage(await browser.createBrowserContext(), 'wide');
  await signIn(wide, server.address);
  await openTally(wide);
  await wide.keyboard.type('pu');
  await says(wide, 'Pupil01 A.:');
  for (const key of ['1', '1', '5', 'Backspace'] as const) await wide.keyboard.press(key);
  await says(wide, '2 tallies');
  await saved(wide);
  expect(await countsOn()).toEqual(['Pupil01 Gave evidence 2']);

  // Another set: what was counted stays. A tick is there or not; a timed one begins and stops.
  await wide.keyboard.press('Escape');
  await tap(wide, 'Sets and look-fors');
  await tap(wide, 'General conduct');
  await tap(wide, 'Close');
  await tap(wide, 'Pupil02 B.');
  for (const times of [1, 2, 3]) {
    await tap(wide, 'Came prepared');
    await says(wide, times === 2 ? '2 tallies' : '3 tallies');
  }
  await tap(wide, 'Out of the room');
  await control(wide, 'Pupil02 B.: 1 wanted, timing');
  await new Promise((resolve) => setTimeout(resolve, 2100));
  await tap(wide, 'Out of the room');
  await saved(wide);
  const [evidence, prepared, out] = await countsOn();
  expect([evidence, prepared]).toEqual(['Pupil01 Gave evidence 2', 'Pupil02 Came prepared 1']);
  expect(Number(out?.match(/room (\d+)$/)?.[1])).toBeGreaterThanOrEqual(2);
});

test('the counts of the weeks: rates per observed hour, a comment that stays, the same as a file', async () => {
  await takeRolls(room, { '2026-11-16': [2], '2026-11-18': [] });
  const { meeting } = await room.client.get<{ meeting: { id: string; weekday: number }[] }>('/api/setup');
  const { lookFor } = await room.client.get<{ lookFor: LookFor[] }>('/api/setup');
  const evidence = lookFor.find(({ name }) => name === 'Gave evidence')!.id;
  const lessonOf = (date: string) => {
    const weekday = new Date(date).getUTCDay();
    const id = `${meeting.find((found) => found.weekday === weekday)?.id ?? ''}.${date}`;
    return { id, sectionId: room.sectionId, date, startsAt: '10:40', endsAt: '11:30' };
  };
  const seen = (id: string, student: number, date: string) => ({
    id,
    studentId: room.studentIds[student - 1],
    lookForId: evidence,
    at: `${date}T10:50:00.000Z`,
    amount: 1,
    circleId: null,
  });
  const on = (date: string) => ({
    lesson: lessonOf(date),
    onAt: `${date}T10:30:00.000Z`,
    offAt: null,
    focusId: null,
  });
  await send(room.client, [
    change('tallying.set', on('2026-11-16')),
    change('tallying.set', on('2026-11-18')),
    change('tally.add', {
      lesson: lessonOf('2026-11-16'),
      tallies: [1, 2, 3, 4, 5].map((n) => seen(`a${n}`, 1, '2026-11-16')),
    }),
    change('tally.add', { lesson: lessonOf('2026-11-18'), tallies: [seen('b1', 2, '2026-11-18')] }),
  ]);
  await page.goto(`${server.address}/classes/${room.sectionId}/counts`);
  await says(page, '6 times in 2 observed lessons');
  await tap(page, 'chart');
  await tap(page, 'table');
  // Five in twice 50 minutes are 3 an hour; Pupil02 was away once: one in 50 minutes are 1.2.
  await control(page, 'Pupil01 Abara: 5 in 2 lessons, 3 per hour');
  await control(page, 'Pupil02 Brodie: 1 in 1 lesson, 1.2 per hour');
  await control(page, 'Pupil03 Calloway: 0 in 2 lessons, 0 per hour');
  // It is kept on leaving the field; nothing is to be pressed.
  await type(page, 'What you make of it', 'Pupil01 carries it.');
  await page.keyboard.press('Tab');
  await saved(page);
  await page.reload();
  await says(page, '6 times in 2');
  expect(await page.$eval('textarea', (field) => field.value)).toBe('Pupil01 carries it.');
  const file = `/api/sections/${room.sectionId}/counts-file?from=2026-11-01&to=2026-11-30&by=lesson`;
  const csv = (await page.evaluate(`fetch('${file}').then((answer) => answer.text())`)) as string;
  const lines = csv
    .trim()
    .split('\r\n')
    .map((line) => line.split(','));
  const column = lines[0]!.indexOf('Gave evidence (times)');
  expect(lines.slice(1).map((line) => [line[0], line[2], line[column], line[column + 1]])).toEqual([
    // Eleven of twelve were there: 550 minutes.
    ['2026-11-16 10:40', '550', '5', '0.55'],
    ['2026-11-18 10:40', '600', '1', '0.1'],
  ]);
  expect(await textOf(page)).toContain('Gave evidence');
});
