import { setTimeout as wait } from 'node:timers/promises';
import type { Page } from 'puppeteer-core';
import type { LookFor, Tally } from '@slate-path/core/records/schema';
import { control, openPage, saved, says, tap } from '@slate-path/e2e/src/browser';
import { change, send, type Classroom } from '@slate-path/e2e/src/classroom';
import { closeSchool, openSchool, signIn, type OpenSchool } from '@slate-path/e2e/src/school';
import { median, percentile } from './percentile';
import { bareTaps, tapToPaint, throttled } from './tapToPaint';

const today = '2026-11-23';
const students = 36;
const before = 300;
/** A slow stroke in twenty is told from one board's bad luck only over several. */
const boards = 5;
const perSecond = 20;
const seconds = 60;

const pupil = (index: number) => `Pupil${String((index % students) + 1).padStart(2, '0')}`;

/** As many strokes as a full lesson has, spread over the class. */
async function fillLesson({ client, sectionId, studentIds }: Classroom): Promise<void> {
  const { meeting, lookFor } = await client.get<{
    meeting: { id: string; weekday: number }[];
    lookFor: LookFor[];
  }>('/api/setup');
  const id = `${meeting.find(({ weekday }) => weekday === 1)?.id ?? ''}.${today}`;
  const counted = lookFor.filter(({ measure }) => measure === 'count');
  const tallies = Array.from({ length: before }, (_, index) => ({
    id: `before${index}`,
    studentId: studentIds[index % students],
    lookForId: counted[index % counted.length]?.id,
    at: `${today}T10:41:00.000Z`,
    amount: 1,
    circleId: null,
  }));
  const lesson = { id, sectionId, date: today, startsAt: '10:40', endsAt: '11:30' };
  await send(client, [change('tally.add', { lesson, tallies })]);
}

const talliesToday = async ({ client }: Classroom) =>
  (await client.get<{ tally: Tally[] }>(`/api/days/${today}`)).tally.filter(({ removed }) => !removed);

/** Taps at an even pace, the network gone for the middle third. @returns taps made, and how late the last one was */
async function tapForAMinute(page: Page): Promise<{ made: number; lateMs: number }> {
  const points: { x: number; y: number }[] = [];
  for (let index = 0; index < 9; index += 1)
    points.push(await (await control(page, pupil(index))).clickablePoint());
  const begun = performance.now();
  const made = perSecond * seconds;
  for (let tally = 0; tally < made; tally += 1) {
    const due = begun + (tally * 1000) / perSecond;
    if (performance.now() < due) await wait(due - performance.now());
    if (tally === made / 3) await page.setOfflineMode(true);
    if (tally === (made * 2) / 3) await page.setOfflineMode(false);
    const { x, y } = points[tally % points.length] ?? { x: 0, y: 0 };
    await page.touchscreen.tap(x, y);
  }
  return { made, lateMs: performance.now() - begun - seconds * 1000 };
}

/** From a tap on one device to the stroke on another that shows the same lesson. */
async function toAnotherDevice(page: Page, other: Page): Promise<number[]> {
  const took: number[] = [];
  for (let index = 0; index < 12; index += 1) {
    const name = pupil(index);
    const shown = (await control(other, name)).evaluate(
      (tile) =>
        new Promise<number>((resolve) => {
          new MutationObserver(() => {
            resolve(Date.now());
          }).observe(tile, { attributes: true, attributeFilter: ['aria-label'] });
        }),
    );
    const tile = await control(page, name);
    await tile.evaluate((node) => {
      node.scrollIntoView({ block: 'center' });
    });
    const { x, y } = await tile.clickablePoint();
    const begun = Date.now();
    await page.touchscreen.tap(x, y);
    took.push((await shown) - begun);
  }
  return took;
}

/** How long strokes take to be painted on a full board, at four times slower a processor. */
async function strokes(page: Page): Promise<number[]> {
  await page.bringToFront();
  await tap(page, 'Gave evidence');
  await throttled(page);
  const taps: number[] = [];
  for (let index = 0; index < 2 * students; index += 1) taps.push(await tapToPaint(page, pupil(index)));
  await saved(page);
  await throttled(page, 1);
  return taps;
}

/** A school whose lesson has as many strokes as a full one, open at its tally. */
async function openBoard(): Promise<OpenSchool> {
  const school = await openSchool(`${today}T10:42:00Z`, students, 'phone');
  await fillLesson(school.room);
  await school.page.reload();
  await tap(school.page, 'Tally');
  await says(school.page, `${before} tallies`);
  return school;
}

/** The strokes of several boards, each begun anew, beside those of a bare page in the same browser. */
async function manyStrokes(): Promise<{ taps: number[]; bare: number[] }> {
  const taps: number[] = [];
  const bare: number[] = [];
  for (let board = 0; board < boards; board += 1) {
    const school = await openBoard();
    bare.push(...(await bareTaps(school.browser)));
    taps.push(...(await strokes(school.page)));
    await closeSchool(school);
  }
  return { taps, bare };
}

/** Strokes on full boards; and a minute of twenty a second through a cut. */
export async function benchTallies(): Promise<Record<string, number>> {
  const { taps, bare } = await manyStrokes();
  const { server, browser, page, room } = await openBoard();
  await tap(page, 'Gave evidence');
  await (
    await control(page, pupil(0))
  ).evaluate((node) => {
    node.scrollIntoView({ block: 'center' });
  });
  const { made, lateMs } = await tapForAMinute(page);
  await saved(page);
  const after = await talliesToday(room);
  const other = await openPage(await browser.createBrowserContext(), 'phone');
  await signIn(other, server.address);
  await tap(other, 'Tally');
  await says(other, `${after.length} tallies`);
  const elsewhere = await toAnotherDevice(page, other);
  await closeSchool({ server, browser });
  return {
    'strokes timed': taps.length,
    'tally tap to painted stroke p50 ms (36 x 300, 4x slower)': median(taps),
    'tally tap to painted stroke p95 ms (36 x 300, 4x slower)': percentile(taps, 0.95),
    'the same on a bare page, p50 ms': median(bare),
    'the same on a bare page, p95 ms': percentile(bare, 0.95),
    'tallies at 20 a second for a minute, cut in the middle': made,
    'the last of them was late by ms': lateMs,
    'of them lost': Math.max(before + made - after.length, 0),
    'of them doubled': Math.max(after.length - before - made, 0),
    'a tally on another device after p50 ms': median(elsewhere),
    'a tally on another device after p95 ms': percentile(elsewhere, 0.95),
  };
}
