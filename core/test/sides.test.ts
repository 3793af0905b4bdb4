import * as fc from 'fast-check';
import { readAmount, readClock, signed, sumWords } from '../src/observation/sides/amount';
import { bySeats } from '../src/observation/sides/bySeats';
import { clockOf, clockWords, secondsLeft, started, stopped } from '../src/observation/sides/clock';
import { byChance, byStrength, withRest } from '../src/observation/sides/form';
import { gamesOf, playedBy } from '../src/observation/sides/ofStudent';
import { ownPoints, pointsOf, scoresOf } from '../src/observation/sides/scores';
import { gameWords, placeWords } from '../src/observation/sides/gameWords';
import { standingSentence } from '../src/observation/sides/standing';
import { layoutOf } from '../src/people/room/layouts';
import { seeded } from '../src/people/room/seating/chance';
import type { Game, GamePoint } from '../src/records/schema';

const start = Date.parse('2026-11-23T10:45:00.000Z');
const iso = (seconds: number) => new Date(start + seconds * 1000).toISOString();
const ids = (count: number) => Array.from({ length: count }, (_, at) => `s${String(at).padStart(2, '0')}`);

const game: Game = {
  ...{ id: 'game', removed: false, lessonId: 'lesson', name: '', formedBy: 'hand', seed: null },
  ...{ startedAt: iso(0), endedAt: null, round: 2, clock: null },
  sides: [
    { name: 'Star', mark: 'star', studentIds: ['a', 'b'] },
    { name: 'Ring', mark: 'ring', studentIds: ['c'] },
    { name: 'Wave', mark: 'wave', studentIds: [] },
  ],
};
let made = 0;
const point = (side: number, amount: number, rest: Partial<GamePoint> = {}): GamePoint => ({
  ...{ id: `p${(made += 1)}`, removed: false, gameId: 'game', side, studentId: null, amount, round: 1 },
  ...{ at: iso(made), corrections: [], ...rest },
});

describe('the scores of a game', () => {
  const points = [
    point(0, 3, { studentId: 'a' }),
    point(1, 5, { corrections: [{ side: 1, amount: 2, at: iso(90) }] }),
    // Given to the wrong side, then set right twice: the last one counts.
    point(2, 4, {
      studentId: 'b',
      corrections: [
        { side: 0, amount: 4, at: iso(91) },
        { side: 0, amount: 1, at: iso(92) },
      ],
    }),
    point(1, -1, { round: 2 }),
    point(0, 100, { removed: true }),
    point(0, 100, { gameId: 'another' }),
    point(7, 9),
  ];
  const given = pointsOf('game', points);

  test('what was set right last counts, by round, and what was taken back does not', () => {
    expect(scoresOf(game, given)).toEqual([
      { side: 0, points: 4, byRound: [4, 0], place: 1 },
      { side: 1, points: 1, byRound: [2, -1], place: 2 },
      { side: 2, points: 0, byRound: [0, 0], place: 3 },
    ]);
    expect(ownPoints(given)).toEqual(
      new Map([
        ['a', 3],
        ['b', 1],
      ]),
    );
  });

  test.each([
    [[], null, 'Nobody has points yet.'],
    [[], iso(900), 'Nobody had points.'],
    [[point(0, 4), point(1, 1)], null, 'Star leads with 4, 3 ahead of Ring.'],
    [[point(0, 4), point(1, 4)], null, 'Star and Ring lead with 4 each.'],
    [[point(0, 4), point(1, 4)], iso(900), 'Star and Ring share the first place with 4 each.'],
    [[point(0, 4), point(1, 4), point(2, 4)], null, 'All stand at 4.'],
    [[point(2, 7)], iso(900), 'Wave won with 7, 7 ahead of all others.'],
    [[point(0, -2)], null, 'Ring and Wave lead with 0 each.'],
    [[point(0, 2), point(0, -2)], null, 'Nobody has points yet.'],
  ])('says who leads (%#)', (all, endedAt, words) => {
    expect(standingSentence({ ...game, endedAt }, scoresOf(game, all))).toBe(words);
  });

  test('sums, rounds and places agree, whatever is given and set right', () => {
    const anyPoint = fc.record({
      side: fc.integer({ min: 0, max: 2 }),
      amount: fc.integer({ min: -50, max: 50 }),
      round: fc.integer({ min: 1, max: 4 }),
      to: fc.option(
        fc.record({ side: fc.integer({ min: 0, max: 2 }), amount: fc.integer({ min: -9, max: 9 }) }),
      ),
    });
    fc.assert(
      fc.property(fc.array(anyPoint, { maxLength: 40 }), (all) => {
        const scores = scoresOf(
          game,
          all.map(({ side, amount, round, to }) =>
            point(side, amount, { round, corrections: to ? [{ ...to, at: iso(0) }] : [] }),
          ),
        );
        const total = all.reduce((sum, { amount, to }) => sum + (to ? to.amount : amount), 0);
        expect(scores.reduce((sum, { points: own }) => sum + own, 0)).toBe(total);
        for (const { points: own, byRound, place } of scores) {
          expect(byRound.reduce((sum, one) => sum + one, 0)).toBe(own);
          expect(place).toBe(1 + scores.filter((other) => other.points > own).length);
        }
      }),
    );
  });

  test('a student’s games, and who did how much', () => {
    const ended = { ...game, endedAt: iso(900) };
    const later = { ...game, id: 'later', startedAt: iso(5000) };
    const all = [
      ...points,
      point(0, 2, { gameId: 'later' }),
      point(1, 2, { gameId: 'later', studentId: 'c' }),
    ];
    expect(
      gamesOf('b', [ended, later], all).map(({ game: { id }, side, score, scores, own }) => [
        ...[id, side, placeWords(score, scores), own],
      ]),
    ).toEqual([
      ['later', 'Star', 'first of 3, with another side', 0],
      ['game', 'Star', 'first of 3', 1],
    ]);
    expect(gamesOf('b', [ended], all).map(gameWords)).toEqual([
      'A game: in Star, first of 3; 1 point earned',
    ]);
    expect(playedBy([ended, later], all)).toEqual([
      { studentId: 'a', games: 2, won: 2, own: 3 },
      { studentId: 'b', games: 2, won: 2, own: 1 },
      { studentId: 'c', games: 2, won: 1, own: 2 },
    ]);
  });
});

describe('forming sides', () => {
  const sizes = (sides: readonly (readonly string[])[]) => sides.map(({ length }) => length);

  test('by chance and by strength everybody is in one, and sizes differ by one at most', () => {
    fc.assert(
      fc.property(
        fc.nat(40),
        fc.integer({ min: 2, max: 8 }),
        fc.nat(),
        fc.nat(40),
        (many, count, seed, known) => {
          const all = ids(many);
          const strengths = new Map(all.slice(0, known).map((id, at) => [id, (at * 7) % 10]));
          for (const sides of [
            byChance(all, count, seeded(seed)),
            byStrength(all, strengths, count, seeded(seed)),
          ]) {
            expect(sides).toHaveLength(count);
            expect(sides.flat().sort()).toEqual(all);
            expect(Math.max(...sizes(sides)) - Math.min(...sizes(sides))).toBeLessThanOrEqual(1);
          }
        },
      ),
    );
  });

  test('sides of one strength differ by less than the strongest does from the weakest', () => {
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 0, max: 100 }), { minLength: 8, maxLength: 32 }),
        fc.nat(),
        (values, seed) => {
          const count = 4;
          const all = ids(values.length - (values.length % count));
          const strengths = new Map(all.map((id, at) => [id, values[at] ?? 0]));
          const sums = byStrength(all, strengths, count, seeded(seed)).map((side) =>
            side.reduce((sum, id) => sum + (strengths.get(id) ?? 0), 0),
          );
          const range = Math.max(...strengths.values()) - Math.min(...strengths.values());
          expect(Math.max(...sums) - Math.min(...sums)).toBeLessThanOrEqual(range);
        },
      ),
    );
  });

  test('as they sit: tables stay together where there are enough, else from the left to the right', () => {
    const tables = layoutOf('fours', 24);
    const all = ids(24);
    const seated = (seats: readonly { x: number; y: number }[]) =>
      seats.map(({ x, y }, at) => ({ x, y, studentId: all[at] ?? '' }));
    const sides = bySeats({ seats: tables, places: seated(tables) }, all, 3);
    expect(sizes(sides)).toEqual([8, 8, 8]);
    const tableOf = (id: string) => {
      const place = seated(tables).find(({ studentId }) => studentId === id);
      return tables.filter(({ x, y }) => place && Math.abs(x - place.x) + Math.abs(y - place.y) === 1);
    };
    for (const side of sides)
      for (const id of side)
        for (const seat of tableOf(id))
          expect(side).toContain(seated(tables).find(({ x, y }) => x === seat.x && y === seat.y)?.studentId);
    const horseshoe = layoutOf('horseshoe', 23);
    const arms = bySeats({ seats: horseshoe, places: seated(horseshoe) }, all, 2);
    expect(sizes(arms).sort()).toEqual([11, 12]);
    const columns = arms.map((side) =>
      side.map((id) => seated(horseshoe).find(({ studentId }) => studentId === id)?.x ?? 0),
    );
    expect(Math.max(...(columns[0] ?? []))).toBeLessThanOrEqual(Math.min(...(columns[1] ?? [])));
  });

  test('who has no seat is in none, until the rest come to the smallest', () => {
    const seats = [0, 1, 2].map((x) => ({ x: x * 2, y: 0 }));
    const places = seats.map((seat, at) => ({ ...seat, studentId: `s${at}` }));
    const sides = bySeats({ seats, places }, ['s0', 's1', 's2', 'new'], 2);
    expect(sides.flat()).toEqual(['s0', 's1', 's2']);
    expect(withRest(sides, ['s0', 'new']).flat().sort()).toEqual(['new', 's0', 's1', 's2']);
    expect(sizes(withRest(sides, ['new']))).toEqual([2, 2]);
    // More sides than students: some have nobody.
    expect(sizes(bySeats({ seats, places }, ['s0'], 3)).sort()).toEqual([0, 0, 1]);
  });
});

describe('the clock of a game', () => {
  test('runs down to nothing, stands where it was stopped, and begins anew', () => {
    const running = started(clockOf(180), start);
    expect(secondsLeft(running, start + 60_500)).toBe(119.5);
    const standing = stopped(running, start + 60_500);
    expect(secondsLeft(standing, start + 600_000)).toBe(119.5);
    const again = started(standing, start + 700_000);
    expect(secondsLeft(again, start + 700_000 + 120_000)).toBe(0);
    expect(secondsLeft(started(again, start + 900_000), start + 900_000)).toBe(180);
    // Another device's clock is a little behind.
    expect(secondsLeft(running, start - 2000)).toBe(180);
  });

  test.each([
    [180, '3:00'],
    [119.2, '2:00'],
    [0.3, '0:01'],
    [0, '0:00'],
    [3845, '1:04:05'],
  ])('%d s is %s', (seconds, words) => {
    expect(clockWords(seconds)).toBe(words);
  });
});

test.each([
  ['5', 5],
  ['+5', 5],
  ['-2', -2],
  ['− 3', -3],
  ['1 000', 1000],
  ['1,000', 1000],
  ['0', 0],
  ['100000', 100_000],
  ['100001', null],
  ['2.5', null],
  ['many', null],
  ['', null],
  ['5-', null],
])('points typed as “%s” are %p', (typed, amount) => {
  const read = readAmount(typed);
  expect(read.amount).toBe(amount);
  expect(read.error === null).toBe(amount !== null);
});

test.each([
  ['3', 180],
  ['2:30', 150],
  ['0:45', 45],
  ['600', 36_000],
  ['0', null],
  ['601', null],
  ['2:75', null],
  ['soon', null],
])('a clock typed as “%s” has %p seconds', (typed, seconds) => {
  expect(readClock(typed)).toBe(seconds);
});

test('points are told with their sign', () => {
  expect([signed(3), signed(0), signed(-2)]).toEqual(['+3', '+0', '−2']);
  expect([sumWords(3), sumWords(0), sumWords(-2)]).toEqual(['3', '0', '−2']);
});
