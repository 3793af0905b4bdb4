import type { Browser, Page } from 'puppeteer-core';
import { openStudent, saved, says, tap, textOf, type } from '../src/browser';
import { marksOn, type Classroom } from '../src/classroom';
import { closeSchool, openSchool } from '../src/school';
import type { RestartableServer } from '../src/server';

let server: RestartableServer;
let browser: Browser;
let page: Page;
let room: Classroom;

beforeAll(async () => {
  ({ server, browser, page, room } = await openSchool('2026-11-23T15:00:00Z', 2, 'phone'));
});

afterAll(async () => {
  await closeSchool({ server, browser });
});

async function add(what: string, minutes: string): Promise<void> {
  await tap(page, 'Add a piece');
  await type(page, 'What', what);
  await type(page, 'Minutes (may stay empty)', minutes);
  await tap(page, 'Add it');
  await says(page, what);
  await saved(page);
}

test('a day with finished work counts as attended, half or whole, and is counted anew when the work changes', async () => {
  await page.goto(`${server.address}/classes/${room.sectionId}/pieces?of=first`);
  // Without being told so, a class does not count by finished work: nobody is away.
  await add('Knots', '20');
  expect(await marksOn(room.client, '2026-11-23')).toEqual([]);
  await tap(page, 'Take back');
  await saved(page);
  await tap(page, 'Yes');
  await type(page, 'Minutes of a whole day', '90');
  await tap(page, 'Count so');
  await add('Chart of the bay', '45');
  await says(page, '0.5 days, 45 minutes, 1 piece finished');
  await says(page, 'Monday 23 November, half a day');
  // Half of the lesson from 10:40 to 11:30; the other child did nothing and is away.
  expect(await marksOn(room.client, '2026-11-23')).toEqual(['Pupil01 E 11:05', 'Pupil02 A']);
  await add('Log of the tides', '50');
  await says(page, '1 day, 1 h 35, 2 pieces finished');
  expect(await marksOn(room.client, '2026-11-23')).toEqual(['Pupil02 A']);

  // It is a piece of work like others: it stands with the class's pieces and on the student's page.
  await tap(page, 'Pupil01 A.: choose whose work');
  await tap(page, 'the class');
  await says(page, '2 pieces of work of the class; nothing waits for you.');
  await tap(page, 'Log of the tides, Pupil01');
  await says(page, '1 day, 1 h 35, 2 pieces finished');
  await page.goto(`${server.address}/students/${room.studentIds[0] ?? ''}?page=work`);
  await says(page, 'own work, done');

  // A mark made by hand stays, whatever the work says afterwards.
  await page.goto(server.address);
  await tap(page, 'Pupil02');
  await saved(page);
  expect(await marksOn(room.client, '2026-11-23')).toEqual([]);
  await page.goto(`${server.address}/classes/${room.sectionId}/pieces?of=first`);
  await tap(page, 'Change Log of the tides');
  await tap(page, 'Remove it');
  await says(page, '0.5 days');
  await saved(page);
  expect(await marksOn(room.client, '2026-11-23')).toEqual(['Pupil01 E 11:05']);
  await page.goto(server.address);
  await openStudent(page, 'Pupil01');
  await says(page, 'From finished work.');
  expect(await textOf(page)).toContain('Left at');

  // A class that does not count by it any more is as if nothing had come of it.
  await page.goto(`${server.address}/classes/${room.sectionId}/pieces?of=first`);
  await tap(page, 'No');
  await saved(page);
  expect(await marksOn(room.client, '2026-11-23')).toEqual([]);
});
