import type { Browser, Page } from 'puppeteer-core';
import type { Game, GamePoint, RoomTone } from '@slate-path/core/records/schema';
import { pointsOf, scoresOf } from '@slate-path/core/observation/sides/scores';
import { openBrowser, openPage, saved, says, tap, textOf, type } from '../src/browser';
import { makeClassroom, type Classroom } from '../src/classroom';
import { signIn } from '../src/school';
import { RestartableServer } from '../src/server';

const today = '2026-11-23';
let server: RestartableServer;
let browser: Browser;
let phone: Page;
let screen: Page;
let room: Classroom;

beforeAll(async () => {
  server = await RestartableServer.create();
  await server.start(`${today}T10:42:00Z`, 'runs');
  room = await makeClassroom(server.address, 9);
  browser = await openBrowser();
  phone = await openPage(browser, 'phone');
  await signIn(phone, server.address);
  // Another machine: nothing is shared with the phone but the server.
  screen = await openPage(await browser.createBrowserContext(), 'wide');
  await signIn(screen, server.address);
});

afterAll(async () => {
  await browser.close();
  await server.end('SIGTERM');
});

const played = () =>
  room.client.get<{ game: Game[]; gamePoint: GamePoint[]; roomTone: RoomTone[] }>(
    `/api/sections/${room.sectionId}/played?from=${today}&to=${today}`,
  );

test('a game of three rounds with a correction, steered from the phone and shown on another machine', async () => {
  await phone.goto(`${server.address}/?mode=sides`);
  await says(phone, 'of 9 students who are here');
  await tap(phone, '4 sides');
  await tap(phone, '3');
  await tap(phone, 'Start the game');
  await screen.goto(`${server.address}/screen`);
  await says(screen, 'Nobody has points yet.');
  await tap(phone, 'Star: 0 points');
  await says(screen, 'Star leads with 1');
  await tap(phone, 'A tap gives +5');
  await tap(phone, 'Ring: 0 points');
  await says(screen, 'Ring leads with 5, 4 ahead of Star.');
  await tap(phone, 'Next round');
  await says(screen, 'Round 2');
  await tap(phone, 'other number of points');
  await type(phone, 'Points, with − to take some away', 'lots');
  await tap(phone, 'Take it in hand');
  await says(phone, 'Points are a whole number');
  await type(phone, 'Points, with − to take some away', '12');
  await tap(phone, 'Take it in hand');
  await tap(phone, 'students');
  await tap(phone, 'Pupil01');
  await tap(phone, 'Next round');
  await says(screen, 'Round 3');
  await tap(phone, 'More: the game');
  await tap(phone, 'Points given, and setting them right');
  await tap(phone, 'Set right: Ring +5');
  await type(phone, 'Points that count (0 for none)', '2');
  await tap(phone, 'Set it right');
  await says(phone, '+5 set right to +2');
  await tap(phone, 'Close');
  await saved(phone);
  const { game, gamePoint } = await played();
  const points = pointsOf(game[0]?.id ?? '', gamePoint);
  expect(points.map(({ amount, round, corrections }) => [amount, round, corrections.length])).toEqual([
    [1, 1, 0],
    [5, 1, 1],
    [12, 2, 0],
  ]);
  expect(points[2]?.studentId).toBe(room.studentIds[0]);
  const scores = game[0] ? scoresOf(game[0], points) : [];
  expect(scores.reduce((sum, score) => sum + score.points, 0)).toBe(15);
  await tap(phone, 'More: the game');
  await tap(phone, 'End the game');
  await says(phone, 'Begin another game');
  await says(screen, 'won with');
});

test('the tone is set by a tap and by a key, and shows beside the sides', async () => {
  await phone.goto(`${server.address}/?mode=tone`);
  await says(phone, 'How is the room?');
  await tap(phone, 'far down');
  await says(screen, 'far down');
  await phone.keyboard.press('ArrowUp');
  await says(phone, 'Tone of the room by time');
  await saved(phone);
  expect((await played()).roomTone.map(({ level }) => level)).toEqual([-2, -1]);
  expect(await textOf(screen, 'big-tone')).toContain('down');
});

test('the big screen says when the connection is lost, and catches up when it is back', async () => {
  await server.end('SIGTERM');
  await says(screen, 'Connection lost at');
  await tap(phone, 'far up');
  await server.start(`${today}T10:52:00Z`, 'runs');
  await says(screen, 'far up', 40_000);
  expect(await textOf(screen)).not.toContain('Connection lost');
});
