import type { Browser, Page } from 'puppeteer-core';
import { openBrowser, openPage, says, tap, textOf, type } from '../src/browser';
import { makeClassroom, teacher, type Classroom } from '../src/classroom';
import { RestartableServer } from '../src/server';

let server: RestartableServer;
let browser: Browser;
let phone: Page;
let room: Classroom;

beforeAll(async () => {
  server = await RestartableServer.create();
  await server.start('2026-11-23T10:44:00Z', 'runs');
  room = await makeClassroom(server.address, 5);
  browser = await openBrowser();
  phone = await openPage(browser, 'phone');
});
afterAll(async () => {
  await browser.close();
  await server.end('SIGTERM');
});

async function signIn(passphrase: string): Promise<void> {
  await type(phone, 'Your name', teacher.name);
  await type(phone, 'Passphrase', passphrase);
  await tap(phone, 'Sign in');
}

/** How much the browser keeps of the teacher's records; as a text, for the page knows nothing of the compiler's helpers. */
const keptRecords = () =>
  phone.evaluate(`(async () => {
    const settled = (asked) => new Promise((resolve, reject) => {
      asked.onsuccess = () => resolve(asked.result);
      asked.onerror = () => reject(asked.error);
    });
    let count = 0;
    for (const { name } of await indexedDB.databases()) {
      const db = await settled(indexedDB.open(name));
      for (const store of ['records', 'answers'])
        count += await settled(db.transaction(store).objectStore(store).count());
      db.close();
    }
    return count;
  })()`);

test('a code is made on the account page, and shown once', async () => {
  await phone.goto(server.address);
  await signIn(teacher.passphrase);
  await says(phone, 'Boat Workshop');
  await phone.goto(`${server.address}/desk`);
  await tap(phone, 'Passphrase and devices');
  await says(phone, 'You have no code yet.');
  await tap(phone, 'Make a code');
  await type(phone, 'Your passphrase', 'something else');
  await tap(phone, 'Show the code');
  await says(phone, 'This is not your passphrase');
  await type(phone, 'Your passphrase', teacher.passphrase);
  await tap(phone, 'Show the code');
  await says(phone, 'It is shown only now.');
});

test('a lost phone is signed out from elsewhere, and forgets the records', async () => {
  const code = /(?:[A-Z2-9]{4}-){4}[A-Z2-9]{4}/.exec(await textOf(phone))?.[0] ?? '';
  expect(await keptRecords()).toBeGreaterThan(0);
  await room.client.postJson('/api/sessions/end-others', {});
  await says(phone, 'Passphrase forgotten', 30_000);
  expect(await keptRecords()).toBe(0);
  await tap(phone, 'Passphrase forgotten');
  await type(phone, 'Your name', teacher.name);
  await type(phone, 'Recovery code', code.toLowerCase());
  await type(phone, 'New passphrase', 'lanterns over water');
  await tap(phone, 'Set it and sign in');
  await says(phone, 'Boat Workshop');
});

test('the passphrase is changed, and the next sign-in asks for the new one', async () => {
  await phone.goto(`${server.address}/desk/account`);
  await type(phone, 'Passphrase until now', 'lanterns over water');
  await type(phone, 'New passphrase', 'short');
  await tap(phone, 'Change the passphrase');
  await says(phone, 'A passphrase has at least 10 characters');
  await type(phone, 'New passphrase', 'rope and tar smell');
  await tap(phone, 'Change the passphrase');
  await says(phone, 'The new passphrase counts from now.');
  await phone.goto(`${server.address}/desk`);
  await tap(phone, 'Sign out');
  await says(phone, 'Passphrase forgotten');
  await signIn('lanterns over water');
  await says(phone, 'do not belong together');
  await signIn('rope and tar smell');
  await says(phone, 'Boat Workshop');
});
