import type { Browser, Page } from 'puppeteer-core';
import type { Section } from '@slate-path/core/records/schema';
import { saved, says, tap, textOf, type } from '../src/browser';
import { change, send, takeRolls, type Classroom } from '../src/classroom';
import { closeSchool, openSchool } from '../src/school';
import type { RestartableServer } from '../src/server';

let server: RestartableServer;
let browser: Browser;
let page: Page;
let room: Classroom;

beforeEach(async () => {
  ({ server, browser, page, room } = await openSchool('2026-11-23T15:00:00Z', 6, 'wide'));
  // Five lessons; Pupil01 missed two, Pupil02 one.
  await takeRolls(room, {
    '2026-11-11': [1],
    '2026-11-13': [],
    '2026-11-16': [1, 2],
    '2026-11-18': [],
    '2026-11-20': [],
  });
});

afterEach(async () => {
  await closeSchool({ server, browser });
});

const goTo = (where: string) => page.goto(`${server.address}${where}`);
const sectionTotals = () => goTo(`/totals?sectionId=${room.sectionId}`);

/** The lines of the wide table of totals: the name, then its sums. */
const lineOf = (name: string) =>
  page.evaluate(
    (wanted: string) =>
      [...document.querySelectorAll('[role=link]')]
        .map((row) => row.getAttribute('aria-label') ?? '')
        .find((label) => label.startsWith(wanted)) ?? '',
    name,
  );

test('rules of a class, cohorts, and the column for the grade book, copied as it is shown', async () => {
  await goTo(`/classes/${room.sectionId}`);
  await tap(page, 'Set up');
  await tap(page, 'How it counts');
  await type(page, 'So many lates count as one absence', '1');
  await tap(page, 'Count so');
  await says(page, 'A whole number from 2 to 20');
  await type(page, 'So many lates count as one absence', '2');
  await tap(page, 'Count so');
  await saved(page);
  // Late twice, by hand: the sum has one absence more than the marks.
  const late = room.standings.find(({ code }) => code === 'L')?.id;
  const { meeting } = await room.client.get<{ meeting: { id: string; weekday: number }[] }>('/api/setup');
  const lessonOf = (date: string, weekday: number) => ({
    id: `${meeting.find((found) => found.weekday === weekday)?.id ?? ''}.${date}`,
    sectionId: room.sectionId,
    date,
    startsAt: '10:40',
    endsAt: '11:30',
  });
  const mark = { studentId: room.studentIds[2], standingId: late, arrivedAt: '10:50', leftAt: null };
  await send(room.client, [
    change('roll.mark', { lesson: lessonOf('2026-11-13', 5), marks: [mark] }),
    change('roll.mark', { lesson: lessonOf('2026-11-18', 3), marks: [mark] }),
  ]);
  await goTo(`/classes/${room.sectionId}`);
  await tap(page, 'Set up');
  await tap(page, 'Cohorts');
  await type(page, 'Cohort (empty: none)', 'Port watch');
  await tap(page, 'Pupil01 Abara');
  await tap(page, 'Pupil02 Brodie');
  await tap(page, 'Put 2 into Port watch');
  await saved(page);

  await sectionTotals();
  await says(page, 'Pupil03 Calloway');
  // Five taken, two missed: 3 of 5; one missed: 4 of 5; two lates are an absence: 4 of 5.
  expect(await lineOf('Pupil01 Abara')).toContain('60 %');
  expect(await lineOf('Pupil02 Brodie')).toContain('80 %');
  expect(await lineOf('Pupil03 Calloway')).toContain('80 %');
  await tap(page, 'For the grade book');
  await type(page, 'Points for being there all the time', '12');
  await tap(page, 'Halves');
  await says(page, 'Credit divided by lessons taken, times 12, rounded to the nearest in halves.');
  await page.evaluate(() => {
    const state = window as unknown as { copied: string };
    navigator.clipboard.writeText = (text) => Promise.resolve(void (state.copied = text));
  });
  await tap(page, 'Copy the column');
  await says(page, 'on the clipboard');
  const copied = await page.evaluate(() => (window as unknown as { copied: string }).copied);
  // 7.2 and 9.6 of 12, in halves.
  expect(copied.split('\n')).toEqual(['7', '9.5', '9.5', '12', '12', '12']);
  await tap(page, 'Close');

  await tap(page, 'By student');
  await tap(page, 'By cohort');
  await says(page, 'Port watch');
  // Ten lessons of two students, three missed.
  expect(await textOf(page)).toMatch(/Port watch[^]*70 %/);
});

test('a student moves to another class, and the next year begins from this one’s set-up', async () => {
  const otherId = '01M0HHX3C0MNKFGS8CE662CDM4';
  await send(room.client, [
    change('section.set', { id: otherId, name: 'Shore Ecology', subject: '', room: '' }),
  ]);
  await goTo(`/students/${room.studentIds[0] ?? ''}?page=record`);
  await says(page, 'there in 3 of 5');
  await tap(page, 'Time in class: Boat Workshop');
  await tap(page, 'Shore Ecology');
  await type(page, 'From this day on', '2026-11-18');
  await tap(page, 'Move to Shore Ecology');
  await says(page, 'Time in class');
  await saved(page);
  // The marks of the time before are still there, and the later lessons no longer count.
  await sectionTotals();
  await says(page, 'Pupil01 Abara');
  expect(await lineOf('Pupil01 Abara')).toContain('33 %');
  await goTo(`/classes/${otherId}/set-up`);
  await says(page, 'since 18 Nov');
  await goTo(`/classes/${room.sectionId}/set-up`);
  await says(page, 'Left the class');

  await goTo('/desk');
  await tap(page, 'Another from this set-up');
  await type(page, 'Name', 'Spring');
  await type(page, 'Last day', '2027-03-26');
  await tap(page, 'With their students');
  await tap(page, 'Begin it');
  await says(page, 'Spring');
  await saved(page);
  const { section, enrolment } = await room.client.get<{
    section: Section[];
    enrolment: { sectionId: string; removed: boolean }[];
  }>('/api/setup');
  const boats = section.filter(({ name }) => name === 'Boat Workshop');
  expect(boats).toHaveLength(2);
  const next = boats.find(({ id }) => id !== room.sectionId);
  expect(next?.latesPerAbsence).toBeNull();
  expect(enrolment.filter(({ sectionId }) => sectionId === next?.id)).toHaveLength(5);
  expect(enrolment.filter(({ sectionId }) => sectionId === room.sectionId)).toHaveLength(6);
});

test('the month on paper: a page of its own with every student, lesson and sum, that prints', async () => {
  await goTo(`/classes/${room.sectionId}/months/2026-11`);
  await says(page, 'Pupil06 Faro');
  const opened = new Promise<Page | null>((resolve) =>
    browser.once('targetcreated', (target: { page: () => Promise<Page | null> }) => {
      resolve(target.page());
    }),
  );
  await tap(page, 'More: Boat Workshop');
  await tap(page, 'Print');
  const paper = await opened;
  if (!paper) throw new Error('No page was opened to print');
  await says(paper, 'Boat Workshop');
  const lines = (await textOf(paper)).split('\n').map((line) => line.split('\t'));
  const heading = lines.find((cells) => cells.includes('Percent')) ?? [];
  const first = lines.find(([name]) => name === 'Pupil01 Abara') ?? [];
  expect(first[heading.indexOf('Away')]).toBe('2');
  expect(first[heading.indexOf('Percent')]).toBe('60');
  expect(first.filter((cell) => cell === 'A')).toHaveLength(2);
  const pdf = await paper.pdf({ format: 'A4', landscape: true });
  expect(Buffer.from(pdf.slice(0, 5)).toString()).toBe('%PDF-');
});

test('a backup, a roll cleared by mistake, and back again: what it means is said before, and there is a way back from it', async () => {
  // What the device remembers is shown first, so that the answer has to be waited for.
  const pupil05Was = async (there: number) => {
    await sectionTotals();
    await page.waitForSelector(`[aria-label^=Pupil05][aria-label*="there in ${there} of 5 lessons"]`);
  };
  await goTo('/desk');
  await tap(page, 'Back up now');
  await says(page, 'The backup is made.');
  await takeRolls(room, { '2026-11-16': [3, 4, 5] });
  await pupil05Was(4);

  await goTo('/desk');
  await tap(page, 'Go back to Monday 23 November');
  // Three marks were made since; nothing else was touched.
  await says(page, '3 records made since will be taken away.');
  await tap(page, 'Leave all as it is');
  await tap(page, 'Go back to Monday 23 November');
  await says(page, '3 records');
  await tap(page, 'Go back');
  await says(page, 'Your records are as they were then.');
  await pupil05Was(5);
  expect(await lineOf('Pupil01')).toContain('there in 3 of 5 lessons');

  await goTo('/desk');
  // The latest stands first: what there was before going back.
  const latest = await page.waitForSelector('[aria-label^="Go back to Monday 23 November"]');
  await latest?.click();
  await says(page, '3 records');
  await tap(page, 'Go back');
  await says(page, 'Your records are as they were then.');
  await pupil05Was(4);
});
