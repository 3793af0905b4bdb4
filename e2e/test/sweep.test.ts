import type { Browser, Page } from 'puppeteer-core';
import type { Sweep } from '@slate-path/core/records/schema';
import { saved, says, tap, textOf, type } from '../src/browser';
import type { Classroom } from '../src/classroom';
import { closeSchool, openSchool } from '../src/school';
import type { RestartableServer } from '../src/server';

const today = '2026-11-23';
let server: RestartableServer;
let browser: Browser;
let page: Page;
let room: Classroom;

beforeAll(async () => {
  ({ server, browser, page, room } = await openSchool(`${today}T10:42:00Z`, 30, 'phone'));
});

afterAll(async () => {
  await closeSchool({ server, browser });
});

/** Where a level is on a student's slide. */
async function pointOf(student: string, level: number): Promise<{ x: number; y: number }> {
  const slide = await page.waitForSelector(`[data-testid=level-slide][aria-label^="${student}"]`);
  const box = await slide?.evaluate((node) => {
    node.scrollIntoView({ block: 'center' });
    const { left, top, width, height } = node.getBoundingClientRect();
    return { left, top, width, height };
  });
  if (!box) throw new Error(`There is no slide of ${student}`);
  return { x: box.left + (box.width * (level + 0.5)) / 4, y: box.top + box.height / 2 };
}

/** How many are at each level at the server, as `level x count`. */
async function levelsAt(date = today): Promise<string[]> {
  const { sweep } = await room.client.get<{ sweep: Sweep[] }>(`/api/days/${date}`);
  const counts = new Map<number, number>();
  for (const { level } of sweep) if (level !== null) counts.set(level, (counts.get(level) ?? 0) + 1);
  return [...counts].map(([level, count]) => `${level} x ${count}`).sort();
}

test('a sweep of thirty under ten seconds: everyone at one level, the few by a tap; who is away has none', async () => {
  await tap(page, 'Pupil30');
  await says(page, '1 away');
  await tap(page, 'Sweep');
  await says(page, 'Tap who is rowing, or');
  const begun = Date.now();
  await tap(page, 'Everyone Rowing');
  await tap(page, 'Adrift');
  await tap(page, 'Pupil03');
  await tap(page, 'Steering');
  await tap(page, 'Pupil05');
  await says(page, '29 of 29 set');
  await says(page, 'Write about adrift: Pupil03');
  expect(Date.now() - begun).toBeLessThan(10_000);
  await saved(page);
  expect(await levelsAt()).toEqual(['0 x 1', '2 x 27', '3 x 1']);
});

test('on the board who was tapped first keeps the level when the rest gets one; the same again takes it away', async () => {
  await tap(page, 'Later lesson');
  await says(page, 'Tap who is');
  await tap(page, 'Coasting');
  await tap(page, 'Pupil01');
  await tap(page, 'Pupil02');
  await tap(page, 'Pupil02');
  await says(page, '1 of 30 set');
  await tap(page, 'Rowing');
  await tap(page, 'The rest Rowing');
  await says(page, '30 of 30 set');
  await saved(page);
  expect(await levelsAt('2026-11-25')).toEqual(['1 x 1', '2 x 29']);
  await tap(page, 'Take back');
  await tap(page, 'Take back');
  await tap(page, 'Take back');
  await tap(page, 'Take back');
  await says(page, 'Tap who is rowing, or');
  await saved(page);
  await tap(page, 'Earlier lesson');
  await says(page, '29 of 29 set');
});

test('the list has full names and a slide a student', async () => {
  await tap(page, 'Show as a list');
  const [from, to] = [await pointOf('Pupil05', 3), await pointOf('Pupil05', 2)];
  const finger = await page.touchscreen.touchStart(from.x, from.y);
  await finger.move((from.x + to.x) / 2, from.y);
  await finger.move(to.x, to.y);
  // A finger that lifts while it moves flicks, and the browser takes the next tap for its end.
  await new Promise((resolve) => setTimeout(resolve, 200));
  await finger.end();
  await saved(page);
  expect(await levelsAt()).toEqual(['0 x 1', '2 x 28']);
  await tap(page, 'Take back');
  await page.waitForSelector('[data-testid=level-slide][aria-label^="Pupil05"][aria-label$="Steering"]');
  // The same again takes a level away: only who was set counts.
  const again = await pointOf('Pupil03', 0);
  await page.touchscreen.tap(again.x, again.y);
  await says(page, '28 of 29 set');
  await tap(page, 'Take back');
  await says(page, '29 of 29 set');
  await saved(page);
  expect(await levelsAt()).toEqual(['0 x 1', '2 x 27', '3 x 1']);
});

test('it stands beside the next one and on the path; levels renamed change nothing that was recorded', async () => {
  await tap(page, 'Later lesson');
  await says(page, 'Tap who is');
  const before = await page.$$eval('[role=img][aria-label^="before:"]', (found) =>
    found.map((one) => one.getAttribute('aria-label')),
  );
  expect(before).toHaveLength(29);
  expect(before[2]).toBe('before: Adrift');
  await tap(page, 'Rename the levels');
  await type(page, 'Level 0', '');
  await tap(page, 'Call them so');
  await says(page, 'A level needs a name');
  await type(page, 'Level 0', 'Becalmed');
  await tap(page, 'Call them so');
  await tap(page, 'Becalmed');
  await tap(page, 'Everyone Becalmed');
  await says(page, '30 of 30 set');
  await saved(page);
  expect(await levelsAt('2026-11-25')).toEqual(['0 x 30']);
  await page.goto(`${server.address}/students/${room.studentIds[2] ?? ''}?page=record`);
  await page.waitForSelector('[aria-label="Mon 23 Nov: here, becalmed"]');
  expect(await textOf(page)).toContain('Pupil03');
});
