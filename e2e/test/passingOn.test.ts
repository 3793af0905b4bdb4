import { execFileSync } from 'node:child_process';
import type { Browser, Page } from 'puppeteer-core';
import { faultsOf } from '../src/accessible';
import { openPage, says, tap, textOf, type } from '../src/browser';
import { takeRolls, type Classroom } from '../src/classroom';
import { catchDownloads } from '../src/downloads';
import { linkShown, openWithoutScripts } from '../src/links';
import { closeSchool, openSchool } from '../src/school';
import type { RestartableServer } from '../src/server';

const today = '2026-11-23';
let server: RestartableServer;
let browser: Browser;
let page: Page;
let room: Classroom;
let saved: () => Promise<string>;

beforeEach(async () => {
  ({ server, browser, page, room } = await openSchool(`${today}T10:42:00Z`, 6, 'phone'));
  await takeRolls(room, { '2026-11-16': [1], '2026-11-18': [] });
  saved = await catchDownloads(browser);
});
afterEach(async () => {
  await closeSchool({ server, browser });
});

const textOfPdf = (file: string) => execFileSync('pdftotext', ['-layout', file, '-'], { encoding: 'utf8' });

test('a class shows each student their own page: cards made, one scanned, answered, replaced, the old one refused', async () => {
  await page.goto(`${server.address}/classes/${room.sectionId}/own-view`);
  await says(page, 'Cards open nothing until you show the page to the class.');
  await tap(page, 'Show it to the class');
  await says(page, 'shown since Ines Halloran said so');
  await tap(page, 'Make 6 cards (PDF)');
  const sheet = textOfPdf(await saved());
  for (const name of ['Pupil01', 'Pupil06']) expect(sheet).toContain(name);
  await says(page, 'card of 23 Nov, not opened yet');

  await tap(page, 'Pupil01 Abara: card of 23 Nov');
  await tap(page, 'New card');
  const link = await linkShown(browser, page, server.address);
  await tap(page, 'Done');
  const student = await openWithoutScripts(browser, link);
  const read = await textOf(student);
  for (const words of [
    'Your own page',
    'Pupil01 Abara',
    '1 of 2 lessons',
    'What counts how',
    'Away: counts as away',
  ])
    expect(read).toContain(words);
  expect(read).not.toMatch(/Pupil0[2-6]/);
  await student.type('textarea', 'May I sit in front?');
  await Promise.all([student.waitForNavigation(), student.click('button')]);
  expect(await textOf(student)).toContain('Ines Halloran has your words.');

  await page.goto(`${server.address}/students/${room.studentIds[0] ?? ''}?page=notes`);
  await says(page, 'Pupil01 Abara wrote:');
  await page.goto(`${server.address}/classes/${room.sectionId}/own-view`);
  await says(page, 'opened 2 times, last on 23 Nov');
  await tap(page, 'Pupil01 Abara: card of 23 Nov');
  await tap(page, 'New card');
  await says(page, 'the card before opens nothing any more');
  await student.goto(link);
  expect(await textOf(student)).toContain('There is no page here, or it has ended.');
});

test('a student’s own page keeps the rules for everybody, in both themes and from right to left', async () => {
  const parts = { presence: true, circles: true, work: true, weather: true, words: true };
  const { sectionId, studentIds, client } = room;
  const student = await openPage(await browser.createBrowserContext(), 'phone');
  const faults: Record<string, string[]> = {};
  for (const language of ['en', 'ar', 'vi']) {
    const settings = { ...parts, language };
    await client.postJson(`/api/sections/${sectionId}/own-view`, { settings });
    const { token } = await client.postJson<{ token: string }>(
      `/api/students/${studentIds[0] ?? ''}/card`,
      {},
    );
    for (const scheme of ['light', 'dark']) {
      await student.emulateMediaFeatures([{ name: 'prefers-color-scheme', value: scheme }]);
      await student.goto(`${server.address}/mine/${token}`, { waitUntil: 'networkidle0' });
      const found = await faultsOf(student);
      if (found.length > 0) faults[`${language} ${scheme}`] = found;
    }
  }
  expect(faults).toEqual({});
});

test('reports are made of all but one, with a comment, and a register, a workbook and the class are saved', async () => {
  await page.goto(`${server.address}/classes/${room.sectionId}/papers`);
  await tap(page, 'Who, and a comment on each');
  await tap(page, 'A report on Pupil02');
  await type(page, 'What you say of Pupil01 Abara', 'Back in good spirits.');
  await tap(page, 'Make 5 reports');
  const sheets = textOfPdf(await saved())
    .split('\f')
    .filter(Boolean);
  expect(sheets).toHaveLength(5);
  expect(sheets[0]).toMatch(/Pupil01 Abara[^]*was there in 1 of 2 lessons[^]*Back in good spirits\./);
  expect(sheets.join('')).not.toContain('Pupil02');
  // What was typed is there when the page is opened again.
  await page.reload();
  await tap(page, 'Who, and a comment on each');
  await page.waitForFunction(() =>
    [...document.querySelectorAll('input, textarea')].some(
      (one) => (one as HTMLInputElement).value === 'Back in good spirits.',
    ),
  );
  await tap(page, 'PDF: Register');
  expect(textOfPdf(await saved())).toMatch(/Pupil02[^]*Percent|Percent[^]*Pupil02/);
  await tap(page, 'XLSX: All my classes');
  expect(await saved()).toMatch(/\.xlsx$/);
  await tap(page, 'Zip: To a colleague elsewhere');
  expect(await saved()).toMatch(/class-2026-11-23\.zip$/);
});
