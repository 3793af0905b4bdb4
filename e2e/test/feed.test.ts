import type { Browser, Page } from 'puppeteer-core';
import { ApiClient } from '@slate-path/demo/apiClient';
import { fillDemo } from '@slate-path/demo/fill';
import { feedOfClass, startPlatform, type Platform } from '@slate-path/demo/platform/startPlatform';
import type { Section } from '@slate-path/core/records/schema';
import { openBrowser, openPage, saved, says, tap, textOf, type } from '../src/browser';
import { teacher } from '../src/classroom';
import { signIn } from '../src/school';
import { RestartableServer } from '../src/server';

/** After the last lesson of a Wednesday: the evening lies before it. */
const now = '2026-11-25T15:30:00Z';
let server: RestartableServer;
let platform: Platform;
let platformNow = Date.parse(now);
let browser: Browser;
let page: Page;
let place: string;

beforeAll(async () => {
  server = await RestartableServer.create();
  await server.start(now, 'runs');
  const client = await ApiClient.signIn(server.address, '/api/first-start', teacher);
  const term = await fillDemo(client, platformNow);
  platform = await startPlatform({ term, from: '2026-11-25', clock: () => platformNow });
  const { section } = await client.get<{ section: Section[] }>('/api/setup');
  place = `${server.address}/classes/${section.find(({ name }) => name === 'Log-keeping')?.id ?? ''}/work`;
  browser = await openBrowser();
  page = await openPage(browser, 'phone');
  await signIn(page, server.address);
});
afterAll(async () => {
  await browser.close();
  await server.end('SIGTERM');
});

const cameSoFar = async () => Number(/(\d+) actions? came so far/.exec(await textOf(page))?.[1]);

test('a platform is typed in: what is wrong is said and mended, and what it has comes in', async () => {
  const { name, address, userName, password, course } = feedOfClass('Log-keeping', platform.address);
  await page.goto(place);
  await tap(page, 'More: Log-keeping');
  await tap(page, 'From a platform');
  await tap(page, 'Add a platform');
  await type(page, 'What you call it', name);
  await type(page, 'Address of its record store', 'http://board.ternrock.example/xapi');
  await type(page, 'User name', userName);
  await type(page, 'Password', 'not this one');
  await tap(page, 'Keep and ask it');
  await says(page, 'the password would travel in the open');
  await type(page, 'Address of its record store', address);
  await type(page, 'Only this course', course);
  await tap(page, 'Keep and ask it');
  await says(page, 'It does not take the user name and password.');
  await tap(page, `More: ${name}`);
  await tap(page, 'Change how it is asked');
  await type(page, 'Password (empty: as it was)', password);
  await tap(page, 'Keep and ask it');
  await says(page, 'came so far');
  expect(await cameSoFar()).toBeGreaterThan(0);
});

test('what is done in the evening arrives during a look, and is taken back as one', async () => {
  const before = await cameSoFar();
  platformNow += 6 * 3_600_000;
  await tap(page, 'Ask it now');
  await says(page, 'new actions.');
  await page.waitForFunction(
    (count: number) => Number(/(\d+) actions came so far/.exec(document.body.innerText)?.[1]) > count,
    {},
    before + 5,
  );
  await page.goto(`${place}?span=dates&from=2026-11-25&to=2026-11-25`);
  await says(page, 'did something');
  await says(page, 'Log book of the school: last answered');
  await page.goto(`${place}/feed`);
  await tap(page, 'Take back what came at');
  await says(page, 'taken back');
  await saved(page);
  await tap(page, 'Ask it now');
  await says(page, '0 new actions.');
});

test('a platform that is gone is said on the page of the class, with what was kept', async () => {
  await platform.close();
  await tap(page, 'Ask it now');
  await says(page, 'nothing listens at this address');
  await says(page, 'What came before is kept');
  await page.goto(place);
  await says(page, 'Log book of the school: it does not work since');
});
