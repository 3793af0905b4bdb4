import type { Browser, BrowserContext, Page } from 'puppeteer-core';
import type { AnswerOf } from '@slate-path/core/api/contract';
import type { Meeting, Section, Student, Topic } from '@slate-path/core/records/schema';
import { ApiClient } from '@slate-path/demo/apiClient';
import { fillDemo } from '@slate-path/demo/fill';
import { feedOfClass, startPlatform, type Platform } from '@slate-path/demo/platform/startPlatform';
import { faultsOf } from '../src/accessible';
import { openBrowser, openPage, says, tap, type } from '../src/browser';
import { teacher } from '../src/classroom';
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

interface Screen {
  path: string;
  /** What the page says when it has its content: it is judged with it, not empty. */
  says: string;
  taps?: string[];
  /** What hides the first of them on a phone. */
  dots?: string;
  /** What the last tap brought to the page. */
  then?: string;
}

/** Every screen, and what is opened on it by taps; capital words stand for ids. */
const screens: Screen[] = [
  { path: '/', says: 'Dario Q' },
  { path: '/', says: 'Dario Q', taps: ['More about this lesson'], then: 'Move to another day or time' },
  { path: '/', says: 'Dario Q', taps: ['Show as a list', 'More about Dario Quispe'], then: 'Arrived' },
  { path: '/', says: 'Dario Quispe', taps: ['Show as a board'], then: 'Dario Q' },
  { path: '/now', says: 'Take a roll now' },
  { path: '/?mode=tally', says: 'Gave evidence' },
  { path: '/?mode=tally', says: 'Gave evidence', taps: ['Sets and look-fors'], then: 'Workshop' },
  { path: '/?mode=tally', says: 'Gave evidence', taps: ['As they sit'] },
  { path: '/?mode=sweep', says: 'Tap who is rowing' },
  { path: '/?mode=sweep', says: 'Tap who is rowing', taps: ['Show as a list'], then: 'Dario Quispe' },
  { path: '/?mode=circle', says: 'circle', taps: ['Roll', 'Show as a board'] },
  { path: '/?mode=circle', says: 'circle' },
  { path: '/?mode=turns', says: 'Whose turn is it?', taps: ['How it is drawn'], then: 'Hide the rule' },
  { path: '/contact', says: 'with a concern that home has not heard of' },
  { path: '/students/STUDENT?page=contact', says: 'Where they are reached' },
  {
    path: '/students/STUDENT?page=contact',
    says: 'Where they are reached',
    taps: ['Note a contact'],
    then: 'Not reached',
  },
  { path: '/?mode=nods', says: 'Kept at it' },
  { path: '/?mode=nods', says: 'Kept at it', taps: ['Whom nods are told to'], then: 'Quiet hours' },
  { path: '/?mode=nods', says: 'Kept at it', taps: ['Change what nods are for'], then: 'Another reason' },
  { path: '/classes/SECTION/nods', says: 'No nod in four weeks' },
  { path: '/each?lessonId=LESSON&group=everyone', says: 'Write your own' },
  {
    path: '/each?lessonId=LESSON&group=everyone',
    says: 'Write your own',
    taps: ['Use: {name} was adrift', 'Tell home too'],
    then: 'will read it',
  },
  { path: '/desk/phrases', says: 'was adrift' },
  { path: '/desk/phrases', says: 'was adrift', taps: ['New phrase'], then: 'what they are called' },
  { path: '/watch', says: 'need you' },
  { path: '/watch', says: 'need you', taps: ['More: act on Odalys Brandt'], then: 'Keep this step' },
  { path: '/watch', says: 'need you', taps: ['all classes'], then: 'Boat Workshop' },
  { path: '/watch/concern?student=STUDENT&section=SECTION&concern=disengaged', says: 'It clears with' },
  { path: '/watch/settings', says: 'Lessons missed in a row' },
  { path: '/people', says: 'Boat Workshop' },
  { path: '/given', says: 'path' },
  { path: '/people', says: 'Boat Workshop', dots: 'More: People', taps: ['Add a class'], then: 'Name' },
  { path: '/classes/SECTION', says: 'In the last four weeks' },
  {
    path: '/classes/SECTION',
    says: 'In the last four weeks',
    taps: ['More: Boat Workshop'],
    then: 'In the room',
  },
  { path: '/classes/SECTION/months/2026-11', says: 'were there' },
  {
    path: '/classes/SECTION/months/2026-11',
    says: 'were there',
    taps: ['November 2026'],
    then: 'October 2026',
  },
  { path: '/classes/SECTION/days', says: 'to mark or catch up' },
  { path: '/totals?sectionId=SECTION', says: 'were there' },
  { path: '/totals', says: 'were there' },
  { path: '/classes/SECTION/counts', says: 'observed lessons' },
  { path: '/classes/SECTION/pieces?of=first', says: 'count as attended?' },
  { path: '/classes/SECTION/work', says: 'Nothing from elsewhere yet' },
  { path: '/classes/SEATED/work', says: 'did something' },
  { path: '/classes/SEATED/work?span=28', says: 'did something' },
  { path: '/classes/SEATED/work?span=dates&from=2026-11-26&to=2026-11-26', says: 'did something' },
  { path: '/classes/SEATED/work', says: 'did something', taps: ['the last 7 days'], then: 'other days' },
  { path: '/classes/SEATED/work/bring', says: 'paste the cells' },
  {
    path: '/classes/SECTION/work/feed',
    says: 'by itself yet',
    taps: ['Add a platform'],
    then: 'Keep and ask',
  },
  {
    path: '/classes/SEATED/work/feed',
    says: 'came so far',
    taps: ['More: Log book of the school', 'Change how it is asked'],
    then: 'Password',
  },
  { path: '/classes/SEATED/work/WORKER', says: 'in all. An estimate' },
  { path: '/classes/SEATED/pieces', says: 'pieces of work' },
  { path: '/classes/SEATED/pieces', says: 'pieces of work', taps: ['Add a piece'], then: 'Points' },
  { path: '/classes/SEATED/pieces/PIECE', says: 'A tap says' },
  { path: '/classes/SEATED/pieces/PIECE', says: 'A tap says', taps: ['Scores'], then: 'Enter goes on' },
  { path: '/classes/SECTION/notes', says: 'All notes' },
  {
    path: '/classes/SECTION/room',
    says: 'have a seat',
    taps: ['More: Boat Workshop', 'New plan'],
    then: 'Make the plan',
  },
  { path: '/classes/SEATED/room', says: 'have a seat' },
  { path: '/classes/SEATED/room', says: 'have a seat', taps: ['who sits where', 'where seats stand'] },
  { path: '/classes/SECTION/set-up', says: 'How it counts' },
  { path: '/classes/SECTION/set-up', says: 'How it counts', taps: ['Cohorts'], then: 'Cohort (empty: none)' },
  { path: '/classes/SECTION/check-in', says: 'Make the link' },
  { path: '/classes/SECTION/roster', says: 'paste' },
  { path: '/classes/WEATHER/weather', says: 'Weather' },
  { path: '/students/STUDENT', says: 'The term with' },
  { path: '/students/STUDENT?page=record', says: 'Time in class' },
  { path: '/students/WORKER?page=work', says: 'In the last four weeks' },
  { path: '/students/STUDENT?page=notes', says: 'Notes: ' },
  { path: '/students/STUDENT?page=shared', says: 'Who else reads' },
  { path: '/students/STUDENT/reader-page', says: 'Names on this page' },
  { path: '/classes/SECTION/reader-page', says: 'Names on this page' },
  { path: '/classes/SECTION/own-view', says: 'As seen by' },
  {
    path: '/classes/SECTION/own-view',
    says: 'As seen by',
    taps: ['Dario Quispe: no card'],
    then: 'There is none yet',
  },
  { path: '/classes/SEATED/papers', says: 'Reports on students' },
  {
    path: '/classes/SEATED/papers',
    says: 'Reports on students',
    taps: ['Who, and a comment on each'],
    then: 'What you say of',
  },
  { path: '/students/STUDENT/erase', says: 'Odalys Brandt' },
  { path: '/range', says: 'First day' },
  { path: '/participants?lessonId=LESSON', says: 'paste the list' },
  { path: '/write?sectionId=SECTION', says: 'guardians' },
  { path: '/again', says: 'Friday' },
  { path: '/notes', says: 'All notes' },
  { path: '/notes/NOTE', says: 'Odalys' },
  { path: '/topics', says: 'in all' },
  { path: '/topics/TOPIC', says: 'Who, in the last' },
  { path: '/desk', says: 'Timetable' },
  { path: '/desk', says: 'Timetable', taps: ['Add a term'], then: 'First day' },
  { path: '/desk', says: 'Timetable', taps: ['Add a lesson'], then: 'A weekly lesson' },
  { path: '/desk', says: 'Timetable', taps: ['Add a day off'], then: 'First day' },
  { path: '/desk', says: 'Timetable', taps: ['Take some out of the timetable'], then: 'Done' },
  { path: '/desk/look-fors', says: 'Shared a tool' },
  { path: '/desk/vocabulary', says: 'counts as away' },
  { path: '/desk/outbox', says: 'Outbox' },
  { path: '/desk/mail', says: 'The mail server' },
  { path: '/desk/shared', says: 'Shared' },
  { path: '/desk/colleagues', says: 'Invite' },
  { path: '/check-in/TOKEN', says: 'Dario' },
];

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
  // Some forty screens one after the other, on a small machine.
  400_000,
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
