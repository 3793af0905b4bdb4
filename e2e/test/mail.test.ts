import type { Browser, Page } from 'puppeteer-core';
import { startMailServer, type MailServer } from '@slate-path/demo/mail/startMailServer';
import { openBrowser, openPage, says, tap, textOf, type } from '../src/browser';
import { change, makeClassroom, send, type Classroom } from '../src/classroom';
import { signIn } from '../src/school';
import { RestartableServer } from '../src/server';

let mail: MailServer;
let server: RestartableServer;
let browser: Browser;
let page: Page;
let room: Classroom;

beforeEach(async () => {
  mail = await startMailServer();
  server = await RestartableServer.create();
  server.environment = { SLATE_MAIL_HASTE: '600' };
  await server.start('2026-11-23T10:42:00Z', 'runs');
  room = await makeClassroom(server.address, 4);
  browser = await openBrowser();
  page = await openPage(browser, 'phone');
  await signIn(page, server.address);
});
afterEach(async () => {
  await browser.close();
  await server.end('SIGTERM');
  await mail.close();
});

async function setUpMail(port: number): Promise<void> {
  await page.goto(`${server.address}/desk/mail`);
  await says(page, 'The mail server');
  await type(page, 'Server', '127.0.0.1');
  await tap(page, 'Not encrypted');
  await type(page, 'Port', String(port));
  await type(page, 'Letters come from', 'office@ternrock.example');
  await type(page, 'Letters a minute, at most', '6000');
  await tap(page, 'Keep it');
  await says(page, 'Send me a test');
}

test('mail is set up and tried; letters are written, a refused one is set right and goes again', async () => {
  const addresses = ['anna@x.example', 'nobody@x.example'];
  await send(
    room.client,
    addresses.map((email, at) =>
      change('student.set', {
        id: room.studentIds[at],
        student: {
          ...{ givenName: ['Anna', 'Bela'][at], familyName: 'Abara', called: '', email },
          ...{ grade: '', schoolId: '' },
        },
        guardians: [],
      }),
    ),
  );
  await page.goto(`${server.address}/desk/outbox`);
  await says(page, 'No mail server is set up');
  await setUpMail(mail.port);
  await type(page, 'Your own address', 'me@x.example');
  await tap(page, 'Send me a test');
  await says(page, 'The mail server took it.');

  await page.goto(`${server.address}/write?sectionId=${room.sectionId}`);
  await tap(page, 'Everyone');
  await type(page, 'Message', 'Dear {name},\n\nbring the tide tables.');
  await tap(page, 'Send 2 messages');
  await says(page, '2 messages are in the outbox.');
  await tap(page, 'To the outbox');
  await says(page, 'handed to the mail server at');
  await says(page, 'refused: no such address');
  await says(page, '1 letter did not arrive.');
  await tap(page, 'Bela Abara: nobody@x.example');
  await says(page, 'The mail server said: 550 5.1.1');
  await type(page, 'Send it again, to', 'bela@x.example');
  await tap(page, 'Send it again');
  await says(page, 'Bela Abara');
  for (let waited = 0; waited < 100 && mail.mailbox.size < 3; waited += 1)
    await new Promise((resolve) => setTimeout(resolve, 100));
  const came = await mail.mailbox.read();
  expect(came.map(({ to }) => to[0]).sort()).toEqual(['anna@x.example', 'bela@x.example', 'me@x.example']);
  expect(came.find(({ to }) => to[0] === 'bela@x.example')?.text).toContain('Dear Bela,');
});

test('a mail server that is not there is told in one sentence, and what waits goes once it is', async () => {
  await setUpMail(1);
  await type(page, 'Your own address', 'me@x.example');
  await tap(page, 'Send me a test');
  await says(page, 'It did not go out: there is no mail server at that place.');
  const wanted = { name: 'Ove Lind', role: 'teacher', sectionId: null, email: 'ove@x.example' };
  await room.client.postJson('/api/invitations', wanted);
  await page.goto(`${server.address}/desk/outbox`);
  await says(page, 'waiting: there is no mail server at that place');
  await setUpMail(mail.port);
  await page.goto(`${server.address}/desk/outbox`);
  await says(page, 'handed to the mail server at');
  expect(await textOf(page)).toContain('Ove Lind');
  expect((await mail.mailbox.read())[0]?.text).toContain('/join/');
});
