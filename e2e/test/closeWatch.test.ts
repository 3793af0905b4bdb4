import type { Browser, Page } from 'puppeteer-core';
import type { Observation, ObservationEvent } from '@slate-path/core/records/schema';
import { figuresOf } from '@slate-path/core/observation/closeWatch/figures';
import { openBrowser, openPage, saved, says, tap, textOf, type } from '../src/browser';
import { makeClassroom, type Classroom } from '../src/classroom';
import { linkShown, openWithoutScripts } from '../src/links';
import { signIn } from '../src/school';
import { RestartableServer } from '../src/server';

const today = '2026-11-23';
let server: RestartableServer;
let browser: Browser;
let phone: Page;
let room: Classroom;

/** A clock that can be moved: on while the page is looked at, in steps that it follows, or by a leap while it is not. */
const movableClock = `(() => {
  const real = Date.now;
  let skipped = 0;
  Date.now = () => real() + skipped;
  window.begin = () => { window.begun = Date.now(); };
  const left = (seconds) => window.begun + seconds * 1000 - Date.now();
  window.leapTo = (seconds) => { skipped += Math.max(0, left(seconds)); };
  const shownAt = () => Math.max(0, ...Object.values(JSON.parse(localStorage.getItem('slate-watching') ?? '{}')));
  window.moveTo = async (seconds) => {
    while (left(seconds) > 0) {
      skipped += Math.min(3000, left(seconds));
      const moved = Date.now();
      for (let tries = 0; shownAt() < moved && tries < 100; tries += 1)
        await new Promise((resolve) => setTimeout(resolve, 20));
    }
  };
})()`;
/** So many seconds after a session began. */
const moveTo = (seconds: number) => phone.evaluate(`window.moveTo(${seconds})`);

beforeAll(async () => {
  server = await RestartableServer.create();
  await server.start(`${today}T10:42:00Z`, 'runs');
  room = await makeClassroom(server.address, 6);
  browser = await openBrowser();
  phone = await openPage(browser, 'phone');
  await phone.evaluateOnNewDocument(movableClock);
  await signIn(phone, server.address);
});

afterAll(async () => {
  await browser.close();
  await server.end('SIGTERM');
});

const watched = () =>
  room.client.get<{ observation: Observation[]; observationEvent: ObservationEvent[] }>(
    `/api/sections/${room.sectionId}/observations?from=${today}&to=${today}`,
  );

/** What the server tells of a student's intervals in the first session. */
async function outcomesOf(studentId: string): Promise<string[]> {
  const { observation, observationEvent } = await watched();
  const session = observation.find(({ besideId }) => besideId === null);
  const events = observationEvent.filter(
    (event) => event.studentId === studentId && event.observationId === session?.id,
  );
  const figures = session && figuresOf(session, events, Date.parse(`${today}T11:30:00Z`));
  return figures?.kind === 'interval' ? figures.outcomes : [];
}

test('what is watched is said, with what is wrong with it', async () => {
  await phone.goto(`${server.address}/?mode=watch`);
  await tap(phone, 'Keep it: what is watched');
  await says(phone, 'What is watched?');
  await says(phone, 'Who is watched?');
  await type(phone, 'What is watched', 'On task');
  for (const pupil of ['Pupil01', 'Pupil02', 'Pupil03', 'Pupil04', 'Pupil05']) await tap(phone, pupil);
  await tap(phone, 'Keep it: what is watched');
  await says(phone, 'At most four students at a time');
  for (const pupil of ['Pupil03', 'Pupil04', 'Pupil05']) await tap(phone, pupil);
  await tap(phone, 'Keep it: what is watched');
  await says(phone, 'Momentary time sampling, every 1 min for 10 min');
});

test('ten minutes without a network, the phone locked once: what was missed is not observed', async () => {
  await saved(phone);
  await phone.setOfflineMode(true);
  await tap(phone, 'Begin: On task');
  await phone.evaluate('window.begin()');
  await says(phone, 'Wait for the first signal.');
  for (let signal = 1; signal <= 10; signal += 1) {
    if (signal === 4) {
      const elsewhere = await browser.newPage();
      await elsewhere.bringToFront();
      await phone.evaluate('window.leapTo(242)');
      await phone.bringToFront();
      await elsewhere.close();
      await says(phone, 'Signal 4 was missed: not observed.');
      continue;
    }
    await moveTo(signal * 60 + 1);
    if (signal === 10) await says(phone, 'The last answer can still be given.');
    else await says(phone, `Signal ${signal} of 10: was it so just then?`);
    // The seventh is looked away from; of the second pupil most is not seen.
    if (signal === 7) continue;
    await tap(phone, signal % 3 === 0 ? 'Not seen: Pupil01' : 'Seen: Pupil01');
    if (signal === 1) await tap(phone, 'Seen: Pupil02');
    else await tap(phone, 'The others: not seen');
  }
  await moveTo(620);
  await says(phone, 'seen in 5 of 8 intervals, 63 %; 2 not observed');
  // The network is back; the school's clocks have gone on too.
  await server.end('SIGTERM');
  await server.start(`${today}T10:55:00Z`, 'runs');
  await phone.setOfflineMode(false);
  await saved(phone);
  const [first = '', second = ''] = room.studentIds;
  const missed = { 3: 'not_observed', 6: 'not_observed' } as Record<number, string>;
  const expected = Array.from(
    { length: 10 },
    (_, at) => missed[at] ?? ((at + 1) % 3 === 0 ? 'not_seen' : 'seen'),
  );
  expect(await outcomesOf(first)).toEqual(expected);
  expect(await outcomesOf(second)).toEqual(
    expected.map((_, at) => missed[at] ?? (at === 0 ? 'seen' : 'not_seen')),
  );
});

test('a second sheet is written down beside it, and the page says how far both agree', async () => {
  await tap(phone, 'All sessions: On task');
  await says(phone, '1 session on 23 Nov');
  await tap(phone, 'A second observer');
  await says(phone, 'beside another');
  await tap(phone, 'Set right: On task');
  const shown = await phone.$$('[role=radio][aria-label="Seen"]');
  expect(shown).toHaveLength(10);
  // Seen in the first five, not seen in the rest.
  for (const [at] of shown.entries()) {
    const keys = await phone.$$(`[role=radio][aria-label="${at < 5 ? 'Seen' : 'Not seen'}"]`);
    await keys[at]!.evaluate((node) => {
      (node as HTMLElement).click();
    });
  }
  await tap(phone, 'Close');
  // Both saw it at 1, 2 and 5, neither at 6 and 9: 5 of 8; by chance 1/2. Kappa (5/8 − 1/2) / (1 − 1/2).
  await says(phone, 'The same in 63 % of 8 intervals.');
  await says(phone, "Cohen's kappa 0.25");
  await says(phone, '8 cases are few');
});

test('a summary is drafted, set right, and passed on with its chart', async () => {
  await tap(phone, 'Draft it from the sessions');
  const drafted = await phone.evaluate(() =>
    [...document.querySelectorAll('textarea')].map(({ value }) => value).join(''),
  );
  expect(drafted).toContain('Pupil01 was watched closely in 1 session');
  await type(phone, 'In your words', 'Looks up when the harbour bell rings.');
  await tap(phone, 'Pass it on');
  await says(phone, 'Close watch, each with its chart');
  await type(phone, 'Who reads it', 'Ada Abara');
  // It can be made once what it will show has been seen.
  await new Promise((resolve) => setTimeout(resolve, 1500));
  await phone.waitForFunction(() => {
    const make = document.querySelector('[aria-label="Make the page"]');
    return make !== null && make.getAttribute('aria-disabled') !== 'true' && !make.hasAttribute('disabled');
  });
  await tap(phone, 'Make the page');
  await says(phone, 'Whoever has it can read the page.');
  const reader = await openWithoutScripts(browser, await linkShown(browser, phone, server.address));
  const page = await textOf(reader);
  expect(page).toContain('On task');
  expect(page).toContain('Share of the observed intervals, %');
  expect(page).toContain('Looks up when the harbour bell rings.');
  expect(page).not.toContain('Pupil02');
  await reader.close();
});

test('two devices observe one session: how often, and how far both agree', async () => {
  const other = await openPage(await browser.createBrowserContext(), 'wide');
  await signIn(other, server.address);
  await phone.goto(`${server.address}/?mode=watch`);
  await tap(phone, 'Watch something else');
  await type(phone, 'What is watched', 'Calls out');
  await tap(phone, 'Pupil03');
  await tap(phone, 'Unwanted');
  await tap(phone, 'momentary time sampling');
  await tap(phone, 'Frequency');
  await tap(phone, 'Keep it: what is watched');
  await tap(phone, 'Begin: Calls out');
  await other.goto(`${server.address}/?mode=watch`);
  await says(other, 'is on since');
  await tap(other, 'Observe beside it');
  for (let time = 0; time < 3; time += 1) await tap(phone, 'Seen: Pupil03');
  for (let time = 0; time < 2; time += 1) await tap(other, 'Seen: Pupil03');
  await tap(phone, 'Take back');
  await says(phone, 'Seen · 2');
  await tap(phone, 'Seen: Pupil03');
  await tap(phone, 'Before, after: Pupil03');
  await tap(phone, 'work got hard');
  await tap(phone, 'Keep it');
  await tap(phone, 'Pause');
  await says(phone, 'Paused. The time stands still.');
  await tap(phone, 'Go on');
  // Windows of ten seconds are what both observed.
  await new Promise((resolve) => setTimeout(resolve, 11_000));
  await tap(phone, 'End it: the session');
  await tap(other, 'End it: the session');
  await saved(phone);
  await saved(other);
  await tap(other, 'All sessions: Calls out');
  await says(other, 'The smaller sum is 67 % of the larger.');
  await says(other, 'work got hard → not said');
});
