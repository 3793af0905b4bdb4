import type { Browser, Page } from 'puppeteer-core';
import { ApiClient } from '@slate-path/demo/apiClient';
import { fillDemo } from '@slate-path/demo/fill';
import { hold, openBrowser, openPage, saved, says, tap, textOf, type } from '../src/browser';
import { teacher } from '../src/classroom';
import { RestartableServer } from '../src/server';

const today = '2026-11-26';
/** Two days after the call home of the demo's story; and two weeks later. */
const [before, later] = ['2026-10-09', '2026-10-30'];

let server: RestartableServer;
let browser: Browser;
let page: Page;

beforeAll(async () => {
  server = await RestartableServer.create();
  await server.start(`${today}T10:10:00Z`, 'runs');
  const client = await ApiClient.signIn(server.address, '/api/first-start', teacher);
  await fillDemo(client, Date.parse(`${today}T10:10:00Z`));
  browser = await openBrowser();
  page = await openPage(browser, 'wide');
  await page.goto(server.address);
  await type(page, 'Your name', teacher.name);
  await type(page, 'Passphrase', teacher.passphrase);
  await tap(page, 'Sign in');
  await says(page, 'Tap who is away');
});

afterAll(async () => {
  await browser.close();
  await server.end('SIGTERM');
});

async function open(path: string): Promise<void> {
  await page.goto(server.address + path, { waitUntil: 'networkidle2' });
}

/** Starts the server at another day and opens the list there. */
async function goTo(date: string): Promise<void> {
  await server.end('SIGTERM');
  await server.start(`${date}T16:00:00Z`, 'runs');
  await open('/watch');
  await says(page, 'It proposes, with evidence; you decide.');
}

test('until the first list has come nothing on the page reads as an answer', async () => {
  const release = await hold(page, '/api/watch');
  await page.goto(`${server.address}/watch`);
  await says(page, 'Asking the server…');
  expect(await textOf(page)).not.toMatch(/needs? you|over a line|Nobody/);
  await release();
  await says(page, 'need you in all classes.', 30_000);
  expect(await textOf(page)).toMatch(/[1-9]\d* students need you/);
});

test('each story of the demo is on the list, with its sentence', async () => {
  await open('/watch');
  await says(page, 'Tomasz Afolabi', 30_000);
  for (const words of [
    /Tomasz missed (six|seven) of the last seven Mondays/,
    /Rafferty (has )?missed \w+ of \w+ lessons/,
    /Yusra has missed \w+ of \w+ lessons/,
    /Odalys .*(was heard|stands at)/,
    /Nils had unwanted tallies in (eight|nine) of the last ten lessons after lunch/,
    /Viggo had unwanted tallies in \w+ of \w+ lessons beside Sander, and none of \w+ lessons without/,
    /Saoirse came late to \w+ of the last nine lessons after lunch/,
    /Ottilie did not hand in \w+ of \w+ pieces of work/,
    /Kasimir did [\d.]+ things a day online/,
  ])
    expect(await textOf(page)).toMatch(words);
});

test('a concern shows its records, what would clear it, and is put aside and shown again', async () => {
  await tap(page, 'All evidence on Odalys Brandt, disengaged');
  await says(page, 'It clears with about');
  await tap(page, 'The records behind it');
  await says(page, 'the class’s middle');
  await tap(page, 'Act on Odalys Brandt');
  await tap(page, 'Put aside');
  await tap(page, '2 weeks');
  await page.evaluate(() => {
    const buttons = [...document.querySelectorAll('[role=dialog] button, [role=dialog] [role=button]')];
    (buttons.filter((node) => node.getAttribute('aria-label') === 'Put aside').at(-1) as HTMLElement).click();
  });
  await says(page, 'Put aside until 10 Dec');
  await saved(page);
  await tap(page, 'Show it again');
  await says(page, 'Disengaged, since');
  expect(await textOf(page)).not.toMatch(/Put aside until/);
});

test('what is watched is tried on four weeks before it is kept', async () => {
  await open('/watch/settings');
  await says(page, 'What is watched');
  await type(page, 'Lessons missed in a row', '99');
  await says(page, 'A number from 2 to 20');
  await type(page, 'Lessons missed in a row', '4');
  await tap(page, 'Try it on the last four weeks');
  await says(page, 'In the last four weeks it would have listed');
  await tap(page, 'Lessons missed');
  await tap(page, 'Try it on the last four weeks');
  await says(page, 'In the last four weeks it would have listed');
  await tap(page, 'Keep for this class');
  await says(page, 'Kept for this class.');
  await saved(page);
  await tap(page, 'Take back');
  await saved(page);
});

test('a class tells how it is in a sentence that narrows it, with the patterns and everybody', async () => {
  await open('/people');
  await tap(page, 'Boat Workshop');
  await says(page, 'Patterns beyond chance', 30_000);
  const all = await textOf(page);
  expect(all).toMatch(/Tomasz missed (six|seven) of the last seven Mondays/);
  expect(all).toMatch(/Adaeze Okoro/);
  const [, quiet] = /(\d+) (?:was|were) not heard/.exec(all) ?? [];
  expect(all).toMatch(/In the last four weeks \d+\s% were there\. .+ need you;/);
  await tap(page, `${quiet ?? ''}: show only them`);
  await says(page, 'Show everybody');
  const rows = () => page.$$eval('[data-testid=overview-row]', (all) => all.length);
  expect(await rows()).toBe(Number(quiet));
  await tap(page, 'Show everybody');
  expect(await rows()).toBeGreaterThan(Number(quiet));
});

test('a step taken, the clock moved, the recovery told with what changed since', async () => {
  await goTo(before);
  await says(page, 'Pell Arbuckle');
  await tap(page, 'More: act on Pell Arbuckle, absent');
  await says(page, 'Keep this step');
  await tap(page, 'Contact home');
  await type(page, 'What was said (may stay empty)', 'The early boat from now on.');
  await tap(page, 'Keep this contact');
  await says(page, 'Contact home on 9 Oct, look again on 23 Oct');
  await saved(page);
  await goTo(later);
  await says(page, 'as usual again');
  await page.evaluate(() => {
    const phrase = document.querySelector<HTMLElement>('[aria-label$="show who is as usual again"]');
    phrase?.click();
  });
  await says(page, 'Pell Arbuckle');
  const told = await textOf(page);
  expect(told).toMatch(/As usual again since \d+ October in lessons missed/);
  expect(told).toMatch(/Contact home on 9 Oct\. Lessons missed: 0\.\d+ before, 0 since 9 October \(better\)/);
});

test('a step comes back on its day, is looked at, and can be taken back', async () => {
  await open('/again');
  await says(page, 'Friday 23 October, not settled yet');
  await says(page, 'Contact home on 9 Oct: The early boat from now on.');
  await tap(page, 'Looked at Pell Arbuckle again');
  await saved(page);
  expect(await textOf(page)).not.toMatch(/The early boat from now on/);
  await tap(page, 'Take back');
  await says(page, 'The early boat from now on.');
  await saved(page);
});

test('the path has all lanes, hides one, and its summary is kept as the teacher set it right', async () => {
  await goTo(today);
  await says(page, 'Odalys Brandt');
  await tap(page, 'All evidence on Odalys Brandt, disengaged');
  await tap(page, 'Open the path of Odalys Brandt');
  await says(page, 'Summary');
  await tap(page, 'everything there is');
  await tap(page, 'Lane: Weather');
  await says(page, 'lanes.');
  await tap(page, 'The term');
  await tap(page, 'One month');
  await tap(page, 'Edit the draft');
  await type(page, 'Set it right', 'Quieter since early November; a talk is planned.');
  await tap(page, 'Keep');
  await says(page, 'As you kept it on');
  await saved(page);
  await page.reload({ waitUntil: 'networkidle2' });
  await says(page, 'Quieter since early November; a talk is planned.');
});

test('each fact of a summary leads to the records that it rests on', async () => {
  await tap(page, 'The facts as they are now');
  await says(page, 'From ');
  const named = (begin: string) =>
    page.$$eval(
      '[aria-label]',
      (all, start) =>
        all.map((node) => node.getAttribute('aria-label') ?? '').filter((name) => name.startsWith(start)),
      begin,
    );
  const facts = await named('From ');
  expect(facts[0]).toMatch(/^From \d+ records: In Boat Workshop: Since \d+ October Odalys was heard/);
  const [, count] = /From (\d+)/.exec(facts[0] ?? '') ?? [];
  await tap(page, facts[0] ?? '');
  const links = (await named('Open ')).filter((name) => /^Open \w{3} \d+ \w{3}: /.test(name));
  expect(links).toHaveLength(Number(count));
  await tap(page, links[0] ?? '');
  await page.waitForFunction(() => location.pathname.startsWith('/lessons/'));
  await says(page, 'Odalys');
});
