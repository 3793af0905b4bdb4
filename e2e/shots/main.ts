import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import type { Page } from 'puppeteer-core';
import { startDemo } from '@slate-path/demo/startDemo';
import type { LookFor, Meeting, ObservationPlan, Section, Student } from '@slate-path/core/records/schema';
import { ApiClient } from '@slate-path/demo/apiClient';
import { openBrowser, openPage, openStudent, saved, says, tap, type sizes } from '../src/browser';

/** `npm run shots`: one picture of each main view, from the demo at a fixed moment. */
const folder = path.join(process.cwd(), 'docs', 'screenshots');
const now = '2026-11-23T10:43:00Z';

interface Shot {
  name: string;
  path: string;
  size: keyof typeof sizes;
  theme?: 'dark';
  before?: (page: Page) => Promise<void>;
}

const running = await startDemo({
  folder: fs.mkdtempSync(path.join(os.tmpdir(), 'slate-shots-')),
  port: 0,
  host: '127.0.0.1',
  pages: path.join(process.cwd(), 'app', 'dist'),
  fresh: true,
  fixedNow: now,
});
const client = await ApiClient.signIn(running.address, '/api/demo-sign-in', {});
const { section, student } = await client.get<{ section: Section[]; student: Student[] }>('/api/setup');
const boats = section.find(({ name }) => name === 'Boat Workshop')?.id ?? '';
const shore = section.find(({ name }) => name === 'Shore Ecology')?.id ?? '';
const logs = section.find(({ name }) => name === 'Log-keeping')?.id ?? '';
const odalys = student.find(({ familyName }) => familyName === 'Brandt')?.id ?? '';

/** Two colleagues in one of the classes: one teaches it too, one assists. */
for (const [name, role] of [
  ['Bela Roth', 'teacher'],
  ['Asa Quill', 'assistant'],
] as const) {
  const { token } = await client.postJson<{ token: string }>('/api/invitations', {
    ...{ name, role, sectionId: boats },
  });
  await ApiClient.signIn(running.address, `/api/invitations/${token}/accept`, {
    ...{ name, passphrase: 'seven grey herons' },
  });
}

const takeRoll = async (page: Page) => {
  for (const name of ['Mei Tanaka', 'Odalys', 'Dario']) await tap(page, name);
  await openStudent(page, 'Mei Tanaka');
  await tap(page, 'Away, excused');
  await tap(page, 'Close');
  await openStudent(page, 'Dario');
  await tap(page, 'Late');
  await tap(page, 'Close');
  await tap(page, 'Show as a board');
  await page.evaluate(() => document.querySelector('[id^="row-"]')?.scrollIntoView());
};

const tallyLesson = async (page: Page) => {
  await tap(page, 'Sets and look-fors');
  await tap(page, 'Workshop');
  await tap(page, 'Close');
  await tap(page, 'Shared a tool');
  for (const name of [
    'Adaeze',
    'Adaeze',
    'Bram',
    'Farid',
    'Farid',
    'Farid',
    'Farid',
    'Farid',
    'Farid',
    'Jun',
  ])
    await tap(page, name);
  await tap(page, 'Unsafe');
  for (const name of ['Kaia', 'Farid', 'Kaia']) await tap(page, name);
  await tap(page, 'Emre');
  await tap(page, 'Shared a tool');
  await tap(page, 'Kenji');
  await page.evaluate(() => document.querySelector('[id^="tile-"]')?.scrollIntoView());
};

const sitInCircle = async (page: Page) => {
  await says(page, 'As last time');
  await tap(page, 'Begin with');
  await says(page, 'Tap whoever');
  const seats = await page.evaluate(() =>
    [...document.querySelectorAll('[data-testid=seat]')].map((seat) => seat.getAttribute('aria-label') ?? ''),
  );
  const said = [3, 1, 0, 2, 6, 0, 1, 4, 0, 2];
  await tap(page, 'Gave evidence');
  for (const [index, times] of said.entries())
    for (let time = 0; time < times; time += 1) await tap(page, (seats[index] ?? '').split(':')[0] ?? '');
  await tap(page, 'Put Gave evidence down');
};

const typeNote = async (page: Page) => {
  await tap(page, 'Write a note');
  await says(page, 'Just type, or dictate');
  await page.keyboard.type('dario and mei both stuck on splicing, dario wants till thursday');
  await says(page, 'Which Mei?');
};

/** A game of four sides that is on, as the whole room sees it. */
const showSides = async (page: Page) => {
  await tap(page, 'Start the game');
  const given = { Star: 3, Ring: 5, Wave: 2, Cross: 4 };
  for (const [side, times] of Object.entries(given))
    for (let time = 0; time < times; time += 1) await tap(page, `${side}:`);
  await tap(page, 'Next round');
  await tap(page, 'A tap gives +5');
  await tap(page, 'Wave:');
  await page.goto(`${running.address}/screen`, { waitUntil: 'networkidle2' });
  await says(page, 'Wave leads');
};

/** The page that a student sees; on the clock of these pictures the class's lesson is on. */
async function studentsPage(): Promise<string> {
  const { token } = await client.postJson<{ token: string }>(`/api/sections/${boats}/check-in-links`, {});
  return `/check-in/${token}`;
}

const comeIn = async (page: Page) => {
  await tap(page, 'Mei Ta');
  await tap(page, 'breaks');
};

/** What a parent gets of the student who has gone quiet. */
async function readersPage(): Promise<string> {
  const { lookFor } = await client.get<{ lookFor: LookFor[] }>('/api/setup');
  const asked = lookFor.find(({ name }) => name === 'Asked why')?.id ?? '';
  const settings = {
    ...{ studentIds: [odalys], reader: 'Gaia Brandt', relation: 'home', language: 'en', from: '2026-08-24' },
    ...{ to: null, presence: true, engagement: true, work: false, weather: false, noteIds: [], stepIds: [] },
    lookFors: [{ id: asked, comment: '' }],
    summary:
      'Odalys is in every lesson. Since the end of October she asks less and rows less than she used to. I would like to hear how it looks from home.',
    mayWriteBack: true,
  };
  const page = { settings, until: '2026-12-07', code: '', email: '' };
  const { token } = await client.postJson<{ token: string }>('/api/reader-pages', page);
  return `/read/${token}`;
}

/** What is watched closely in the class of the pictures. */
async function planOfClass(): Promise<string> {
  const { observationPlan } = await client.get<{ observationPlan: ObservationPlan[] }>(
    `/api/sections/${boats}/observations?from=2026-08-24&to=2026-11-23`,
  );
  return observationPlan[0]?.id ?? '';
}

async function lessonToday(ofSection = boats): Promise<string> {
  const { meeting } = await client.get<{ meeting: Meeting[] }>('/api/setup');
  const today = meeting.find(({ sectionId, weekday }) => sectionId === ofSection && weekday === 1);
  return `${today?.id ?? ''}.${now.slice(0, 10)}`;
}

const watched = await planOfClass();
const shots: Shot[] = [
  { name: 'lesson-phone', path: '/', size: 'phone', before: takeRoll },
  { name: 'room-wide', path: `/classes/${boats}/room`, size: 'wide' },
  { name: 'tally-phone', path: '/?mode=tally', size: 'phone', before: tallyLesson },
  { name: 'big-screen-wide', path: '/?mode=sides', size: 'wide', before: showSides },
  {
    name: 'close-watch-wide',
    path: `/classes/${boats}/watched/${watched}`,
    size: 'wide',
    before: (page) => says(page, 'Two observers'),
  },
  { name: 'note-phone', path: '/', size: 'phone', before: typeNote },
  { name: 'notes-wide', path: '/notes?words=splices', size: 'wide' },
  {
    name: 'circle-board-wide',
    path: `/lessons/${encodeURIComponent(await lessonToday(shore))}?mode=circle`,
    size: 'wide',
    theme: 'dark',
    before: sitInCircle,
  },
  { name: 'counts-wide', path: `/classes/${shore}/counts`, size: 'wide' },
  { name: 'month-wide', path: `/classes/${boats}/months/2026-11`, size: 'wide' },
  { name: 'reader-phone', path: await readersPage(), size: 'phone' },
  {
    name: 'class-wide',
    path: `/classes/${boats}`,
    size: 'wide',
    before: (page) => says(page, 'Patterns beyond chance', 60_000),
  },
  { name: 'check-in-phone', path: await studentsPage(), size: 'phone', before: comeIn },
  {
    name: 'work-wide',
    path: `/classes/${logs}/work`,
    size: 'wide',
    before: (page) => says(page, 'did something'),
  },
  // The list is reckoned on a new demo's first look.
  {
    name: 'watch-phone',
    path: '/watch',
    size: 'phone',
    before: (page) => says(page, 'need you', 30_000),
  },
  { name: 'ticks-wide', path: `/classes/${boats}/ticks`, size: 'wide' },
  { name: 'path-wide', path: `/students/${odalys}`, size: 'wide' },
  {
    name: 'own-page-wide',
    path: `/classes/${logs}/own-view`,
    size: 'wide',
    before: async (page) => {
      await says(page, 'As seen by');
      await page.waitForSelector('iframe');
    },
  },
  { name: 'papers-wide', path: `/classes/${logs}/papers`, size: 'wide' },
];

const browser = await openBrowser();
const wanted = process.argv.slice(2);
for (const { name, path: place, size, theme, before } of shots) {
  if (wanted.length > 0 && !wanted.includes(name)) continue;
  const page = await openPage(await browser.createBrowserContext(), size);
  await page.emulateMediaFeatures([
    { name: 'prefers-color-scheme', value: theme ?? 'light' },
    { name: 'prefers-reduced-motion', value: 'reduce' },
  ]);
  await page.goto(running.address + place, { waitUntil: 'networkidle2' });
  if (!/^\/(?:check-in|read)\//.test(place)) await saved(page);
  await before?.(page);
  await new Promise((resolve) => setTimeout(resolve, 900));
  await page.screenshot({ path: path.join(folder, `${name}.png`) });
  await page.close();
}
await browser.close();
await running.stop();
process.exit(0);
