import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import type { Browser, ElementHandle, Page } from 'puppeteer-core';
import type { AnswerOf } from '@slate-path/core/api/contract';
import { saved, says, tap, textOf, type } from '../src/browser';
import type { Classroom } from '../src/classroom';
import { closeSchool, openSchool } from '../src/school';
import type { RestartableServer } from '../src/server';

let server: RestartableServer;
let browser: Browser;
let page: Page;
let room: Classroom;

beforeAll(async () => {
  ({ server, browser, page, room } = await openSchool('2026-11-23T12:00:00Z', 28, 'phone'));
});

afterAll(async () => {
  await closeSchool({ server, browser });
});

const work = () =>
  room.client.get<AnswerOf<'classWork'>>(
    `/api/sections/${room.sectionId}/work?from=2026-11-01&to=2026-11-30`,
  );

async function bringFile(name: string, text: string): Promise<void> {
  const file = path.join(fs.mkdtempSync(path.join(os.tmpdir(), 'slate-')), name);
  fs.writeFileSync(file, text);
  const input = (await page.waitForSelector('[data-testid="work-file"]')) as ElementHandle<HTMLInputElement>;
  await input.uploadFile(file);
}

const gradeBook = [
  'Student,Log 1,Log 2 (10),Total',
  'Points possible,20,,30',
  'Due date,2026-11-06 08:30,2026-11-20 08:30,',
  'Pupil01 Abara,15,9,24',
  'Pupil02 Brodie,late,missing,0',
  'Pupil03 C.,12,,12',
  'Pupil11,18,7,25',
  'Robin Fields,1,1,2',
  'Class average,13,8,21',
].join('\n');

test('a wide grade book comes in with its doubts settled; again it changes nothing; it is taken back as one', async () => {
  await page.goto(`${server.address}/classes/${room.sectionId}/work`);
  await says(page, 'Nothing from elsewhere yet');
  await tap(page, 'Bring in work');
  await bringFile('grades.csv', gradeBook);
  await says(page, '2 pieces of work (2 new)');
  await says(page, 'it is about the class');
  await says(page, 'Who is this?');
  await tap(page, 'Nobody of this class');
  await tap(page, 'Take it in');
  await says(page, 'Taken in: 2 pieces');
  await saved(page);
  const { work: pieces, handIn } = await work();
  expect(pieces.map(({ title, dueAt, points }) => [title, dueAt, points]).sort()).toEqual([
    ['Log 1', '2026-11-06T08:30:00', 20],
    ['Log 2', '2026-11-20T08:30:00', 10],
  ]);
  const scores = handIn.flatMap(({ score }) => score ?? []).sort((a, b) => a - b);
  expect(scores).toEqual([7, 9, 12, 15, 18]);
  expect(handIn.find(({ handedInAt }) => handedInAt !== null)?.handedInAt).toBe('2026-11-06T08:31:00');

  await page.goto(`${server.address}/classes/${room.sectionId}/work/bring`);
  await bringFile('grades.csv', gradeBook);
  await says(page, 'There is nothing new in it');
});

const log = [
  'Name,When,Action,Course,Page',
  'Pupil01 Abara,2026-11-19 16:02,opened,Tasks,Log 2',
  'Pupil01 Abara,2026-11-19 16:20,asked,Forum,',
  'Pupil01 Abara,2026-11-19 18:05,handed in,Tasks,Log 2',
  'Pupil02 Brodie,2026-11-20 23:40,opened,Tasks,Log 2',
  'Pupil02 Brodie,2026-11-20 24:00,opened,Tasks,Log 2',
].join('\n');

test('a log of activity comes in; one day is followed by the minute', async () => {
  await tap(page, 'Another file');
  await bringFile('log.csv', log);
  await says(page, '4 actions of 2 students');
  await says(page, 'a day has no hour 24');
  await tap(page, 'Take it in');
  await says(page, '4 new actions');
  await tap(page, 'Show it');
  await says(page, '2 of 28 did something');
  await tap(page, 'Pupil01 Abara');
  await says(page, 'Thursday 19 November');
  await says(page, 'a pause of 1 h 45');
  await says(page, '2 h 03 after it was opened');
  await says(page, '3 actions in 2 sittings');
  expect((await page.$$('[data-testid="day-action"]')).length).toBe(3);
});

test('days that could be read in two ways are asked for once, and taken in as answered', async () => {
  await page.goto(`${server.address}/classes/${room.sectionId}/work/bring`);
  await bringFile(
    'us.csv',
    'Name,When,Action\nPupil04 Demir,11/2/2026 10:00,opened\nPupil04 Demir,10/11/2026 9:00,opened\n',
  );
  await tap(page, 'The month comes first');
  await says(page, 'Sun 11 Oct to Mon 2 Nov');
  await tap(page, 'Take it in');
  await says(page, 'Taken in: 2 new actions');
  const { days } = await work();
  expect(days.map(({ day }) => day)).toContain('2026-11-02');
  await tap(page, 'Take it all back');
  await saved(page);
});

test('what was taken in is taken back as one', async () => {
  await page.goto(`${server.address}/classes/${room.sectionId}/work/bring`);
  await bringFile('more.csv', 'Name,When,Action\nPupil03 Calloway,2026-11-21 10:00,opened\n');
  await tap(page, 'Take it in');
  await says(page, 'Taken in: 1 new action');
  expect((await work()).days).toHaveLength(3);
  await tap(page, 'Take it all back');
  await saved(page);
  expect((await work()).days).toHaveLength(2);
});

test('a piece is made by hand, handed in by all but two, scored by keyboard, and handed back in one go', async () => {
  await page.goto(`${server.address}/classes/${room.sectionId}/pieces`);
  await tap(page, 'Add a piece');
  await type(page, 'What', 'Tide table');
  await type(page, 'Points (may stay empty)', '10');
  await tap(page, 'Add it');
  await tap(page, 'All handed in');
  await tap(page, 'Pupil05');
  await tap(page, 'Pupil06');
  await says(page, '26 of 28 handed in');
  await tap(page, 'Scores');
  await (await page.waitForSelector('[data-testid="score-row"] input'))?.focus();
  for (const score of ['7', '8,5', 'B+', '12', '-1']) {
    await page.keyboard.type(score);
    await page.keyboard.press('Enter');
  }
  await says(page, 'in words: it counts in no average');
  await says(page, 'Below 0 or too long: not kept');
  await says(page, 'more than the 10 points; kept all the same');
  await tap(page, 'Hand back all');
  await saved(page);
  const { work: pieces, handIn } = await work();
  const id = pieces.find(({ title }) => title === 'Tide table')?.id;
  const own = handIn.filter(({ workId }) => workId === id);
  expect(own.filter(({ status }) => status === 'handed_in')).toHaveLength(26);
  expect(own.filter(({ handedBackAt }) => handedBackAt !== null)).toHaveLength(26);
  expect(own.flatMap(({ score }) => score ?? []).sort((a, b) => a - b)).toEqual([7, 8.5, 12]);
  expect(own.flatMap(({ written }) => written ?? [])).toEqual(['B+']);
  await tap(page, 'Take back');
  await saved(page);
  expect((await work()).handIn.filter(({ handedBackAt }) => handedBackAt !== null)).toEqual([]);
  expect(await textOf(page)).toContain('Hand back all');
});
