import type { Browser, Page } from 'puppeteer-core';
import type { FollowUp, Note, NoteStudent, NoteTopic } from '@slate-path/core/records/schema';
import { hold, openPage, saved, says, tap, textOf, type } from '../src/browser';
import { change, send, type Classroom } from '../src/classroom';
import { closeSchool, openSchool, signIn } from '../src/school';
import type { RestartableServer } from '../src/server';

const monday = '2026-11-23T10:42:00Z';
const [dario, meiTanaka, meiThorsen] = ['dario', 'meitanaka', 'meithorsen'];
let server: RestartableServer;
let browser: Browser;
let page: Page;
let room: Classroom;

interface Notes {
  note: Note[];
  noteStudent: NoteStudent[];
  noteTopic: NoteTopic[];
  followUp: FollowUp[];
}
const notes = () => room.client.get<Notes>('/api/notes/recent');

beforeEach(async () => {
  ({ server, browser, page, room } = await openSchool(monday, 4, 'wide'));
  const person = (id: string, givenName: string, familyName: string) => ({
    id,
    added: { givenName, familyName, called: '', email: '', grade: '', schoolId: '' },
    changed: {},
    guardians: [],
    enrolment: { id: `e${id}`, cohort: '', startsOn: null },
  });
  await send(room.client, [
    change('roster.accept', {
      sectionId: room.sectionId,
      people: [
        person(dario, 'Dario', 'Quispe'),
        person(meiTanaka, 'Mei', 'Tanaka'),
        person(meiThorsen, 'Mei', 'Thorsen'),
      ],
    }),
    change('topic.add', { id: 'splicing', name: 'splicing', trouble: true, alsoCalled: [], marks: [] }),
  ]);
  await page.reload();
  await says(page, 'Dario Quispe');
});

afterEach(async () => {
  await closeSchool({ server, browser });
});

/** The line, by its key, from whatever page is open. */
async function typeNote(text: string): Promise<void> {
  await page.keyboard.press('.');
  await says(page, 'Just type, or dictate');
  await page.keyboard.type(text);
}

async function writeNote(text: string): Promise<void> {
  await typeNote(text);
  await page.keyboard.press('Enter');
  await says(page, 'Noted');
}

test('from the key to the chips, one name set right, to both students’ pages', async () => {
  await typeNote('dario and mei both stuck on splicing, dario wants till thursday');
  for (const chip of ['Which Mei?', 'Dario Quispe', 'splicing', 'Look again Thu 26 Nov'])
    await says(page, chip);
  await tap(page, 'Which Mei?');
  await tap(page, 'Mei Thorsen');
  await page.keyboard.press('Escape');
  // The draft outlives the page it was begun on.
  await page.reload();
  await says(page, 'Dario Quispe');
  await tap(page, 'Write a note');
  await tap(page, 'Which Mei?');
  await tap(page, 'Mei Thorsen');
  await tap(page, 'Keep the note');
  await says(page, 'Noted about Dario, Mei · splicing · again on 26 Nov');
  await saved(page);
  const { note, noteStudent, noteTopic, followUp } = await notes();
  expect(note).toMatchObject([{ sectionId: room.sectionId, place: '', doubts: [], own: false }]);
  expect(note[0]?.lessonId).toMatch(/\.2026-11-23$/);
  expect(noteStudent.map(({ studentId }) => studentId).sort()).toEqual([dario, meiThorsen]);
  expect(noteTopic.map(({ topicId }) => topicId)).toEqual(['splicing']);
  expect(followUp.map(({ dueOn }) => dueOn)).toEqual(['2026-11-26']);
  for (const [id, other] of [
    [dario, 'Mei Thorsen'],
    [meiThorsen, 'Dario Quispe'],
  ] as const) {
    await page.goto(`${server.address}/students/${id}?page=notes`);
    await says(page, 'both stuck on splicing');
    await says(page, 'Who else: splicing');
    await says(page, other);
  }
  await page.goto(`${server.address}/students/${meiTanaka}?page=notes`);
  await says(page, 'Mei Tanaka');
  expect(await textOf(page)).not.toContain('splicing');
});

test('a question of two with one name stays with the note until it is answered', async () => {
  await writeNote('mei late');
  await saved(page);
  await page.goto(`${server.address}/notes`);
  await says(page, 'Which Mei is meant?');
  await tap(page, 'Mei Tanaka');
  await saved(page);
  await writeNote('mei early, no: taken back');
  await tap(page, 'Take back');
  await saved(page);
  const { note: all, noteStudent } = await notes();
  const note = all.filter(({ removed }) => !removed);
  expect(note.map(({ text }) => text)).toEqual(['mei late']);
  expect(note[0]?.doubts).toEqual([]);
  expect(noteStudent).toMatchObject([{ studentId: meiTanaka, spans: [{ from: 0, to: 3 }] }]);
});

test('a note that is sent before anything can read it waits for that, and loses no name', async () => {
  const release = await hold(page, '/reading-');
  await page.reload();
  await says(page, 'Dario Quispe');
  await typeNote('dario and mei late');
  await page.keyboard.press('Enter');
  await says(page, 'Your words are safe here');
  expect((await notes()).note).toEqual([]);
  await release();
  await says(page, 'Noted about Dario');
  await saved(page);
  const { note, noteStudent } = await notes();
  expect(note).toMatchObject([{ text: 'dario and mei late', doubts: [{ from: 10, to: 13 }] }]);
  expect(noteStudent.map(({ studentId }) => studentId)).toEqual([dario]);
});

test('a topic made afterwards takes the earlier notes along, all as one, and gives them back', async () => {
  for (const text of ['Dario forgot his gloves', 'Pupil01 lost a glove', 'Pupil02 was quiet'])
    await writeNote(text);
  await saved(page);
  await page.goto(`${server.address}/topics`);
  await tap(page, 'New topic');
  await type(page, 'Name', 'gloves');
  await says(page, '2 notes speak of it');
  await tap(page, 'Make it, with these 2 notes');
  await says(page, 'Who, in the last 4 weeks');
  await says(page, 'lost a glove');
  await saved(page);
  expect((await notes()).noteTopic).toHaveLength(2);
  await writeNote('Pupil03 lent Dario a pair of gloves');
  await says(page, 'lent Dario a pair');
  await tap(page, 'Topics');
  await tap(page, 'gloves');
  await tap(page, 'Change');
  await type(page, 'Name', 'hand protection');
  await tap(page, 'Change');
  await says(page, 'also called gloves');
  await saved(page);
  expect((await notes()).noteTopic.filter(({ removed }) => !removed)).toHaveLength(3);
});

test('what was promised comes back on its day, is moved, and comes back again', async () => {
  await writeNote('retake for Dario on Wednesday');
  await saved(page);
  await server.end('SIGTERM');
  await server.start('2026-11-25T10:42:00Z', 'runs');
  await page.close();
  page = await openPage(browser, 'phone');
  await page.goto(server.address);
  await says(page, '1 to look at again');
  await tap(page, '1 to look at again');
  await says(page, 'retake for Dario');
  await tap(page, 'Another day');
  await type(page, 'Look again on', '2026-11-27');
  await tap(page, 'This day');
  await tap(page, 'Close');
  await saved(page);
  expect(await textOf(page)).not.toContain('1 to look at again');
  await page.goto(`${server.address}/again`);
  await says(page, 'Friday 27 November');
  await tap(page, 'Done');
  await says(page, 'Nothing is promised');
  await saved(page);
  expect((await notes()).followUp).toMatchObject([{ dueOn: '2026-11-27', outcome: 'done' }]);
});

test('written with no network, found with no network, then sent', async () => {
  await writeNote('Pupil01 spliced a rope');
  await saved(page);
  await page.evaluate(() => navigator.serviceWorker.ready.then(() => undefined));
  await page.setOfflineMode(true);
  await page.reload();
  await says(page, 'Dario Quispe');
  await writeNote('Dario splices well; 30 February is no day');
  await says(page, '1 kept on this device');
  await page.goto(`${server.address}/notes`);
  await type(page, 'Words, or a', 'splicing');
  await says(page, 'these are the notes on this device');
  await says(page, 'Dario splices well');
  await says(page, 'Pupil01 spliced a rope');
  await page.setOfflineMode(false);
  await saved(page);
  expect((await notes()).note.map(({ text }) => text).sort()).toEqual([
    'Dario splices well; 30 February is no day',
    'Pupil01 spliced a rope',
  ]);
});

test('a date that cannot be is said so, an own note stays out of a reader’s page, a changed note keeps its text before', async () => {
  await typeNote('Dario back on 30 February');
  await says(page, 'There is no 30 February; it stays as text.');
  await tap(page, 'May be shown to a reader');
  await page.keyboard.press('Escape');
  await tap(page, 'Write a note');
  await says(page, 'Only mine');
  await tap(page, 'Keep the note');
  await says(page, 'Noted about Dario');
  await tap(page, 'Open the note');
  await type(page, 'Your words', 'Dario back on Friday, with Mei Tanaka');
  await says(page, 'Mei Tanaka');
  // Whoever leaves the page has changed the note.
  await page.keyboard.press('Tab');
  await saved(page);
  await says(page, 'Earlier texts');
  await says(page, 'Dario back on 30 February');
  const { noteStudent } = await notes();
  expect(
    noteStudent
      .filter(({ removed }) => !removed)
      .map(({ studentId }) => studentId)
      .sort(),
  ).toEqual([dario, meiTanaka]);
  const file = await page.evaluate(() =>
    fetch('/api/students/dario/notes-file?format=csv').then((answer) => answer.text()),
  );
  expect(file).not.toContain('Dario back');
});

test('what is removed or settled on one device is so on the other', async () => {
  await writeNote('ask Dario tomorrow');
  await writeNote('Pupil01 hums');
  await saved(page);
  const other = await openPage(await browser.createBrowserContext(), 'phone');
  await signIn(other, server.address);
  await other.goto(`${server.address}/notes`);
  await says(other, 'Pupil01 hums');
  await page.goto(`${server.address}/notes`);
  await tap(page, 'Open the note');
  await tap(page, 'Remove');
  await says(page, 'not here any more');
  await saved(page);
  await other.waitForFunction(() => !document.body.innerText.includes('Dario'), { timeout: 30_000 });
  await says(other, 'Pupil01 hums');
});

test('a student is erased after a preview, and another device of the teacher forgets too', async () => {
  const other = await openPage(await browser.createBrowserContext(), 'phone');
  await writeNote('Dario and Mei Tanaka swapped seats');
  await saved(page);
  await signIn(other, server.address);
  await says(other, 'Dario Q');
  await page.goto(`${server.address}/students/${dario}`);
  await tap(page, 'More: Dario Quispe');
  await tap(page, 'Erase everything about this student');
  await says(page, 'What goes');
  await says(page, '1 student');
  await type(page, 'Type Dario Quispe', 'Dario Quispe');
  await tap(page, 'Erase for good');
  await says(page, 'The name is in no record, log or index');
  await says(other, 'Mei Ta');
  await other.waitForFunction(() => !document.body.innerText.includes('Dario'), { timeout: 15_000 });
  const kept = await other.evaluate(() =>
    indexedDB.databases().then(
      (all) =>
        new Promise<string>((resolve) => {
          const open = indexedDB.open(all[0]?.name ?? '');
          open.onsuccess = () => {
            const rows = open.result.transaction('records').objectStore('records').getAll();
            rows.onsuccess = () => {
              resolve(JSON.stringify(rows.result));
            };
          };
        }),
    ),
  );
  expect(kept).toContain('Mei');
  expect(kept).not.toContain('Dario');
  expect((await notes()).note.map(({ text }) => text)).toEqual(['█████ and Mei Tanaka swapped seats']);
});
