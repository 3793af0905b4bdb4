import type { Browser, Page } from 'puppeteer-core';
import type { Enrolment, Message, Note } from '@slate-path/core/records/schema';
import { saved, says, tap, textOf, type } from '../src/browser';
import { change, send, type Classroom } from '../src/classroom';
import { closeSchool, openSchool } from '../src/school';
import type { RestartableServer } from '../src/server';

const today = '2026-11-23';
let server: RestartableServer;
let browser: Browser;
let page: Page;
let room: Classroom;

/** Somebody of the class, with one guardian. */
const withGuardian = (at: number, guardian: string) =>
  change('student.set', {
    id: room.studentIds[at],
    student: {
      ...{ givenName: `Pupil0${at + 1}`, familyName: 'Quill', called: '', email: '' },
      ...{ grade: '', schoolId: '' },
    },
    guardians: [{ id: `g${at}`, name: 'A guardian', email: guardian, phone: '', relation: '' }],
  });

beforeAll(async () => {
  ({ server, browser, page, room } = await openSchool(`${today}T10:42:00Z`, 6, 'phone'));
  await send(
    room.client,
    [0, 1, 2].map((at) => withGuardian(at, `home${at}@x.example`)),
  );
  // A class beside it, with a student of its own and one who is in both.
  const enrolled = { cohort: '', startsOn: null, endsOn: null };
  const student = { givenName: 'Zora', familyName: 'Quill', called: '', email: '', grade: '', schoolId: '' };
  await send(room.client, [
    change('section.set', { id: 'beside', name: 'Oars', subject: '', room: '' }),
    change('student.set', { id: 'zora', student, guardians: [] }),
    change('enrolment.set', { id: 'e1', sectionId: 'beside', studentId: 'zora', ...enrolled }),
    change('enrolment.set', { id: 'e2', sectionId: 'beside', studentId: room.studentIds[0], ...enrolled }),
  ]);
  await page.reload();
  await says(page, 'Pupil06');
});

afterAll(() => closeSchool({ server, browser }));

const noted = async () => {
  const { note } = await room.client.get<{ note?: Note[] }>('/api/sync');
  return (note ?? []).flatMap(({ text, removed }) => (removed ? [] : [text])).sort();
};
const written = async () => {
  const { message } = await room.client.get<{ message: Message[] }>('/api/outbox');
  return message.map(({ addresses, body }) => `${addresses.join()}: ${body.split('\n')[2]}`).sort();
};

test('from a sweep to a note and a letter home for three, in at most five taps', async () => {
  await page.goto(`${server.address}/desk/phrases`);
  await tap(page, 'New phrase');
  await type(page, 'The sentence', '{name} was adrift in {class} on {date}.');
  await tap(page, 'Keep this phrase');
  await says(page, '{name} was adrift in {class}');
  await page.goto(server.address);
  await tap(page, 'All here');
  await tap(page, 'Sweep');
  await tap(page, 'Everyone Rowing');
  await tap(page, 'Adrift');
  for (const pupil of ['Pupil01', 'Pupil02', 'Pupil03']) await tap(page, pupil);

  const taps = ['Write about 3 adrift', 'Use: {name} was adrift', 'Tell home too', 'Keep 3 notes'];
  for (const name of taps) await tap(page, name);
  expect(taps.length).toBeLessThanOrEqual(5);
  await says(page, '3 notes kept; 3 letters in the outbox');
  await saved(page);
  const sentence = (name: string) => `${name} was adrift in Boat Workshop on Monday 23 November.`;
  expect(await noted()).toEqual(['Pupil01', 'Pupil02', 'Pupil03'].map(sentence));
  expect(await written()).toEqual(
    [0, 1, 2].map((at) => `home${at}@x.example: ${sentence(`Pupil0${at + 1}`)}`),
  );
  await tap(page, 'Take back: the notes');
  await saved(page);
  expect(await noted()).toEqual([]);
});

test('two classes at once, one left out, one changed by hand, one without a value told and left out', async () => {
  await page.goto(`${server.address}/each?sectionId=${room.sectionId}&group=everyone`);
  await tap(page, 'Boat Workshop: Choose the classes');
  await tap(page, 'Oars');
  await says(page, 'Zora');
  await tap(page, 'Write your own');
  await type(page, 'The sentence', 'Home was told of {name} on {last contact}. {words}');
  await type(page, 'Your own words', 'No {name} in braces');
  await says(page, 'Nothing is known for {last contact}');
  await says(page, 'Keep 3 notes');
  await tap(page, 'Pupil01, Pupil02, Pupil03, Pupil04, Pupil05, Pupil06 and Zora: Choose the students');
  await tap(page, 'Pupil03 Quill');
  await tap(page, 'Change what Zora Quill gets');
  await type(page, 'What Zora Quill gets', 'Zora: {name} stays as it is');
  await tap(page, 'Keep 3 notes');
  await says(page, '3 notes kept.');
  await saved(page);
  expect(await noted()).toEqual([
    'Home was told of Pupil01 on 23 Nov. No {name} in braces',
    'Home was told of Pupil02 on 23 Nov. No {name} in braces',
    'Zora: {name} stays as it is',
  ]);
  const { enrolment } = await room.client.get<{ enrolment: Enrolment[] }>('/api/setup');
  expect(enrolment.filter(({ studentId }) => studentId === room.studentIds[0]).length).toBe(2);
});

test('a phrase is put where a person writes; one that was removed elsewhere is offered no more, its words stay', async () => {
  await page.goto(`${server.address}/?mode=roll`);
  await tap(page, 'Show as a list');
  await tap(page, 'More about Pupil04');
  await tap(page, 'Phrases');
  await tap(page, 'Put in: {name} was adrift');
  await says(page, 'Pupil04 was adrift in Boat Workshop on Monday 23 November.');
  await tap(page, 'Put it in');
  await tap(page, 'Close');
  await saved(page);
  const { phrase } = await room.client.get<{ phrase: { id: string }[] }>('/api/sync');
  await send(room.client, [change('phrase.remove', { id: phrase[0]?.id }, new Date().toISOString())]);
  await page.reload();
  await tap(page, 'More about Pupil04');
  await says(page, 'Kept with this lesson');
  expect(
    await page.$eval('[role=dialog] input[aria-label=Comment], [role=dialog] textarea', (node) => node.value),
  ).toBe('Pupil04 was adrift in Boat Workshop on Monday 23 November.');
  await tap(page, 'Phrases');
  await says(page, 'Blanks like {name}');
  expect(await textOf(page)).not.toContain('{name} was adrift');
});
