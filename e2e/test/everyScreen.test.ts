import type { Browser, BrowserContext, Page } from 'puppeteer-core';
import type { AnswerOf } from '@slate-path/core/api/contract';
import type { Meeting, Section, Student, Topic } from '@slate-path/core/records/schema';
import { ApiClient } from '@slate-path/demo/apiClient';
import { fillDemo } from '@slate-path/demo/fill';
import { feedOfClass, startPlatform, type Platform } from '@slate-path/demo/platform/startPlatform';
import { faultsOf } from '../src/accessible';
import { openBrowser, openPage, says, tap, type } from '../src/browser';
import { teacher } from '../src/classroom';
import { screens, type Screen } from '../src/screens';
import { RestartableServer } from '../src/server';

/** In a lesson of the Boat Workshop. */
const now = '2026-11-27T09:50:00Z';
let server: RestartableServer;
let browser: Browser;
let platform: Platform;
/** What the capital words of the addresses stand for. */
let ids: Record<string, string>;

const placeOf = (path: string) => path.replaceAll(/[A-Z]{4,}/g, (word) => ids[word] ?? word);

beforeAll(async () => {
  server = await RestartableServer.create();
  await server.start(now, 'runs');
  const client = await ApiClient.signIn(server.address, '/api/first-start', teacher);
  const term = await fillDemo(client, Date.parse(now));
  const { section, student } = await client.get<{ section: Section[]; student: Student[] }>('/api/setup');
  const named = (name: string) => section.find((one) => one.name === name)?.id ?? '';
  const studentId = student.find(({ givenName }) => givenName === 'Odalys')?.id ?? '';
  const { found } = await client.get<{ found: string[] }>(`/api/notes?studentId=${studentId}`);
  const { topic, meeting } = await client.get<{ topic: Topic[]; meeting: Meeting[] }>('/api/setup');
  const lesson = meeting.find((one) => one.sectionId === named('Boat Workshop') && one.weekday === 5);
  const { work, days } = await client.get<AnswerOf<'classWork'>>(
    `/api/sections/${named('Log-keeping')}/work?from=2026-11-20&to=2026-11-26`,
  );
  platform = await startPlatform({ term, from: '2026-11-27', clock: () => Date.parse(now) });
  const feeds = `/api/sections/${named('Log-keeping')}/feeds`;
  await client.postJson(feeds, { id: 'feed', ...feedOfClass('Log-keeping', platform.address) });
  await client.postJson(`${feeds}/feed/ask`, {});
  const { token } = await client.postJson<{ token: string }>(
    `/api/sections/${named('Boat Workshop')}/check-in-links`,
    {},
  );
  ids = {
    ...{ SECTION: named('Boat Workshop'), SEATED: named('Log-keeping'), WEATHER: named('Lantern Crew') },
    ...{ STUDENT: studentId, NOTE: found[0] ?? '', TOPIC: topic[0]?.id ?? '', TOKEN: token },
    ...{ PIECE: work[0]?.id ?? '', WORKER: days[0]?.studentId ?? '' },
    LESSON: `${lesson?.id ?? ''}.${now.slice(0, 10)}`,
  };
  browser = await openBrowser();
});

afterAll(async () => {
  await browser.close();
  await server.end('SIGTERM');
  await platform.close();
});

/** The row of tabs, the sentence, the title: what stands above the content of a page, in pixels. */
const headEnds = (page: Page): Promise<number> =>
  page.evaluate(() =>
    Math.max(
      ...[...document.querySelectorAll('h1,[role=navigation],[data-testid=sentence]')]
        .filter((node) => node.getAttribute('aria-label') !== 'Places')
        .slice(0, 3)
        .map((node) => node.getBoundingClientRect().bottom),
    ),
  );

/** Rows of people that lie wholly in sight, between the head and what stands at the foot. */
const peopleInSight = (page: Page, row: string): Promise<number> =>
  page.evaluate(
    (selector) =>
      [...document.querySelectorAll(selector)].filter((node) => {
        const { left, width, top, bottom } = node.getBoundingClientRect();
        return [top + 1, bottom - 1].every((y) => {
          const found = document.elementFromPoint(left + width / 2, y);
          return found !== null && node.contains(found);
        });
      }).length,
    row,
  );

async function signedIn(
  size: 'phone' | 'wide',
  scheme: 'light' | 'dark',
): Promise<{ page: Page; context: BrowserContext }> {
  const context = await browser.createBrowserContext();
  const page = await openPage(context, size);
  await page.emulateMediaFeatures([
    { name: 'prefers-color-scheme', value: scheme },
    { name: 'prefers-reduced-motion', value: 'reduce' },
  ]);
  await page.goto(server.address);
  await type(page, 'Your name', teacher.name);
  await type(page, 'Passphrase', teacher.passphrase);
  await tap(page, 'Sign in');
  await says(page, 'Boat Workshop');
  return { page, context };
}

/** What is wrong on one screen, once it says what it is to say. */
async function judged(page: Page, screen: Screen, size: 'phone' | 'wide'): Promise<string[]> {
  const { path, says: words, taps = [], dots, then } = screen;
  await page.goto(server.address + placeOf(path), { waitUntil: 'networkidle2' });
  await says(page, words, 30_000);
  if (dots && size === 'phone') await tap(page, dots);
  for (const name of taps) await tap(page, name);
  if (then) await says(page, then);
  return faultsOf(page);
}

test.each([
  ['phone', 'light'],
  ['wide', 'dark'],
] as const)(
  'every screen (%s, %s): each control has a name and a size to hit, text its contrast, and nothing is cut off',
  async (size, scheme) => {
    const { page, context } = await signedIn(size, scheme);
    const found: Record<string, string[]> = {};
    const titles = new Map<string, string>();
    for (const screen of screens) {
      const { path, taps = [] } = screen;
      // A page without its content is a fault like the others: all of them are told at once.
      const faults = await judged(page, screen, size).catch((error: unknown) => [
        String(error).slice(0, 400),
      ]);
      if (!path.startsWith('/check-in')) titles.set(path.split('?')[0] ?? '', await page.title());
      if (faults.length > 0) found[[path, ...taps].join(' > ')] = faults;
    }
    await context.close();
    expect(found).toEqual({});
    // Every page has a title of its own.
    expect([...titles.values()].filter((title) => !title.endsWith(' · Slate Path'))).toEqual([]);
    expect(new Set(titles.values()).size).toBe(titles.size);
  },
  // Some hundred screens one after the other, on a small machine.
  900_000,
);

/** Main pages, and on those that are a list of people what one of them is. */
const mainPages: [path: string, row?: string][] = [
  ['/classes/SECTION', '[data-testid=overview-row]'],
  ['/classes/SECTION/months/2026-11', '[data-testid=month-row]'],
  ['/totals?sectionId=SECTION', '[data-testid=totals-row]'],
  ['/watch'],
  ['/students/STUDENT'],
  ['/students/STUDENT?page=record'],
  ['/classes/SECTION/counts'],
  ['/classes/SECTION/pieces?of=first'],
  ['/classes/SEATED/work', '[data-testid=work-row]'],
  ['/classes/SEATED/pieces'],
  ['/classes/SECTION/days'],
  ['/classes/SECTION/set-up'],
  ['/classes/SECTION/notes'],
  ['/classes/SECTION/ticks'],
  ['/owing'],
  ['/classes/SEATED/room'],
  ['/again'],
  ['/notes'],
  ['/topics'],
];

test('on a phone the content of a page begins in the first quarter, and of a list ten people are in sight', async () => {
  const { page, context } = await signedIn('phone', 'light');
  const wrong: string[] = [];
  for (const [path, row] of mainPages) {
    await page.goto(server.address + placeOf(path), { waitUntil: 'networkidle2' });
    await says(page, screens.find((screen) => screen.path === path)?.says ?? '', 30_000);
    if (row) await page.waitForSelector(row);
    const head = await headEnds(page);
    if (head > 844 / 4) wrong.push(`${path}: its head ends at ${head}`);
    const people = row ? await peopleInSight(page, row) : 10;
    if (people < 10) wrong.push(`${path}: ${people} people in sight`);
  }
  await context.close();
  expect(wrong).toEqual([]);
}, 180_000);

test('a student of any class is found by the beginning of a name, and their path opened', async () => {
  const { page, context } = await signedIn('phone', 'light');
  await page.goto(`${server.address}/people`, { waitUntil: 'networkidle2' });
  await type(page, 'Find a student', 'zz');
  await says(page, 'Nobody in your classes has a name that begins so.');
  await type(page, 'Find a student', 'bra od');
  await tap(page, 'Odalys Brandt, open path');
  await page.waitForFunction(
    (id: string) => location.pathname === `/students/${id}`,
    {},
    ids['STUDENT'] ?? '',
  );
  await context.close();
});
