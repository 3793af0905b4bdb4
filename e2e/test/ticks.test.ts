import type { Browser, Page } from 'puppeteer-core';
import type { Tick } from '@slate-path/core/records/schema';
import { openBrowser, openPage, saved, says, tap, textOf, type } from '../src/browser';
import { makeClassroom, type Classroom } from '../src/classroom';
import { catchDownloads } from '../src/downloads';
import { signIn } from '../src/school';
import { RestartableServer } from '../src/server';

let server: RestartableServer;
let browser: Browser;
let page: Page;
let room: Classroom;

beforeAll(async () => {
  server = await RestartableServer.create();
  await server.start('2026-11-23T10:42:00Z', 'runs');
  room = await makeClassroom(server.address, 8);
  browser = await openBrowser();
  page = await openPage(browser, 'phone');
  await signIn(page, server.address);
});

afterAll(async () => {
  await browser.close();
  await server.end('SIGTERM');
});

const sheet = () => page.goto(`${server.address}/classes/${room.sectionId}/ticks`);
const tapStudent = (index: number, on = page) => on.click(`#tick-${room.studentIds[index] ?? ''}`);

/** What the server has of a student, by the column's name. */
async function cell(columnName: string, index: number): Promise<Partial<Tick> | undefined> {
  const { tick = [], tickColumn = [] } = await room.client.get<{
    tick?: Tick[];
    tickColumn?: { id: string; name: string; removed: boolean }[];
  }>('/api/sync');
  const column = tickColumn.find(({ name, removed }) => name === columnName && !removed);
  return tick.find(
    ({ columnId, studentId }) => columnId === column?.id && studentId === room.studentIds[index],
  );
}

test('a fee of a club: all have paid but the few, one paid a part, one owes less; a receipt, and a letter to who owes', async () => {
  await sheet();
  await says(page, 'The small things will stand here');
  await tap(page, 'Add a column');
  await tap(page, 'Add it');
  await says(page, 'What is it called?');
  await type(page, 'What', 'Boat fee');
  await tap(page, 'Fee');
  await type(page, 'What each owes', 'twelve');
  await tap(page, 'Add it');
  await says(page, 'A number above 0');
  await type(page, 'What each owes', '12,50');
  await type(page, 'Money', '€');
  await tap(page, 'Add it');
  await says(page, '8 still owe 100');
  await tap(page, 'All have paid');
  await says(page, 'all is paid');
  await tapStudent(1);
  await tapStudent(2);
  await says(page, '2 still owe 25');
  await tap(page, 'all is paid today: choose what a tap says');
  await tap(page, 'what you type');
  await tapStudent(1);
  await type(page, 'Paid, €', '5');
  await type(page, 'Owes something else than 12.50\u00A0€', '10');
  await tap(page, 'Keep it');
  await says(page, '2 still owe 17.50');
  await saved(page);
  expect(await cell('Boat fee', 1)).toMatchObject({ value: '5', owes: 10, on: '2026-11-23' });
  expect(await cell('Boat fee', 0)).toMatchObject({ value: '12.5', on: '2026-11-23' });
  const download = await catchDownloads(browser);
  await tapStudent(1);
  await tap(page, 'Receipt as PDF');
  expect(await download()).toMatch(/receipts\.pdf$/);
  await tap(page, 'Close');
  await tap(page, 'More: Boat fee');
  await tap(page, 'Write to who owes');
  await says(page, 'Still owes (2)');
  await says(page, 'No address (2): Pupil02 Brodie, Pupil03 Calloway');
});

test('on the wide sheet a column is typed down by keyboard; what is no number is told and what stood there stays', async () => {
  const wide = await openPage(browser, 'wide');
  await wide.goto(`${server.address}/classes/${room.sectionId}/ticks`);
  await tap(wide, 'Add a column');
  await type(wide, 'What', 'Knots');
  await tap(wide, 'So many of');
  await type(wide, 'Of how many', '8');
  await tap(wide, 'Add it');
  await wide.waitForSelector('[data-row="0"][data-at="1"]');
  await wide.focus('[data-row="0"][data-at="1"]');
  for (const value of ['8', '7', 'some', '9', '3']) {
    await wide.keyboard.type(value);
    await wide.keyboard.press('Enter');
  }
  await says(wide, 'Pupil03 Calloway, Knots: “some” is no number. What stood there is kept.');
  await says(wide, 'Pupil04 Demir, Knots: “9” is more than the 8.');
  await wide.focus('[data-row="2"][data-at="1"]');
  await wide.keyboard.type('n/a');
  await wide.keyboard.press('ArrowDown');
  await saved(wide);
  expect(await cell('Knots', 0)).toMatchObject({ value: '8' });
  expect(await cell('Knots', 1)).toMatchObject({ value: '7' });
  expect(await cell('Knots', 2)).toMatchObject({ value: null, exempt: true });
  expect(await cell('Knots', 3)).toBeUndefined();
  await tap(wide, '2 columns: choose');
  await tap(wide, 'the 2 that lack');
  expect(await textOf(wide)).not.toContain('Pupil08 Halvorsen\n8');
  await wide.close();
});

test('without a network what is ticked stays, and goes when it is back; a column that was removed comes back whole', async () => {
  await sheet();
  await tap(page, 'Knots');
  await says(page, 'A tap says one more');
  await page.setOfflineMode(true);
  await tapStudent(1);
  await tapStudent(4);
  await tapStudent(4);
  await says(page, 'kept on this device');
  await page.setOfflineMode(false);
  await saved(page);
  expect([(await cell('Knots', 1))?.value, (await cell('Knots', 4))?.value]).toEqual(['8', '5']);
  await tap(page, 'More: Knots');
  await tap(page, 'Remove the column');
  await says(page, '1 column');
  await tap(page, 'Take back');
  await tap(page, 'Knots');
  await says(page, 'altogether');
  expect((await cell('Knots', 4))?.value).toBe('5');
});

test('a pasted table: each column’s place and each doubt is shown, taken in as one step, and taken back', async () => {
  await page.goto(`${server.address}/classes/${room.sectionId}/ticks/bring`);
  const table = [
    'Name\tKnots\tLocker',
    'Pupil01 Abara\t4\tA1',
    'Pupil06 Faro\t6/8\tA2',
    'Demir, Pupil04\tperhaps\tA3',
    'Zoe Nobody\t8\tA4',
  ].join('\n');
  await type(page, 'Or paste the cells here', table);
  await tap(page, 'Read what I pasted');
  await says(page, '2 columns (1 new)');
  await says(page, 'Zoe Nobody');
  await says(page, 'Line 4: Knots: “perhaps” is no number');
  await tap(page, 'into a new column: choose where Locker goes');
  await tap(page, 'nowhere');
  await says(page, '1 column (0 new), 2 cells to be written: 1 new, 1 changed, 0 the same');
  await tap(page, 'Take it in');
  await says(page, 'Taken in: 2 cells');
  await saved(page);
  expect((await cell('Knots', 0))?.value).toBe('4');
  expect((await cell('Knots', 5))?.value).toBe('6');
  await tap(page, 'Take back');
  await saved(page);
  expect((await cell('Knots', 0))?.value).toBe('8');
});

test('who still owes, in all classes: once each, with everything; a tap takes it in', async () => {
  await page.goto(`${server.address}/owing`);
  await says(page, 'In all classes, 7 still owe something');
  const rows = await page.$$eval('[data-testid=owing-row]', (all) => all.map((row) => row.textContent));
  expect(rows[0]).toContain('Pupil02 Brodie');
  expect(rows[0]).toContain('Boat fee (5');
  await tap(page, 'Pupil02 Brodie: Boat fee');
  await saved(page);
  expect(await cell('Boat fee', 1)).toMatchObject({ value: '10', owes: 10 });
  await says(page, '6 still owe something');
});
