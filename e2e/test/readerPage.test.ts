import type { Browser, Page } from 'puppeteer-core';
import { faultsOf } from '../src/accessible';
import { openPage, says, tap, textOf, type } from '../src/browser';
import { change, send, takeRolls, type Classroom } from '../src/classroom';
import { linkShown, openWithoutScripts } from '../src/links';
import { closeSchool, openSchool } from '../src/school';
import type { RestartableServer } from '../src/server';

const today = '2026-11-23';
let server: RestartableServer;
let browser: Browser;
let page: Page;
let room: Classroom;

beforeEach(async () => {
  ({ server, browser, page, room } = await openSchool(`${today}T10:42:00Z`, 6, 'phone'));
});
afterEach(async () => {
  await closeSchool({ server, browser });
});

/** What the preview shows, as text. */
const previewed = async (): Promise<string> => {
  const frame = await page.waitForSelector('iframe');
  return (await frame!.evaluate((node) => node.srcdoc)).replace(/<[^>]*>/g, ' ');
};

test('a page is chosen, seen, handed on, read without a script, answered, and ended', async () => {
  await takeRolls(room, { '2026-11-16': [1], '2026-11-18': [] });
  const [first = '', second = ''] = room.studentIds;
  const note = {
    ...{
      id: 'note1',
      text: 'Pupil01 explained the lock to Pupil02.',
      at: `${today}T10:45:00.000Z`,
      own: false,
    },
    ...{ happenedAt: null, lesson: null, sectionId: room.sectionId, place: '', doubts: [], topics: [] },
    students: [first, second].map((studentId) => ({ studentId, spans: [] })),
    lookAgainOn: null,
  };
  await send(room.client, [change('note.write', note, `${today}T10:45:00.000Z`)]);
  await page.goto(`${server.address}/students/${first}?page=shared`);
  await tap(page, 'A page for a reader');
  await says(page, 'No other student is in it.');
  await type(page, 'Who reads it', 'Ada Abara');
  await tap(page, '23 Nov: Pupil01 explained');
  await says(page, 'Only as initials: Pupil02 Brodie (P. B.)');
  await tap(page, 'Draft it from the facts');
  await new Promise((resolve) => setTimeout(resolve, 1500));
  const seen = await previewed();
  expect(seen).toContain('Pupil01 was there in 1 of 2 lessons.');
  expect(seen).toContain('Pupil01 explained the lock to P. B.');
  expect(await faultsOf(page)).toEqual([]);
  await tap(page, 'Make the page');
  await says(page, 'Whoever has it can read the page.');
  const link = await linkShown(browser, page, server.address);
  expect(link).toContain('/read/');

  const reader = await openWithoutScripts(browser, link);
  const read = await textOf(reader);
  for (const words of ['Pupil01 Abara', '1 of 2 lessons', 'explained the lock to P. B.', 'until 7 December'])
    expect(read).toContain(words);
  expect(read).not.toContain('Pupil02');
  await reader.type('textarea', 'Thank you, she is well again.');
  await Promise.all([reader.waitForNavigation(), reader.click('button')]);
  expect(await textOf(reader)).toContain('Your words have reached Ines Halloran.');

  await page.goto(`${server.address}/students/${first}?page=notes`);
  await says(page, 'Ada Abara wrote back:');
  await page.goto(`${server.address}/students/${first}?page=shared`);
  await says(page, 'opened 2 times, last on 23 Nov');
  await tap(page, 'End it: the page for Ada Abara');
  await says(page, 'Ended on 23 Nov');
  await reader.goto(link);
  expect(await textOf(reader)).toContain('There is no page here, or it has ended.');
  await page.goto(`${server.address}/desk/shared`);
  await says(page, '0 pages open');
});

test('a reader’s page and the question for its code keep the rules for everybody, and weigh little', async () => {
  const [first = ''] = room.studentIds;
  await takeRolls(room, { '2026-11-16': [1], '2026-11-18': [] });
  const made = async (language: string, code: string) => {
    const settings = {
      ...{ studentIds: [first], reader: 'Ada', relation: 'home', language, from: '2026-11-02', to: null },
      ...{
        presence: true,
        engagement: true,
        work: true,
        weather: true,
        lookFors: [],
        noteIds: [],
        stepIds: [],
      },
      ...{ summary: 'Well done.', mayWriteBack: true },
    };
    const body = { settings, until: '2026-12-07', code, email: '' };
    return (await room.client.postJson<{ token: string }>('/api/reader-pages', body)).token;
  };
  const reader = await openPage(await browser.createBrowserContext(), 'phone');
  const weights: number[] = [];
  reader.on(
    'response',
    (answer) =>
      void answer.buffer().then(
        (bytes) => weights.push(bytes.length),
        () => undefined,
      ),
  );
  const faults: Record<string, string[]> = {};
  for (const scheme of ['light', 'dark'])
    for (const [language, code] of [
      ['en', ''],
      ['ar', ''],
      ['vi', 'tern 12'],
    ] as const) {
      await reader.emulateMediaFeatures([{ name: 'prefers-color-scheme', value: scheme }]);
      await reader.goto(`${server.address}/read/${await made(language, code)}`, {
        waitUntil: 'networkidle0',
      });
      const found = await faultsOf(reader);
      if (found.length > 0) faults[`${scheme} ${language} ${code}`] = found;
      if (weights.length > 0)
        expect(weights.splice(0).reduce((sum, one) => sum + one, 0)).toBeLessThan(60_000);
      const sideways = await reader.evaluate(() => document.documentElement.scrollWidth > window.innerWidth);
      expect(sideways).toBe(false);
    }
  expect(faults).toEqual({});
});
