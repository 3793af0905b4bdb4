import type { Browser, Page } from 'puppeteer-core';
import { control, openPage, saved, says, tap, textOf } from '../src/browser';
import type { Classroom } from '../src/classroom';
import { closeSchool, openSchool, signIn } from '../src/school';
import type { RestartableServer } from '../src/server';

let server: RestartableServer;
let browser: Browser;
let page: Page;
let room: Classroom;

beforeAll(async () => {
  ({ server, browser, page, room } = await openSchool('2026-11-23T10:42:00Z', 14, 'phone'));
});

afterAll(async () => {
  await closeSchool({ server, browser });
});

const seats = () =>
  page.evaluate(() =>
    [...document.querySelectorAll('[data-testid=room-seat]')].map(
      (seat) => seat.getAttribute('aria-label') ?? '',
    ),
  );

async function openRoom(): Promise<void> {
  await page.goto(`${server.address}/classes/${room.sectionId}/room`, { waitUntil: 'networkidle2' });
}

/** What a tap on a seat changes, from one to the other. */
async function tapChanges(from: string, to: string): Promise<void> {
  await tap(page, from);
  await tap(page, to);
}

async function middleOf(name: string): Promise<{ x: number; y: number }> {
  const box = await (await control(page, name)).boundingBox();
  if (!box) throw new Error(`${name} is nowhere`);
  return { x: box.x + box.width / 2, y: box.y + box.height / 2 };
}

test('a class is seated in pairs with one tap, and two change places by two; both can be taken back', async () => {
  await openRoom();
  await says(page, 'Nobody has a seat here yet');
  await tap(page, 'New plan');
  await tap(page, 'Make the plan');
  await says(page, '14 of 14 have a seat');
  // The board is a piece of its own, fetched when it is first wanted.
  await control(page, 'Pupil01: row 1, seat 1');
  expect((await seats()).slice(0, 2)).toEqual(['Pupil01: row 1, seat 1', 'Pupil02: row 1, seat 2']);
  await tap(page, 'Pupil01');
  await says(page, 'Pupil01: tap a seat, or somebody to change with.');
  await tap(page, 'Pupil06');
  expect((await seats())[0]).toBe('Pupil06: row 1, seat 1');
  await tap(page, 'Take back');
  expect((await seats())[0]).toBe('Pupil01: row 1, seat 1');
});

test('a finger that rests on a student takes hold, and lets go on another seat', async () => {
  const [from, to] = [await middleOf('Pupil03'), await middleOf('Pupil02')];
  await page.touchscreen.touchStart(from.x, from.y);
  await new Promise((resolve) => setTimeout(resolve, 300));
  for (let step = 1; step <= 5; step += 1)
    await page.touchscreen.touchMove(
      from.x + ((to.x - from.x) * step) / 5,
      from.y + ((to.y - from.y) * step) / 5,
    );
  await page.touchscreen.touchEnd();
  await control(page, 'Pupil03: row 1, seat 2');
  expect((await seats()).filter((seat) => seat.startsWith('Pupil02'))).toEqual(['Pupil02: row 1, seat 3']);
});

test('by keys alone: Enter takes a student in hand, Enter on another seat puts them there', async () => {
  const before = await seats();
  const press = async (name: string) => {
    await (await control(page, name)).focus();
    await page.keyboard.press('Enter');
  };
  await press('Pupil05');
  await says(page, 'Pupil05: tap a seat');
  await press('Pupil09');
  const where = before.find((seat) => seat.startsWith('Pupil09'))?.replace('Pupil09', 'Pupil05');
  expect(await seats()).toContain(where);
  await tap(page, 'Take back');
  expect(await seats()).toEqual(before);
});

test('a seat is taken away and another put; whoever lost it waits below until everybody is seated', async () => {
  await tapChanges('who sits where', 'what stands where');
  await tap(page, 'Seat of Pupil01');
  await tap(page, 'Take away');
  await says(page, '13 of 14 have a seat');
  await tapChanges('what stands where', 'who sits where');
  await says(page, 'Without a seat: 1');
  await tapChanges('who sits where', 'what stands where');
  await tapChanges('takes one thing in hand', 'puts a seat');
  await tap(page, 'Free: column 10, row 11');
  await tapChanges('what stands where', 'who sits where');
  await tap(page, 'Seat them');
  await tap(page, 'Who has none');
  await (await control(page, 'Seat them')).click();
  await says(page, '14 of 14 have a seat');
  expect(await textOf(page)).not.toContain('Without a seat');
});

test('a second plan waits until it is used; both are there after the server was stopped', async () => {
  await tap(page, 'More: Boat Workshop');
  await tap(page, 'New plan');
  await tap(page, 'Long benches');
  await tap(page, 'Make the plan');
  await says(page, 'Long benches is not in use; 14 of 14 have a seat');
  await tap(page, 'Use it from today');
  await says(page, 'is in use since 23 Nov');
  await saved(page);
  await server.end('SIGKILL');
  await server.start('2026-11-23T10:44:00Z', 'runs');
  await openRoom();
  await tap(page, 'Long benches');
  await control(page, 'Long benches · in use');
  await tap(page, 'Pairs');
  await says(page, 'Pairs is not in use');
  await control(page, 'Pupil03: row 1, seat 2');
});

test('in the lesson they are tallied as they sit, also in the next lesson and on another device', async () => {
  await page.goto(`${server.address}/?mode=tally`);
  await tap(page, 'As they sit');
  await tap(page, 'Gave evidence');
  await tap(page, 'Pupil02');
  await control(page, 'Pupil02: 1 wanted');
  await saved(page);
  await page.reload();
  await says(page, 'Front of the room');
  await saved(page);
  const other = await openPage(await browser.createBrowserContext(), 'wide');
  await signIn(other, server.address);
  await other.goto(`${server.address}/?mode=tally`);
  await tap(other, 'As they sit');
  await control(other, 'Pupil02: 1 wanted');
  await other.close();
});
