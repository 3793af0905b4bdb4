import { spawnSync } from 'node:child_process';
import fs from 'node:fs';
import path from 'node:path';
import type { Browser, Page } from 'puppeteer-core';
import type { Draw } from '@slate-path/core/records/schema';
import { openBrowser, openPage, saved, says, tap, textOf, type } from '../src/browser';
import { change, makeClassroom, send, type Classroom } from '../src/classroom';
import { signIn } from '../src/school';
import { RestartableServer } from '../src/server';

let server: RestartableServer;
let browser: Browser;
let page: Page;
let room: Classroom;

const nod = (studentId: string | undefined, index: number): unknown =>
  change('nod.give', {
    nods: [{ id: `n${studentId ?? ''}${index}`.slice(-60), studentId }],
    ...{ sectionId: room.sectionId, at: `2026-11-1${index}T10:45:00` },
    ...{ reason: 'Kept at it', place: '', comment: '', messages: [] },
  });

beforeAll(async () => {
  server = await RestartableServer.create();
  await server.start('2026-11-23T10:42:00Z', 'runs');
  room = await makeClassroom(server.address, 5);
  browser = await openBrowser();
  page = await openPage(browser, 'wide');
  await signIn(page, server.address);
});

afterAll(async () => {
  await browser.close();
  await server.end('SIGTERM');
});

const shown = () => textOf(page, 'last-drawn');
/** The draws that the server has, the latest first. */
async function draws(): Promise<Draw[]> {
  const { draw } = await room.client.get<{ draw?: Draw[] }>('/api/sync');
  return (draw ?? []).filter(({ removed }) => !removed).sort((a, b) => (a.at < b.at ? 1 : -1));
}

test('with no nods there is nobody to draw from; then one is drawn, and rests', async () => {
  await page.goto(`${server.address}/classes/${room.sectionId}/draws`);
  await says(page, 'Nobody to draw from');
  const [one, two, three] = room.studentIds;
  await send(room.client, [nod(one, 1), nod(one, 2), nod(two, 1), nod(three, 1)]);
  await says(page, 'In the draw: 3, 4 tickets');
  await tap(page, 'Draw');
  await page.waitForSelector('[data-testid=last-drawn]');
  const first = await shown();
  await says(page, 'In the draw: 2');
  await says(page, `Resting, for they were drawn: ${first}`);
});

test('on the big screen the others are drawn, then a new round begins; a number that is named gives who it gives', async () => {
  const had = [await shown()];
  for (let round = 0; round < 2; round += 1) {
    await tap(page, 'Draw on the big screen');
    await tap(page, 'Draw from');
    await page.waitForSelector('[data-testid=drawn]');
    had.push(await textOf(page, 'drawn'));
    await tap(page, 'Close the big screen');
  }
  expect(new Set(had).size).toBe(3);
  await says(page, 'The next draw begins a new round');
  await tap(page, 'With a number somebody names');
  await type(page, 'Number', 'seven');
  await tap(page, 'Draw with it');
  await says(page, 'A whole number from 0 to 999,999,999');
  await type(page, 'Number', '4711');
  await tap(page, 'Draw with it');
  await saved(page);
  const [last, ...before] = await draws();
  expect([last?.seed, before.length]).toEqual([4711, 3]);
  await tap(page, 'Take back');
  await saved(page);
  expect(await draws()).toHaveLength(3);
});

test('the command draws the same from the archive, with the list and without', async () => {
  const [last] = await draws();
  await tap(page, 'How it was drawn');
  await says(page, `slate draw --archive FILE --seed ${last?.seed ?? ''} --draw ${last?.id ?? ''}`);
  await tap(page, 'Close');
  const bytes = await page.evaluate(() =>
    fetch('/api/archive')
      .then((response) => response.arrayBuffer())
      .then((buffer) => Array.from(new Uint8Array(buffer))),
  );
  const file = path.join(server.folder, 'drawn.zip');
  fs.writeFileSync(file, Uint8Array.from(bytes));
  for (const { id, seed, at, startsOn, endsOn, winners } of (await draws()).slice(0, 1)) {
    const days = ['--from', startsOn, '--to', endsOn, '--at', at, '--section', room.sectionId];
    for (const words of [['--draw', id], days]) {
      const said = spawnSync(
        'node',
        [
          '--import',
          'tsx',
          'cli/src/main.ts',
          'draw',
          '--archive',
          file,
          '--seed',
          String(seed),
          ...words,
          '--json',
        ],
        { encoding: 'utf8', env: { ...process.env, TZ: 'Europe/Dublin' } },
      );
      expect([said.status, said.stderr]).toEqual([0, '']);
      expect((JSON.parse(said.stdout) as { student_id: string }).student_id).toBe(winners[0]);
    }
  }
});

test('the keeper counts and draws in the whole school; a colleague sees only who had nods', async () => {
  await page.goto(`${server.address}/desk/nods`);
  await says(page, '4 nods in');
  await tap(page, 'by class: choose how they are counted');
  await tap(page, 'by student');
  await tap(page, 'Draws');
  await says(page, 'In the draw: 3, 4 tickets');
  await tap(page, 'Draw');
  await page.waitForSelector('[data-testid=last-drawn]');
  expect(await shown()).toMatch(/^Pupil0[123]/);
  await saved(page);

  const invitation = { name: 'Cora Lund', role: 'teacher', sectionId: null, email: '' };
  const { token } = await room.client.postJson<{ token: string }>('/api/invitations', invitation);
  const context = await browser.createBrowserContext();
  page = await openPage(context, 'phone');
  await page.goto(`${server.address}/join/${token}`);
  await type(page, 'Passphrase', 'a kittiwake on the slipway');
  await tap(page, 'Come in');
  await says(page, 'saved');
  await page.goto(`${server.address}/desk/nods`);
  await says(page, '3 students had a nod in');
  const text = await textOf(page);
  expect(text).toContain('Pupil01');
  expect(text).not.toMatch(/Pupil04|Kept at it|ticket/);
  const status = await page.evaluate(
    (id) =>
      fetch(`/api/sections/${id}/nods?from=2026-11-01&to=2026-11-30`).then((response) => response.status),
    room.sectionId,
  );
  expect(status).toBe(404);
});
