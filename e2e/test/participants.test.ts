import type { Browser, Page } from 'puppeteer-core';
import { saved, says, tap, textOf, type } from '../src/browser';
import { marksOn, type Classroom } from '../src/classroom';
import { closeSchool, openSchool } from '../src/school';
import type { RestartableServer } from '../src/server';

let server: RestartableServer;
let browser: Browser;
let page: Page;
let room: Classroom;

beforeAll(async () => {
  ({ server, browser, page, room } = await openSchool('2026-11-23T12:00:00Z', 12, 'phone'));
});

afterAll(async () => {
  await closeSchool({ server, browser });
});

const list = `Harbour call
Participants: 6

Name,Joined,Left
Pupil01 Abara,"11/23/2026, 10:38:02 AM","11/23/2026, 11:31:00 AM"
Brodie Pupil02,"11/23/2026, 10:52:10 AM","11/23/2026, 11:00:00 AM"
Brodie Pupil02,"11/23/2026, 11:02:00 AM","11/23/2026, 11:30:00 AM"
Pupil03 C.,"11/23/2026, 10:40:00 AM","11/23/2026, 11:10:00 AM"
Pupil11,"11/23/2026, 10:40:00 AM",
Abara,"11/23/2026, 10:41:00 AM",
Robin Fields,"11/23/2026, 10:30:00 AM",
`;
const away = ['04', '05', '06', '07', '08', '09', '10', '12'].map((number) => `Pupil${number} A`);

async function paste(): Promise<void> {
  await says(page, 'Or paste the list here');
  await tap(page, 'Or paste the list here');
  await page.keyboard.sendCharacter(list);
  await tap(page, 'Read what I pasted');
}

test('a list with doubt settled, recorded, pasted again, and moved to the right day', async () => {
  // Mei marked somebody by hand before: that is not overwritten unseen.
  await tap(page, 'Pupil05');
  await saved(page);
  await tap(page, 'More about this lesson');
  await tap(page, 'From a participant list');
  await paste();
  await says(page, '2 here, 1 late, 1 left early, 8 away');
  await says(page, 'Who is this? 2');
  await says(page, 'Left out: 2');
  await says(page, 'late, 10:52, 12 minutes');
  await tap(page, 'Nobody of this class');
  await says(page, 'already away');
  await tap(page, 'Record');
  await says(page, 'Recorded: 9 marks');
  await saved(page);
  const recorded = ['Pupil02 L 10:52', 'Pupil03 E 11:10', ...away].sort();
  expect(await marksOn(room.client, '2026-11-23')).toEqual(recorded);

  // The same list again changes nothing, and the answer is remembered.
  await tap(page, 'Another list');
  await paste();
  await says(page, 'This list changes nothing');
  await says(page, 'Who is this? 1');
  expect(await marksOn(room.client, '2026-11-23')).toEqual(recorded);

  // It was Friday's.
  await tap(page, 'Fri 20 Nov, 10:40');
  await tap(page, 'Move to Fri 20 Nov');
  await says(page, 'Moved to Fri 20 Nov');
  await saved(page);
  const moved = recorded.filter((mark) => !mark.startsWith('Pupil05'));
  expect(await marksOn(room.client, '2026-11-20')).toEqual(moved);
  expect(await marksOn(room.client, '2026-11-23')).toEqual(['Pupil05 A']);
  await tap(page, 'Take back');
  await saved(page);
  expect(await marksOn(room.client, '2026-11-23')).toEqual(recorded);
  expect(await marksOn(room.client, '2026-11-20')).toEqual([]);
});

test('a list that is none gets a sentence and changes nothing', async () => {
  const before = await marksOn(room.client, '2026-11-23');
  await page.goto(`${server.address}/participants?lessonId=${encodeURIComponent(await lessonOf())}`);
  await type(page, 'Or paste the list here', '12, 13');
  await tap(page, 'Read what I pasted');
  await says(page, 'There is no name and no e-mail address in this list.');
  expect(await textOf(page)).not.toContain('Record');
  expect(await marksOn(room.client, '2026-11-23')).toEqual(before);
});

async function lessonOf(): Promise<string> {
  const { lesson } = await room.client.get<{ lesson: { id: string; date: string }[] }>('/api/setup');
  return lesson.find(({ date }) => date === '2026-11-23')?.id ?? '';
}
