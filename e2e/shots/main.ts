import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import type { Page } from 'puppeteer-core';
import { startDemo } from '@slate-path/demo/startDemo';
import { participantList } from '@slate-path/demo/meetingTool';
import type { Meeting, Section, Student } from '@slate-path/core/records/schema';
import { ApiClient } from '@slate-path/demo/apiClient';
import { control, openBrowser, openPage, saved, says, tap, type, type sizes } from '../src/browser';

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
const tides = section.find(({ name }) => name === 'Tides and Navigation')?.id ?? '';
const advisory = section.find(({ name }) => name === 'Watch')?.id ?? '';
const tomasz = student.find(({ familyName }) => familyName === 'Afolabi')?.id ?? '';

const takeRoll = async (page: Page) => {
  for (const name of ['Mei Tanaka', 'Odalys', 'Dario']) await tap(page, name);
  await tap(page, 'More about Mei Tanaka');
  await tap(page, 'Away, excused');
  await tap(page, 'Close');
  await tap(page, 'More about Dario');
  await tap(page, 'Late');
  await tap(page, 'Close');
  await page.evaluate(() => document.querySelector('[id^="row-"]')?.scrollIntoView());
};

const catchUp = async (page: Page) => {
  await tap(page, 'Esme Lindholm, Fri 20 Nov');
  await tap(page, 'Hana Ghebre, Fri 20 Nov');
  await tap(page, 'All here, Mon 23 Nov');
};

const awayForATrip = async (page: Page) => {
  await type(page, 'First day', '2026-11-18');
  await type(page, 'Last day', '2026-11-27');
  await tap(page, 'Astrid Seabrook');
  await says(page, 'Record');
  await (await control(page, 'Record')).evaluate((node) => node.scrollIntoView({ block: 'end' }));
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

async function lessonNow(): Promise<string> {
  const { meeting } = await client.get<{ meeting: Meeting[] }>('/api/setup');
  const today = meeting.find(({ sectionId, weekday }) => sectionId === boats && weekday === 1);
  return `${today?.id ?? ''}.${now.slice(0, 10)}`;
}

const readList = async (page: Page) => {
  const students = student.filter(({ email }) => email !== '').slice(0, 26);
  const meeting = { title: 'Boat Workshop', date: now.slice(0, 10), startsAt: '10:40', endsAt: '11:30' };
  const list = participantList({ ...meeting, hosts: [], students: [...students, stranger] }, 'report', '1');
  await says(page, 'Or paste the list here');
  await tap(page, 'Or paste the list here');
  await page.keyboard.sendCharacter(list);
  await tap(page, 'Read what I pasted');
  await says(page, 'Who is this?');
  await page.evaluate(() => {
    (document.activeElement as HTMLElement).blur();
  });
};
const stranger = { givenName: 'Mei', familyName: '', called: '', email: '' };

const shots: Shot[] = [
  { name: 'lesson-phone', path: '/', size: 'phone', before: takeRoll },
  { name: 'lesson-board-phone', path: '/', size: 'phone', theme: 'dark' },
  { name: 'lesson-wide', path: '/', size: 'wide' },
  { name: 'mark-phone', path: '/', size: 'phone', before: (page) => tap(page, 'More about Dario') },
  { name: 'month-wide', path: `/classes/${boats}/months/2026-11`, size: 'wide' },
  { name: 'days-wide', path: `/classes/${tides}/days`, size: 'wide', before: catchUp },
  { name: 'totals-wide', path: `/totals?sectionId=${tides}`, size: 'wide' },
  { name: 'range-phone', path: `/range?sectionId=${boats}`, size: 'phone', before: awayForATrip },
  { name: 'write-phone', path: `/write?sectionId=${boats}`, size: 'phone' },
  { name: 'vocabulary-phone', path: '/desk/vocabulary', size: 'phone' },
  { name: 'weather-board-wide', path: `/classes/${advisory}/weather`, size: 'wide', theme: 'dark' },
  { name: 'check-in-phone', path: await studentsPage(), size: 'phone', before: comeIn },
  {
    name: 'participants-phone',
    path: `/participants?lessonId=${encodeURIComponent(await lessonNow())}`,
    size: 'phone',
    before: readList,
  },
  { name: 'watch-phone', path: '/watch', size: 'phone' },
  { name: 'people-wide', path: '/people', size: 'wide' },
  { name: 'class-phone', path: `/classes/${boats}`, size: 'phone' },
  { name: 'path-wide', path: `/students/${tomasz}`, size: 'wide' },
  { name: 'desk-wide', path: '/desk', size: 'wide' },
  {
    name: 'roster-phone',
    path: `/classes/${boats}/roster`,
    size: 'phone',
    before: async (page) => {
      const input = await page.waitForSelector('input[type=file]');
      await input?.uploadFile(path.join(process.cwd(), 'demo', 'files', 'shore-ecology-messy.csv'));
      await says(page, 'in doubt');
    },
  },
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
  if (!place.startsWith('/check-in/')) await saved(page);
  await before?.(page);
  await new Promise((resolve) => setTimeout(resolve, 900));
  await page.screenshot({ path: path.join(folder, `${name}.png`) });
  await page.close();
}
await browser.close();
await running.stop();
process.exit(0);
