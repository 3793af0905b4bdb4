import type { Browser, Page } from 'puppeteer-core';
import { exceptionsOf, openPage, openStudent, saved, says, tap, textOf, type } from '../src/browser';
import { marksOn, type Classroom } from '../src/classroom';
import { closeSchool, openSchool } from '../src/school';
import type { RestartableServer } from '../src/server';

let server: RestartableServer;
let browser: Browser;
let page: Page;
let room: Classroom;
let link: string;

beforeAll(async () => {
  // Ten minutes into the lesson: whoever comes now is late.
  ({ server, browser, page, room } = await openSchool('2026-11-23T10:50:00Z', 5, 'wide'));
  const path = `/api/sections/${room.sectionId}/check-in-links`;
  const { token } = await room.client.postJson<{ token: string }>(path, {});
  link = `${server.address}/check-in/${token}`;
  await says(page, 'Not taken yet');
});

afterAll(async () => {
  await closeSchool({ server, browser });
});

/** A phone of its own, on the page where the student has found the own name. */
async function phoneOf(name: string): Promise<Page> {
  const phone = await openPage(await browser.createBrowserContext(), 'phone');
  await phone.goto(link);
  await tap(phone, name);
  await says(phone, 'inner weather');
  return phone;
}

test('two phones at once beside the teacher’s roll, which fills by itself', async () => {
  const [first, second] = [await phoneOf('Pupil01 A.'), await phoneOf('Pupil03 C.')];
  await tap(first, 'storm');
  await tap(first, 'I would like a quiet word');
  await type(first, 'Anything else?', 'Hello <i>there</i>');
  await tap(second, 'clear');
  await Promise.all([tap(first, 'I am here'), tap(second, 'I am here')]);
  await says(first, 'You are in, Pupil01 A.');
  await says(second, 'You are in, Pupil03 C.');
  await says(first, 'Late, 10:5');
  await page.bringToFront();
  await says(page, 'Checked in: 2 of 5');
  await says(page, 'Asks for a quiet word: 1');
  await says(page, 'Storm or rain: 1');
  await says(page, 'Hello <i>there</i>');
  // A student's page holds nothing of anybody, not even of the one who said it.
  expect(await textOf(second)).not.toMatch(/storm|Hello/);
});

test('a phone without a network keeps the answer, says so, and sends it by itself', async () => {
  const phone = await phoneOf('Pupil05 E.');
  await phone.setOfflineMode(true);
  await tap(phone, 'I am here');
  await says(phone, 'Kept on this phone');
  await phone.setOfflineMode(false);
  await says(phone, 'You are in, Pupil05 E.');
  await page.bringToFront();
  await says(page, 'Checked in: 3 of 5');
});

test('who is missing is away in one tap; what was said is one tap away; coming in after all is late', async () => {
  await tap(page, 'The 2 missing are away');
  await saved(page);
  expect(await exceptionsOf(page)).toHaveLength(5);
  const marks = await marksOn(room.client, '2026-11-23');
  expect(marks.filter((mark) => mark.endsWith(' A'))).toEqual(['Pupil02 A', 'Pupil04 A']);
  await openStudent(page, 'Pupil01 Abara');
  await says(page, 'asks for a quiet word');
  await says(page, 'From the check-in.');
  const phone = await phoneOf('Pupil02 B.');
  await tap(phone, 'I am here');
  await says(phone, 'Late, 10:5');
  await page.bringToFront();
  await page.waitForFunction(() => document.querySelector('[aria-label^="Pupil02 Brodie: late"]') !== null, {
    timeout: 15_000,
  });
  expect((await marksOn(room.client, '2026-11-23')).find((mark) => mark.startsWith('Pupil02'))).toMatch(
    /^Pupil02 L 10:5\d$/,
  );
});
