import fs from 'node:fs';
import path from 'node:path';
import type { Browser, Page } from 'puppeteer-core';
import { exceptionsOf, saved, says, tap, textOf, type } from '../src/browser';
import {
  change,
  classOnSameRoll,
  marksOn,
  meetingOn,
  send,
  takeRolls,
  type Classroom,
} from '../src/classroom';
import { closeSchool, openSchool } from '../src/school';
import type { RestartableServer } from '../src/server';

let server: RestartableServer;
let browser: Browser;
let page: Page;
let room: Classroom;

/** A class of twelve, signed in, at a moment. */
async function open(size: 'phone' | 'wide', now = '2026-11-23T10:42:00Z'): Promise<void> {
  ({ server, browser, page, room } = await openSchool(now, 12, size));
}

afterEach(async () => {
  await closeSchool({ server, browser });
});

const goTo = (where: string) => page.goto(`${server.address}${where}`);

test('a kind renamed after a month of marks: every sum stays, every mark has the new name; merged, and taken back', async () => {
  await open('phone');
  await takeRolls(room, {
    '2026-11-02': [1, 2],
    '2026-11-04': [1],
    '2026-11-06': [1, 3],
    '2026-11-09': [],
    '2026-11-11': [1],
  });
  const totals = async () => {
    await goTo(`/totals?sectionId=${room.sectionId}`);
    // Five lessons taken, four of them missed: one in five.
    await says(page, '1 of 5');
    return (await textOf(page)).split('\n').filter((line) => /^Pupil|%| of /.test(line));
  };
  const before = await totals();
  expect(before.join(' ')).toContain('Pupil01 Abara 20 % 1 of 5 · 4 away');
  await goTo('/desk/vocabulary');
  await says(page, '6 marks');
  await tap(page, 'Change Away');
  await tap(page, 'Change letter, name or meaning');
  await type(page, 'Letter', 'N');
  await type(page, 'Name', 'Not seen');
  await tap(page, 'Change');
  await says(page, 'Not seen');
  await saved(page);
  expect(await totals()).toEqual(before);
  await goTo(`/classes/${room.sectionId}/months/2026-11`);
  await tap(page, 'Pupil01 Abara');
  await says(page, 'not seen');
  expect(await marksOn(room.client, '2026-11-06')).toEqual(['Pupil01 N', 'Pupil03 N']);

  // It is the only one of its meaning; the excused kind of being away can be merged into it.
  await goTo('/desk/vocabulary');
  await tap(page, 'Change Not seen');
  await says(page, 'It is the only one of its meaning');
  await tap(page, 'Close');
  await tap(page, 'Add a kind');
  await type(page, 'Letter', 'T');
  await type(page, 'Name', 'Truant');
  await tap(page, 'Add it');
  await tap(page, 'Change Not seen');
  await tap(page, 'Merge into another');
  await tap(page, 'Truant');
  await says(page, '6 marks will read “Truant”, with the same meaning: no sum changes.');
  await tap(page, 'Merge into Truant');
  await says(page, 'merged into Truant, 6 marks');
  await saved(page);
  expect(await totals()).toEqual(before);
  await goTo('/desk/vocabulary');
  await tap(page, 'Take back');
  await says(page, 'Not seen');
  await saved(page);
  expect(await totals()).toEqual(before);
});

test('a forgotten week caught up, days side by side on a wide screen', async () => {
  await open('wide', '2026-11-14T09:00:00Z');
  await goTo(`/classes/${room.sectionId}/days`);
  await says(page, '6 lessons are not taken');
  await tap(page, 'Pupil02 Brodie, Mon 9 Nov');
  await tap(page, 'Pupil05 Eklund, Mon 9 Nov');
  await tap(page, 'All here, Wed 11 Nov');
  await tap(page, 'Pupil02 Brodie, Fri 13 Nov');
  // By keyboard: down to the next student, and away.
  await page.focus('[aria-label^="Pupil02 Brodie, Fri 13 Nov"]');
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('Enter');
  await says(page, '3 lessons are not taken');
  await saved(page);
  expect(await marksOn(room.client, '2026-11-09')).toEqual(['Pupil02 A', 'Pupil05 A']);
  expect(await marksOn(room.client, '2026-11-11')).toEqual([]);
  expect(await marksOn(room.client, '2026-11-13')).toEqual(['Pupil02 A', 'Pupil03 A']);
});

test('a range with one day unticked, recorded as one change, and taken back whole', async () => {
  await open('phone');
  await takeRolls(room, { '2026-11-18': [4] });
  await goTo(`/range?studentId=${room.studentIds[3]}`);
  await type(page, 'First day', '2026-11-16');
  await type(page, 'Last day', '2026-11-27');
  // Six lessons; on the 18th the student was marked by hand, so that one waits for a word.
  await says(page, '5 new, 1 in place of another mark');
  await says(page, 'away, excused instead of away, marked by hand');
  await tap(page, 'Wed 25 Nov, 10:40');
  await tap(page, 'Record 4 marks');
  await says(page, '4 marks are recorded.');
  await saved(page);
  const excused = async (date: string) => (await marksOn(room.client, date)).join();
  expect(await excused('2026-11-16')).toBe('Pupil04 X');
  expect(await excused('2026-11-18')).toBe('Pupil04 A');
  expect(await excused('2026-11-25')).toBe('');
  expect(await excused('2026-11-27')).toBe('Pupil04 X');
  await tap(page, 'Take back');
  await saved(page);
  for (const date of ['2026-11-16', '2026-11-20', '2026-11-23', '2026-11-27'])
    expect(await excused(date)).toBe('');
});

test('the message to today’s absent, seen in the outbox; not a second time unawares', async () => {
  await open('phone');
  const [first, second, third] = room.studentIds;
  await send(room.client, [
    ...[first, second].map((id, index) => {
      const [givenName, familyName] = [`Pupil0${index + 1}`, ['Abara', 'Brodie'][index]];
      const student = { givenName, familyName, called: index === 0 ? 'Abi' : '', grade: '', schoolId: '' };
      return change('student.set', {
        id,
        student: { ...student, email: `p${index + 1}@x.org` },
        guardians: [],
      });
    }),
  ]);
  await page.reload();
  await says(page, 'Not taken yet');
  for (const name of ['Abi', 'Pupil02', 'Pupil03']) await tap(page, name);
  await says(page, '3 away');
  await tap(page, 'More about this lesson');
  await tap(page, 'Write to those away');
  await says(page, 'Away in this lesson (3)');
  await says(page, 'No address (1): Pupil03 Calloway');
  await says(page, 'Dear Abi,');
  await says(page, 'you were not in Boat Workshop on Monday 23 November');
  await type(page, 'Subject', 'Missed you, {nmae}');
  await says(page, 'Nothing fills {nmae}');
  await type(page, 'Subject', 'Missed you, {name}');
  // No mail server is set up, and nothing is called sent.
  await tap(page, 'Keep 2 messages');
  await says(page, '2 messages are in the outbox.');
  await says(page, 'left out unless you tick it');
  await says(page, 'Keep 0 messages');
  await saved(page);
  await tap(page, 'To the outbox');
  await says(page, 'Away in this lesson, Boat Workshop');
  await says(page, 'kept here, sent nowhere');
  await says(page, 'No mail server is set up');
  await tap(page, 'Abi Abara: Missed you, Abi');
  await says(page, 'To p1@x.org');
  const files = fs.readdirSync(path.join(server.folder, 'outbox'));
  expect(files).toHaveLength(2);
  const letters = files
    .map((file) => fs.readFileSync(path.join(server.folder, 'outbox', file), 'utf8'))
    .sort();
  expect(letters.join('\n')).toMatch(
    /From: Ines Halloran <teacher@slate-path\.invalid>[^]*To: Abi Abara <p1@x\.org>/,
  );
  expect(letters.every((letter) => /\r\nSubject: Missed you, (Abi|Pupil02)\r\n/.test(letter))).toBe(true);
  await goTo(`/students/${first}?page=contact`);
  await says(page, 'Letter to the student\nMissed you, Abi');
  expect(third).toBeDefined();
});

test('a lesson moved, deleted and brought back, an extra one; two classes on one roll', async () => {
  await open('phone');
  await tap(page, 'Pupil02');
  await tap(page, 'More about this lesson');
  await tap(page, 'Move to another day or time');
  await type(page, 'Day', '2026-11-24');
  await tap(page, 'Move the lesson');
  await saved(page);
  const [date] = [`${await meetingOn(room, 1)}.2026-11-23`].map(encodeURIComponent);
  await goTo(`/lessons/${date}`);
  await says(page, 'Tue 24 Nov, 10:40');
  expect(await exceptionsOf(page)).toEqual(['Pupil02 Brodie: away']);
  await tap(page, 'More about this lesson');
  await tap(page, 'Delete this lesson');
  await says(page, 'This lesson was deleted');
  await tap(page, 'Take back');
  await says(page, 'Tue 24 Nov, 10:40');
  await tap(page, 'More about this lesson');
  await tap(page, 'Add an extra lesson');
  await type(page, 'What it is', 'Low-tide walk');
  await type(page, 'Day', '2026-12-24');
  await tap(page, 'Add the lesson');
  await says(page, 'This day is outside of every term.');
  await type(page, 'Day', '2026-11-28');
  await tap(page, 'Add the lesson');
  await says(page, 'Sat 28 Nov, ');
  // A class is not in two lessons at once.
  await tap(page, 'More about this lesson');
  await tap(page, 'Add an extra lesson');
  await type(page, 'Day', '28 Nov');
  await type(page, 'From', '11:00');
  await tap(page, 'Add the lesson');
  await says(page, 'The class has a lesson from');
  await tap(page, 'Close');
  await saved(page);

  await classOnSameRoll(room, 5);
  await goTo(`/lessons/${encodeURIComponent(`${await meetingOn(room, 5)}.2026-11-20`)}`);
  await says(page, 'Boat Workshop and Log-keeping');
  await tap(page, 'Zora Quill');
  await says(page, '1 away');
  await saved(page);
  expect(await marksOn(room.client, '2026-11-20')).toEqual(['Zora A']);
  const { lesson } = await room.client.get<{ lesson: { takenAt: string | null }[] }>('/api/days/2026-11-20');
  expect(lesson.map(({ takenAt }) => takenAt !== null)).toEqual([true, true]);
});
