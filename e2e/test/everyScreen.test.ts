import type { Browser, BrowserContext, Page } from 'puppeteer-core';
import type { Section, Student } from '@slate-path/core/records/schema';
import { ApiClient } from '@slate-path/demo/apiClient';
import { fillDemo } from '@slate-path/demo/fill';
import { faultsOf } from '../src/accessible';
import { openBrowser, openPage, says, tap, type } from '../src/browser';
import { teacher } from '../src/classroom';
import { RestartableServer } from '../src/server';

/** In a lesson of the Boat Workshop. */
const now = '2026-11-27T09:50:00Z';
let server: RestartableServer;
let browser: Browser;
let ids: { section: string; student: string };

beforeAll(async () => {
  server = await RestartableServer.create();
  await server.start(now, 'runs');
  const client = await ApiClient.signIn(server.address, '/api/first-start', teacher);
  await fillDemo(client, Date.parse(now));
  const { section, student } = await client.get<{ section: Section[]; student: Student[] }>('/api/setup');
  ids = {
    section: section.find(({ name }) => name === 'Boat Workshop')?.id ?? '',
    student: student.find(({ givenName }) => givenName === 'Odalys')?.id ?? '',
  };
  browser = await openBrowser();
});

afterAll(async () => {
  await browser.close();
  await server.end('SIGTERM');
});

/** Every screen, and what is opened on it by taps. */
const screens: [path: string, ...taps: string[]][] = [
  ['/'],
  ['/', 'More about this lesson'],
  ['/', 'Show as a list', 'More about Dario Quispe'],
  ['/', 'Show as a board'],
  ['/now'],
  ['/?mode=tally'],
  ['/?mode=tally', 'Sets and look-fors'],
  ['/?mode=tally', 'As they sit'],
  ['/classes/SECTION/room'],
  ['/classes/SECTION/room', 'Where seats stand'],
  ['/classes/SECTION/room', 'New plan'],
  ['/classes/SECTION/room', 'Rename or remove'],
  ['/?mode=sweep'],
  ['/?mode=circle'],
  ['/?mode=turns'],
  ['/watch'],
  ['/watch', 'Act'],
  ['/watch/concern?studentId=STUDENT&sectionId=SECTION&concern=disengaged'],
  ['/watch/glance'],
  ['/watch/settings'],
  ['/people'],
  ['/given'],
  ['/people', 'Add a class'],
  ['/classes/SECTION'],
  ['/classes/SECTION', 'Set up'],
  ['/classes/SECTION/check-in'],
  ['/classes/SECTION/counts'],
  ['/classes/SECTION/days'],
  ['/classes/SECTION/months/2026-11'],
  ['/classes/SECTION/roster'],
  ['/classes/SECTION/weather'],
  ['/classes/SECTION/work'],
  ['/students/STUDENT'],
  ['/students/STUDENT/erase'],
  ['/totals'],
  ['/range'],
  ['/participants'],
  ['/write'],
  ['/again'],
  ['/notes'],
  ['/topics'],
  ['/desk'],
  ['/desk', 'Add a term'],
  ['/desk', 'Add a lesson'],
  ['/desk', 'Add a day off'],
  ['/desk/look-fors'],
  ['/desk/vocabulary'],
  ['/desk/outbox'],
];

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

test.each([
  ['phone', 'light'],
  ['wide', 'dark'],
] as const)(
  'every screen (%s, %s): each control has a name and a size to hit, text its contrast, and nothing is cut off',
  async (size, scheme) => {
    const { page, context } = await signedIn(size, scheme);
    const found: Record<string, string[]> = {};
    const titles = new Map<string, string>();
    for (const [path, ...taps] of screens) {
      const place = path.replace('SECTION', ids.section).replace('STUDENT', ids.student);
      await page.goto(server.address + place, { waitUntil: 'networkidle2' });
      for (const name of taps) await tap(page, name);
      const faults = await faultsOf(page);
      titles.set(path.split('?')[0] ?? '', await page.title());
      if (faults.length > 0) found[[path, ...taps].join(' > ')] = faults;
    }
    await context.close();
    expect(found).toEqual({});
    // Every page has a title of its own.
    expect([...titles.values()].filter((title) => !title.endsWith(' · Slate Path'))).toEqual([]);
    expect(new Set(titles.values()).size).toBe(titles.size);
  },
  // Some forty screens one after the other, on a small machine.
  400_000,
);

test('a student of any class is found by the beginning of a name, and their path opened', async () => {
  const { page, context } = await signedIn('phone', 'light');
  await page.goto(`${server.address}/people`);
  await type(page, 'Find a student', 'zz');
  await says(page, 'Nobody in your classes has a name that begins so.');
  await type(page, 'Find a student', 'bra od');
  await tap(page, 'Odalys Brandt, open path');
  await page.waitForFunction((id: string) => location.pathname === `/students/${id}`, {}, ids.student);
  await context.close();
});
