import type { Browser, Page } from 'puppeteer-core';
import type { Meeting, School, Section } from '@slate-path/core/records/schema';
import { control, saved, says, tap, textOf, type } from '../src/browser';
import type { Classroom } from '../src/classroom';
import { closeSchool, openSchool } from '../src/school';
import type { RestartableServer } from '../src/server';

let server: RestartableServer;
let browser: Browser;
let page: Page;
let room: Classroom;

beforeAll(async () => {
  ({ server, browser, page, room } = await openSchool('2026-11-23T09:00:00Z', 12, 'phone'));
});

afterAll(async () => {
  await closeSchool({ server, browser });
});

const setUp = () =>
  room.client.get<{ meeting: Meeting[]; school: School[]; section: Section[] }>('/api/setup');

/** Times of the timetable that still run: day, times, and from which week where every other. */
async function timetable(): Promise<string[]> {
  const { meeting } = await setUp();
  return meeting
    .filter(({ removed, validUntil }) => !removed && validUntil === null)
    .map((one) => `${one.weekday} ${one.startsAt}-${one.endsAt} ${one.everyOtherFrom ?? 'weekly'}`)
    .sort();
}

/** All lines of the field anew. */
async function write(lines: string): Promise<void> {
  const field = await control(page, 'Periods of the day');
  await field.focus();
  await page.keyboard.down('Control');
  await page.keyboard.press('a');
  await page.keyboard.up('Control');
  await field.type(lines);
}

test('periods are typed a line each; a line that cannot be read is told, and nothing typed is lost', async () => {
  await page.goto(`${server.address}/desk`);
  await tap(page, 'Periods');
  await write('P1 8:50–9:40\nlunch\nP3 10.40 to 11.30');
  await tap(page, 'Keep these periods');
  await says(page, 'Line 2: “lunch” has no two times');
  expect((await setUp()).school[0]?.periods).toEqual([]);
  await write('P1 8:50–9:40\nP3 10.40 to 11.30');
  await tap(page, 'Keep these periods');
  await says(page, 'P3 10:40–11:30');
  await saved(page);
  expect((await setUp()).school[0]?.periods.map(({ name }) => name)).toEqual(['P1', 'P3']);
});

test('one form makes lessons of several days, by a period, in every other week; none at once with another', async () => {
  const before = await timetable();
  await tap(page, 'Add a lesson');
  await tap(page, 'Mon');
  await tap(page, 'Thu');
  await tap(page, 'Fri');
  await tap(page, 'P1');
  await tap(page, 'Every other week');
  await tap(page, 'From next week');
  await tap(page, 'Add 2 lessons');
  await says(page, 'next week and every other');
  await tap(page, 'Add a lesson');
  await tap(page, 'Mon');
  await tap(page, 'Thu');
  await tap(page, 'P1');
  await tap(page, 'Add the lesson');
  await says(page, 'On Thursday the class has a lesson from 08:50 to 09:40');
  await tap(page, 'Every other week');
  await tap(page, 'Add the lesson');
  await says(page, 'this week and every other');
  await saved(page);
  const week = (day: number, monday: string) => `${day} 08:50-09:40 ${monday}`;
  expect(await timetable()).toEqual(
    [...before, week(4, '2026-11-30'), week(5, '2026-11-30'), week(4, '2026-11-23')].sort(),
  );
});

test('what its lessons have is chosen for a class, and the first of it opens', async () => {
  await page.goto(`${server.address}/classes/${room.sectionId}/set-up`);
  await tap(page, 'What a lesson has');
  await tap(page, 'Circle');
  await tap(page, 'Sweep earlier');
  await tap(page, 'Sweep earlier');
  await tap(page, 'Close');
  await says(page, 'Sweep, Roll, Tally, Turns');
  await saved(page);
  await page.goto(`${server.address}/`);
  await says(page, 'Tap who is');
  await says(page, 'P3, 10:40 to 11:30');
  const tabs = await page.$$eval('[aria-label="In this lesson"] [role]', (found) =>
    found.map((one) => one.textContent),
  );
  expect(tabs.slice(0, 4)).toEqual(['Sweep', 'Roll', 'Tally', 'Turns']);
});

test('where a part of a day is off, lessons that begin in it are not held, and the others are', async () => {
  await page.goto(`${server.address}/desk`);
  await tap(page, 'Add a day off');
  await type(page, 'Name', 'Early tide');
  await type(page, 'First day', 'today');
  await tap(page, 'Part of the day');
  await tap(page, 'Add');
  await says(page, 'From when, or until when, is it off?');
  await type(page, 'Off from', '10am');
  await tap(page, 'Add');
  await says(page, '23 Nov, from 10:00');
  await saved(page);
  await page.goto(`${server.address}/`);
  await says(page, 'Wed 25 Nov');
  expect(await textOf(page)).not.toContain('Today');
});

test('a period that changes takes the lessons at its times along, and all of it is taken back as one', async () => {
  const before = await timetable();
  await page.goto(`${server.address}/desk`);
  await tap(page, 'Periods');
  await write('P1 8:50–9:40\nP3 10:45–11:35');
  await says(page, 'will move along');
  await tap(page, 'Keep these periods');
  await says(page, 'P3 10:45–11:35');
  await saved(page);
  expect((await timetable()).filter((one) => one.includes('10:40'))).toEqual([]);
  await tap(page, 'Take back: timetable');
  await says(page, 'P3 10:40–11:30');
  await saved(page);
  expect(await timetable()).toEqual(before);
});
