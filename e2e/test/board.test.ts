import type { Browser, Page } from 'puppeteer-core';
import { control, exceptionsOf, openBrowser, openPage, says, saved, tap, type } from '../src/browser';
import { makeClassroom, marksOn, people, teacher } from '../src/classroom';
import { signIn } from '../src/school';
import { RestartableServer } from '../src/server';

let server: RestartableServer;
let browser: Browser;
let page: Page;

beforeEach(async () => {
  server = await RestartableServer.create();
  browser = await openBrowser();
  page = await openPage(browser, 'phone');
});

afterEach(async () => {
  await browser.close();
  await server.end('SIGTERM');
});

/** Those whose tile is wholly on the screen, and is not smaller than a finger. */
function inSight(testId: string): Promise<number> {
  return page.evaluate(
    (id) =>
      [...document.querySelectorAll(`[data-testid="${id}"]`)].filter((tile) => {
        const { left, right, top, bottom, width, height } = tile.getBoundingClientRect();
        const [x, y] = [(left + right) / 2, (top + bottom) / 2];
        const corners = [top + 2, bottom - 3].map((at) => document.elementFromPoint(x, at));
        return (
          width >= 44 &&
          height >= 43 &&
          document.elementFromPoint(x, y)?.closest(`[data-testid="${id}"]`) === tile &&
          corners.every((found) =>
            (found?.closest('[data-row]') ?? found?.closest(`[data-testid="${id}"]`))?.contains(tile),
          )
        );
      }).length,
    testId,
  );
}

/** Waits until so many are in sight: the board takes its size once what stands around it is there. */
async function allInSight(testId: string, count: number): Promise<void> {
  const end = Date.now() + 10_000;
  while ((await inSight(testId)) !== count && Date.now() < end)
    await new Promise((resolve) => setTimeout(resolve, 100));
  expect(await inSight(testId)).toBe(count);
}

/** Where the first tile begins, as a share of the screen's height. */
const beginsAt = (testId: string) =>
  page.evaluate(
    (id) => (document.querySelector(`[data-testid="${id}"]`)?.getBoundingClientRect().top ?? 0) / innerHeight,
    testId,
  );

test('a class of 32 is all in sight on a phone, on roll and tally, each where they always are', async () => {
  await server.start('2026-11-23T10:42:00Z');
  await makeClassroom(server.address, 32);
  await signIn(page, server.address);
  await control(page, 'Pupil32');
  await allInSight('student-row', 32);
  expect(await beginsAt('student-row')).toBeLessThanOrEqual(0.25);
  const placeOf = async () => {
    const { x, y } = await (await control(page, 'Pupil17')).clickablePoint();
    return [Math.round(x), Math.round(y)];
  };
  const place = await placeOf();
  for (const name of ['Pupil03', 'Pupil17', 'Pupil32']) await tap(page, name);
  expect(await placeOf()).toEqual(place);
  expect(await exceptionsOf(page)).toHaveLength(3);
  // Full names, and all about one mark, are a tap away.
  await tap(page, 'Show as a list');
  await tap(page, 'More about Pupil17');
  await tap(page, 'Away, excused');
  await tap(page, 'Close');
  await tap(page, 'Show as a board');
  await control(page, 'Pupil17 Ghebre: away, excused');
  await saved(page);
  await tap(page, 'Tally');
  await control(page, 'Pupil31');
  // Those away are out of reach; the whole class is one tile more.
  await allInSight('student-tile', 32 - 3 + 1);
  expect(await beginsAt('student-tile')).toBeLessThanOrEqual(0.25);
  await tap(page, 'Sweep');
  await control(page, 'Pupil31');
  await allInSight('sweep-tile', 32 - 3);
  expect(await beginsAt('sweep-tile')).toBeLessThanOrEqual(0.25);
});

test('from first start to a taken roll of 30 in eight actions; two days make a proposal, and it a timetable', async () => {
  await server.start('2026-11-23T09:02:00Z');
  await page.goto(server.address);
  let actions = 0;
  const act = async (done: Promise<unknown>) => {
    actions += 1;
    await done;
  };
  await act(type(page, 'Your name', teacher.name));
  await act(type(page, 'Passphrase', teacher.passphrase));
  await act(tap(page, 'Begin'));
  await act(tap(page, 'Take a roll now'));
  await act(type(page, 'What is the class called?', 'Rope Loft'));
  const given = ['Ada', 'Bo', 'Cleo', 'Dev', 'Esi', 'Finn'];
  const names = people(30).map(({ familyName }, at) => `${given[Math.floor(at / 5)] ?? ''} ${familyName}`);
  await act(type(page, 'Who is in it?', [...names, 'Total: 30'].join('\n')));
  await says(page, '30 students');
  await says(page, 'Left out: Total: 30');
  await act(tap(page, 'To the roll'));
  await control(page, 'Finn Jansma');
  await act(tap(page, 'All here'));
  await says(page, 'Nobody away');
  expect(actions).toBeLessThanOrEqual(8);
  await saved(page);
  // On Wednesday again.
  await server.end('SIGTERM');
  await server.start('2026-11-25T09:04:00Z');
  await page.goto(`${server.address}/now`);
  await tap(page, 'Take the roll of Rope Loft: a lesson from 09:00 to 09:50');
  await tap(page, 'Bo Faro');
  await says(page, '1 away');
  await saved(page);
  await page.goto(server.address);
  await says(page, 'You took this class on Mon and Wed at 9:00: weekly?');
  await tap(page, 'Yes, weekly');
  await type(page, 'Until when?', '18 Dec');
  await tap(page, 'Put them in the timetable');
  await saved(page);
  await server.end('SIGTERM');
  await server.start('2026-11-30T08:58:00Z');
  await page.goto(server.address);
  await says(page, 'Not taken yet');
  await says(page, 'Today, 09:00 to 09:50');
});

test('only how many there are is enough; marks put on the wrong lesson are moved to the right one', async () => {
  await server.start('2026-11-23T10:42:00Z');
  const room = await makeClassroom(server.address, 4);
  await signIn(page, server.address);
  await page.goto(`${server.address}/now`);
  await type(page, 'What is the class called?', 'Net Loft');
  await type(page, 'Who is in it?', '12');
  await says(page, '12 students: Student 1, Student 2');
  await tap(page, 'To the roll');
  await tap(page, 'Student 12');
  await says(page, '1 away');
  await saved(page);
  // Friday's roll of the other class was taken by mistake on Monday's lesson.
  await page.goto(`${server.address}/now`);
  await tap(page, 'Take the roll of Boat Workshop: its lesson from 10:40');
  await tap(page, 'Pupil02');
  await says(page, '1 away');
  await tap(page, 'More about this lesson');
  await tap(page, 'Move its marks to another lesson');
  await tap(page, 'Boat Workshop, Fri 20 Nov');
  await says(page, 'Fri 20 Nov');
  expect(await exceptionsOf(page)).toEqual(['Pupil02 Brodie: away']);
  await saved(page);
  expect(await marksOn(room.client, '2026-11-20')).toEqual(['Pupil02 A']);
  expect(await marksOn(room.client, '2026-11-23')).toEqual(['Student 12 A']);
});

test('by keyboard: two keys to the first student; a sheet has the focus, keeps it, and gives it back', async () => {
  await server.start('2026-11-23T10:42:00Z');
  await makeClassroom(server.address, 4);
  await page.close();
  page = await openPage(browser, 'wide');
  await signIn(page, server.address);
  await control(page, 'Pupil04');
  const focused = () =>
    page.evaluate(
      () => document.activeElement?.getAttribute('aria-label') ?? document.activeElement?.tagName,
    );
  await page.keyboard.press('Tab');
  expect(await focused()).toBe('Skip to the page');
  await page.keyboard.press('Enter');
  expect(await focused()).toContain('Pupil01 Abara');
  const menu = await control(page, 'More about this lesson');
  await menu.evaluate((button) => {
    button.focus();
  });
  await page.keyboard.press('Enter');
  await control(page, 'All away');
  const inside = () => page.evaluate(() => document.activeElement?.closest('[role=dialog]') !== null);
  expect(await inside()).toBe(true);
  for (let key = 0; key < 25; key += 1) {
    await page.keyboard.press('Tab');
    expect(await inside()).toBe(true);
  }
  // Letters and arrows mean nothing to the page behind it.
  for (const key of ['ArrowDown', 'a'] as const) await page.keyboard.press(key);
  await page.keyboard.press('Escape');
  await page.waitForFunction(() => document.querySelector('[role=dialog]') === null);
  expect(await focused()).toBe('More about this lesson');
  await says(page, 'Not taken yet');
});
