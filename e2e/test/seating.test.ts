import type { Browser, Page } from 'puppeteer-core';
import { control, saved, says, tap, textOf, type } from '../src/browser';
import { change, send, type Classroom } from '../src/classroom';
import { closeSchool, openSchool } from '../src/school';
import type { RestartableServer } from '../src/server';

let server: RestartableServer;
let browser: Browser;
let page: Page;
let room: Classroom;
let taps = 0;

beforeAll(async () => {
  ({ server, browser, page, room } = await openSchool('2026-11-23T10:42:00Z', 30, 'phone'));
});
afterAll(() => closeSchool({ server, browser }));

const act = async (name: string) => {
  taps += 1;
  await tap(page, name);
};
const labelsOf = (testId: string) =>
  page.evaluate(
    (id) =>
      [...document.querySelectorAll(`[data-testid=${id}]`)].map(
        (seat) => seat.getAttribute('aria-label') ?? '',
      ),
    testId,
  );
const seatOf = async (name: string) =>
  (await labelsOf('room-seat')).find((label) => label.startsWith(`${name}:`));
const widthOf = (text: string) =>
  page.evaluate((label) => {
    const box = [...document.querySelectorAll('[data-testid=room-seat]')]
      .find((seat) => seat.getAttribute('aria-label')?.startsWith(label))
      ?.getBoundingClientRect();
    return box ? [box.left, box.right] : [];
  }, text);

async function wish(kind: string, ...names: string[]): Promise<void> {
  await act(kind);
  for (const name of names) await act(name);
  await act('Add the wish');
}

test('a horseshoe of 30 is made and filled in three taps, and fits the width of a phone', async () => {
  await page.goto(`${server.address}/classes/${room.sectionId}/room`);
  await says(page, 'Nobody has a seat here yet');
  await act('New plan');
  await act('Horseshoe');
  await act('Make the plan');
  await says(page, 'Horseshoe is in use since 23 Nov; 30 of 30 have a seat');
  await control(page, 'Pupil30');
  expect(taps).toBeLessThan(15);
  const seats = await labelsOf('room-seat');
  expect(seats.filter((label) => label.includes('row 13'))).toHaveLength(6);
  const corners = (await Promise.all(seats.map((label) => widthOf(label)))).flat();
  expect([Math.min(...corners) >= 0, Math.max(...corners) <= 390]).toEqual([true, true]);
});

test('four wishes are kept when the class is seated by them', async () => {
  await tap(page, 'no wishes');
  await wish('Apart', 'Pupil01', 'Pupil02');
  await wish('Together', 'Pupil03', 'Pupil20');
  await wish('Front', 'Pupil29');
  await act('Not there');
  await act('Pupil01');
  await act('Here too: column 11, row 11');
  await act('Add the wish');
  await act('Seat the class by its wishes');
  await act('Seat them');
  await says(page, 'All 4 wishes are kept.');
  await says(page, '4 of 4 wishes kept');
  expect(await seatOf('Pupil01')).not.toBe('Pupil01: row 1, seat 1');
  expect(Number(/row (\d+)/.exec((await seatOf('Pupil29')) ?? '')?.[1])).toBeLessThan(6);
  await saved(page);
  await page.reload();
  await says(page, '4 of 4 wishes kept');
});

test('a wish that cannot be kept is told with what stands in its way, and nobody loses a seat', async () => {
  await tap(page, '4 of 4 wishes kept');
  await wish('Together', 'Pupil01', 'Pupil02');
  await says(page, 'not kept as they sit now');
  await tap(page, 'Seat the class by its wishes');
  await tap(page, 'At random');
  await tap(page, 'Seat them');
  await says(page, '4 of 5 wishes kept, not:');
  await says(page, 'These 2 cannot all be kept: Pupil01 and Pupil02');
  await says(page, '30 of 30 have a seat');
});

test('two change places in two taps; from the back the front row lies at the top', async () => {
  const before = [await seatOf('Pupil05'), await seatOf('Pupil06')];
  await tap(page, 'Pupil05');
  await tap(page, 'Pupil06');
  expect(await seatOf('Pupil05')).toBe(before[1]?.replace('Pupil06', 'Pupil05'));
  const top = async (name: string) => ((await (await control(page, name)).boundingBox()) ?? { y: 0 }).y;
  const front = (await labelsOf('room-seat')).find((label) => label.endsWith('row 1, seat 1')) ?? '';
  const back = (await labelsOf('room-seat')).find((label) => label.endsWith('row 13, seat 1')) ?? '';
  expect(await top(front)).toBeGreaterThan(await top(back));
  await tap(page, 'front');
  await tap(page, 'back');
  expect(await top(front)).toBeLessThan(await top(back));
});

test('furniture is put; a table is moved by keys with its students, turned and taken back; the plan of a class in the same room follows', async () => {
  const other = '01M8000000000000000000OTHR';
  await send(room.client, [
    change('section.set', { id: other, name: 'Shore Ecology', subject: '', room: '' }),
  ]);
  await page.goto(`${server.address}/classes/${room.sectionId}/room`);
  await tap(page, 'More: Boat Workshop');
  await tap(page, 'New plan');
  await tap(page, 'Tables of four');
  await type(page, 'Seats', '8');
  await tap(page, 'Make the plan');
  await says(page, 'Tables of four is not in use; 8 of 30 have a seat');
  await saved(page);
  await page.goto(`${server.address}/classes/${other}/room`);
  await tap(page, 'More: Shore Ecology');
  await tap(page, 'The room of another class');
  await tap(page, 'Boat Workshop: Tables of four, 8 seats');
  await says(page, 'one room with Boat Workshop');
  await tap(page, 'who sits where');
  await tap(page, 'what stands where');
  await tap(page, 'takes one thing in hand');
  await tap(page, 'puts a door');
  await tap(page, 'Free: column 10, row 10');
  await tap(page, 'Let go');
  await tap(page, 'puts a door');
  await tap(page, 'takes a whole table in hand');
  await tap(page, 'Seat: column 15, row 12');
  await says(page, 'In hand: 4');
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('ArrowRight');
  await tap(page, 'Turn by an eighth');
  await saved(page);
  await page.goto(`${server.address}/classes/${room.sectionId}/room`);
  await tap(page, 'Horseshoe');
  await tap(page, 'Tables of four');
  await says(page, 'one room with Shore Ecology');
  await says(page, 'Door');
  // The table that was turned is a diamond: its seats stand in three rows.
  const seats = await labelsOf('room-seat');
  const rows = seats.map((label) => /row (\d+)/.exec(label)?.[1]).sort();
  expect(rows).toEqual(['1', '1', '1', '2', '2', '2', '2', '3']);
  expect(await textOf(page)).toContain('8 of 30 have a seat');
});
