import { setTimeout } from 'node:timers/promises';
import type { Browser, Page } from 'puppeteer-core';
import { exceptionsOf, openPage, openStudent, saved, says, tap, textOf } from '../src/browser';
import { marksOn, type Classroom } from '../src/classroom';
import { closeSchool, openSchool, signIn } from '../src/school';
import type { RestartableServer } from '../src/server';

const morning = '2026-11-23T10:42:00Z';
const today = '2026-11-23';
let server: RestartableServer;
let browser: Browser;
let room: Classroom;
let page: Page;

/** The application itself must be kept before the network can go. */
async function shellKept(on: Page): Promise<void> {
  await on.evaluate(() => navigator.serviceWorker.ready.then(() => undefined));
}

beforeEach(async () => {
  ({ server, browser, page, room } = await openSchool(morning, 12, 'phone'));
  await shellKept(page);
});

afterEach(async () => {
  await closeSchool({ server, browser });
});

test('the server is killed in the middle of a roll and started again: nothing is lost, nothing doubled', async () => {
  await tap(page, 'Pupil01');
  await tap(page, 'Pupil02');
  await saved(page);
  await server.end('SIGKILL');
  await tap(page, 'Pupil03');
  await tap(page, 'Pupil04');
  await says(page, '2 kept on this device');
  expect(await exceptionsOf(page)).toHaveLength(4);
  await server.start(morning, 'runs');
  await saved(page);
  expect(await marksOn(room.client, today)).toEqual(['Pupil01 A', 'Pupil02 A', 'Pupil03 A', 'Pupil04 A']);
  await page.reload();
  await says(page, '4 away');
});

test('the network is gone for a whole lesson: the application opens, the roll goes on, and all is sent when it is back', async () => {
  await page.setOfflineMode(true);
  await page.reload();
  await says(page, 'Not taken yet');
  for (const name of ['Pupil05', 'Pupil06', 'Pupil07']) await tap(page, name);
  await tap(page, 'Take back');
  await says(page, '4 kept on this device');
  expect(await marksOn(room.client, today)).toEqual([]);
  await page.setOfflineMode(false);
  await saved(page);
  expect(await marksOn(room.client, today)).toEqual(['Pupil05 A', 'Pupil06 A']);
});

test('the tab is closed with changes unsent: what was called kept is there again, also without a network', async () => {
  await page.setOfflineMode(true);
  await tap(page, 'Pupil08');
  await tap(page, 'Pupil09');
  await says(page, '2 kept on this device');
  await page.close();
  page = await openPage(browser, 'phone');
  await page.setOfflineMode(true);
  await page.goto(server.address);
  await says(page, '2 away');
  await says(page, '2 kept on this device');
  await tap(page, 'Take back');
  await says(page, '1 away');
  await page.setOfflineMode(false);
  await saved(page);
  expect(await marksOn(room.client, today)).toEqual(['Pupil08 A']);
});

test('the answer to a batch is lost, so it is sent twice: it counts once', async () => {
  const cdp = await page.createCDPSession();
  await cdp.send('Fetch.enable', { patterns: [{ urlPattern: '*/api/changes', requestStage: 'Response' }] });
  let lost = 0;
  cdp.on('Fetch.requestPaused', ({ requestId }) => {
    lost += 1;
    const answer =
      lost <= 2
        ? cdp.send('Fetch.failRequest', { requestId, errorReason: 'ConnectionReset' })
        : cdp.send('Fetch.continueRequest', { requestId });
    answer.catch(() => undefined);
  });
  await tap(page, 'Pupil10');
  await saved(page);
  expect(lost).toBeGreaterThanOrEqual(3);
  expect(await marksOn(room.client, today)).toEqual(['Pupil10 A']);
  const lessonId = (await room.client.get<{ lesson: { id: string }[] }>(`/api/days/${today}`)).lesson[0]!.id;
  const { lines } = await room.client.get<{ lines: unknown[] }>(`/api/lessons/${lessonId}/history`);
  expect(lines).toHaveLength(1);
});

test('answers come seconds late while the thumb goes on: what was done last is what counts', async () => {
  // An answer that took four seconds had set the clock back by them: what was done next was older than what it corrected.
  const cdp = await page.createCDPSession();
  await cdp.send('Fetch.enable', { patterns: [{ urlPattern: '*/api/*', requestStage: 'Response' }] });
  cdp.on('Fetch.requestPaused', ({ requestId }) => {
    void setTimeout(4000).then(() => cdp.send('Fetch.continueRequest', { requestId }).catch(() => undefined));
  });
  const names = ['Pupil02', 'Pupil03', 'Pupil04'];
  const answered = page.waitForResponse((answer) => answer.url().endsWith('/api/changes'));
  await tap(page, 'Pupil01');
  await setTimeout(2500);
  for (const name of names) await tap(page, name);
  await answered;
  for (const name of names) await tap(page, name);
  expect(await exceptionsOf(page)).toEqual([expect.stringMatching(/^Pupil01 .*: away/)]);
  await saved(page);
  await cdp.send('Fetch.disable');
  expect(await marksOn(room.client, today)).toEqual(['Pupil01 A']);
});

test('two devices mark the same student: the later word counts on both, and both see it in the history', async () => {
  const other = await openPage(await browser.createBrowserContext(), 'wide');
  await signIn(other, server.address);
  await shellKept(other);
  await page.setOfflineMode(true);
  await tap(page, 'Pupil11');
  await says(page, '1 kept on this device');
  await openStudent(other, 'Pupil11');
  await tap(other, 'Away, excused');
  await saved(other);
  await page.setOfflineMode(false);
  await saved(page);
  await page.waitForFunction(() => document.body.innerText.includes('excused'), { timeout: 30_000 });
  expect(await marksOn(room.client, today)).toEqual(['Pupil11 X']);
  await openStudent(page, 'Pupil11');
  await says(page, 'another device: Away, excused');
  await says(page, 'this device');
  expect(await textOf(page)).toMatch(/this device: .*overruled by a later mark/);
});
