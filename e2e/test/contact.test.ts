import type { Browser, Page } from 'puppeteer-core';
import type { Step } from '@slate-path/core/records/schema';
import { saved, says, tap, textOf, type } from '../src/browser';
import { change, send, type Classroom } from '../src/classroom';
import { closeSchool, openSchool } from '../src/school';
import type { RestartableServer } from '../src/server';

let server: RestartableServer;
let browser: Browser;
let page: Page;
let room: Classroom;

beforeAll(async () => {
  ({ server, browser, page, room } = await openSchool('2026-11-23T10:42:00Z', 3, 'phone'));
  const student = {
    ...{ givenName: 'Mei', familyName: 'Quispe', called: '', email: '', grade: '', schoolId: '' },
  };
  const guardian = { id: 'rosa', name: 'Rosa Quispe', email: 'rosa@x.example', relation: 'mother' };
  await send(room.client, [
    change('student.set', {
      ...{ id: room.studentIds[0], student },
      guardians: [{ ...guardian, phone: '+353 (0)1 55-501' }],
    }),
  ]);
});

afterAll(() => closeSchool({ server, browser }));

test('a call is noted, stands on the line of time beside a letter and comes back on its day', async () => {
  await page.goto(`${server.address}/students/${room.studentIds[0]}?page=contact`);
  await says(page, 'Home has not been in contact from here yet.');
  expect(await page.$eval('a[href^="tel:"]', (link) => link.getAttribute('href'))).toBe('tel:+353155501');
  await tap(page, 'Note a contact');
  await tap(page, 'Rosa Quispe');
  await tap(page, 'A worry');
  await type(page, 'What was said (may stay empty)', 'The ferry times have changed.');
  await type(page, 'Look again on (empty: no day)', 'Friday');
  await tap(page, 'Keep this contact');
  await says(page, 'Call with Rosa Quispe');
  await says(page, 'look again on 27 Nov');
  await says(page, 'Never anything good.');
  await saved(page);
  const { step } = await room.client.get<{ step: Step[] }>('/api/watch');
  expect(step.map(({ contact }) => contact)).toEqual([
    { way: 'call', toWhom: 'guardians', withWhom: 'Rosa Quispe', isReached: true, tone: 'worry' },
  ]);

  await page.goto(`${server.address}/write?sectionId=${room.sectionId}`);
  await tap(page, 'To their guardians');
  await tap(page, 'Everyone');
  await type(page, 'Message', 'Good day, {name} sang.');
  await tap(page, 'Keep 1 message');
  await says(page, '1 message is in the outbox.');
  await saved(page);
  await page.goto(`${server.address}/students/${room.studentIds[0]}?page=contact`);
  await says(page, 'Letter to the guardians');
  await says(page, 'rosa@x.example: kept here, sent nowhere');
  const line = await page.$$eval('[data-testid=contact]', (nodes) => nodes.map((node) => node.textContent));
  expect(line.map((words) => /Letter|Call/.exec(words)?.[0])).toEqual(['Letter', 'Call']);
});

test('whom home has only heard worries of, and who was never in contact, stand on Watch', async () => {
  await page.goto(`${server.address}/contact`);
  await says(page, '1 of whom home has only heard worries; 2 not in contact for');
  await tap(page, 'Contact of Mei Quispe, 1 worry');
  await says(page, 'Call with Rosa Quispe');
  await tap(page, 'Note a contact');
  await tap(page, 'Something good');
  await tap(page, 'Keep this contact');
  await saved(page);
  await page.goto(`${server.address}/contact`);
  await says(page, '0 of whom home has only heard worries');
  expect(await textOf(page)).not.toContain('Mei Quispe');
});
