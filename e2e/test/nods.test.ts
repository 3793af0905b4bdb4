import type { Browser, Page } from 'puppeteer-core';
import { startMailServer, type MailServer } from '@slate-path/demo/mail/startMailServer';
import type { Nod } from '@slate-path/core/records/schema';
import { openBrowser, openPage, saved, says, tap, type } from '../src/browser';
import { change, makeClassroom, send, type Classroom } from '../src/classroom';
import { signIn } from '../src/school';
import { RestartableServer } from '../src/server';

const today = '2026-11-23';
let mail: MailServer;
let server: RestartableServer;
let browser: Browser;
let page: Page;
let room: Classroom;

beforeAll(async () => {
  mail = await startMailServer();
  server = await RestartableServer.create();
  server.environment = {
    ...{ SLATE_MAIL_HASTE: '600', SLATE_MAIL_HOST: '127.0.0.1', SLATE_MAIL_PORT: String(mail.port) },
    ...{ SLATE_MAIL_SECURITY: 'none', SLATE_MAIL_SENDER: 'office@ternrock.example' },
  };
  await server.start(`${today}T10:42:00Z`, 'runs');
  room = await makeClassroom(server.address, 5);
  const student = {
    ...{ givenName: 'Mei', familyName: 'Quispe', called: '', email: 'mei@x.example' },
    ...{ grade: '', schoolId: '' },
  };
  const guardians = ['one', 'two', 'three'].map((name) => ({
    ...{ id: name, name, email: `${name}@x.example`, phone: '', relation: '' },
  }));
  await send(room.client, [change('student.set', { id: room.studentIds[0], student, guardians })]);
  browser = await openBrowser();
  page = await openPage(browser, 'phone');
  await signIn(page, server.address);
});

afterAll(async () => {
  await browser.close();
  await server.end('SIGTERM');
  await mail.close();
});

const given = async () => {
  const { nod } = await room.client.get<{ nod: Nod[] }>(
    `/api/sections/${room.sectionId}/nods?from=${today}&to=${today}`,
  );
  return nod.flatMap(({ reason, comment, removed }) => (removed ? [] : [`${reason}: ${comment}`])).sort();
};

test('a nod in two taps, with a few words, told to the student and two guardians; one that is taken back or removed is not', async () => {
  await tap(page, 'Nods');
  await says(page, 'What is a nod for?');
  await tap(page, 'Begin with these five');
  await says(page, 'Nobody is told');
  await tap(page, 'Whom nods are told to');
  await tap(page, 'The student');
  await tap(page, 'Up to two guardians');
  await tap(page, 'Keep');
  await says(page, 'The student and home are told a minute later');

  await tap(page, 'Kept at it');
  await tap(page, 'Mei Quispe');
  await says(page, 'Mei: Kept at it');
  await tap(page, 'Add a few words');
  await type(page, 'A few words', 'All morning, in the rain.');
  await tap(page, 'Keep');
  await says(page, 'All morning, in the rain.');
  await tap(page, 'A good question');
  await tap(page, 'Mei Quispe');
  await says(page, 'Mei: A good question');
  await tap(page, 'Take back');
  // One that is removed before it is told is told to nobody either.
  await tap(page, 'Careful work');
  await tap(page, 'Mei Quispe');
  await says(page, 'Mei: Careful work');
  await tap(page, 'Add a few words');
  await tap(page, 'Remove this nod');
  await saved(page);
  expect(await given()).toEqual(['Kept at it: All morning, in the rain.']);

  // Some minutes later the letters are in the mailbox: one to each address, with the words.
  await server.end('SIGTERM');
  await server.start(`${today}T10:50:00Z`, 'runs');
  for (let waited = 0; waited < 150 && mail.mailbox.size < 3; waited += 1)
    await new Promise((resolve) => setTimeout(resolve, 100));
  const came = await mail.mailbox.read();
  expect(came.map(({ to }) => to.join()).sort()).toEqual(['mei@x.example', 'one@x.example', 'two@x.example']);
  for (const { text, subject } of came)
    expect([subject, text.includes('Kept at it'), text.includes('All morning, in the rain.')]).toEqual([
      ...['A nod for Mei Quispe', true, true],
    ]);
});

test('nods are counted, and who has had none is named; a reason that is retired is offered no more', async () => {
  await page.goto(`${server.address}/classes/${room.sectionId}/nods`);
  await says(page, '1 nod in');
  await says(page, 'No nod in four weeks (4): Pupil02 Brodie');
  await tap(page, 'by student: choose how they are counted');
  await tap(page, 'by what for');
  await says(page, 'Kept at it');
  await page.goto(`${server.address}/?mode=nods`);
  await tap(page, 'Change what nods are for');
  await tap(page, 'Retire: Kept at it');
  await type(page, 'Another reason', 'Careful work');
  await says(page, 'This one is there already');
  await type(page, 'Another reason', 'Looked after the boats');
  await tap(page, 'Add it');
  await tap(page, 'Close');
  const offered = () => page.$$eval('[data-testid=reason]', (nodes) => nodes.map((node) => node.textContent));
  expect(await offered()).toEqual([
    ...['Helped somebody', 'A good question', 'Careful work', 'Made us laugh kindly'],
    'Looked after the boats',
  ]);
  await saved(page);
  expect(await given()).toEqual(['Kept at it: All morning, in the rain.']);
});

test('a nod to all who are here is one tap, and one to take back', async () => {
  await page.goto(`${server.address}/?mode=nods`);
  await tap(page, 'To all 5 who are here');
  await says(page, 'Mei, Pupil02, Pupil03, Pupil04 and Pupil05: Helped somebody');
  await saved(page);
  expect(await given()).toHaveLength(6);
  await tap(page, 'Take back');
  await saved(page);
  expect(await given()).toHaveLength(1);
});
