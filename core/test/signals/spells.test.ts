import fc from 'fast-check';
import { follow, freshStanding } from '../../src/watch/signals/cusum';
import { PresenceModel } from '../../src/watch/signals/models/presenceModel';
import { Spells } from '../../src/watch/signals/models/spells';
import type { Slot } from '../../src/watch/signals/streams';
import { draw } from './classes';

const students = 30;
const slotOf = (away: (i: number) => boolean, lesson: number): Slot => ({
  date: new Date(Date.UTC(2026, 0, 5 + lesson)).toISOString().slice(0, 10),
  lesson,
  value: Float64Array.from({ length: students }, (_, i) => (away(i) ? 1 : 0)),
  exposure: null,
  source: `l${lesson}`,
});

test.each([
  // [runs and whether the day after was away too, after one day, after more]
  [[], 0.5, 0.5],
  [[[1, true]], 6 / 11, (10 * 6) / 11 / 10],
  [
    [
      [1, false],
      [1, false],
    ],
    5 / 12,
    5 / 12,
  ],
  [
    [
      [1, true],
      [2, true],
      [3, false],
    ],
    6 / 11,
    ((10 * 6) / 11 + 1) / 12,
  ],
] as const)('%j: what was seen of spells is added to ten days of each', (days, afterOne, afterMore) => {
  const spells = new Spells(2);
  for (const [run, isAway] of days) spells.hold(0, run, isAway);
  spells.learn(0);
  // Nobody in the same slot is told of it.
  expect(spells.goesOn(1)).toBe(0.5);
  spells.begin();
  expect(spells.goesOn(1)).toBeCloseTo(afterOne, 12);
  expect(spells.goesOn(2)).toBeCloseTo(afterMore, 12);
  expect(spells.goesOn(7)).toBe(spells.goesOn(2));
});

test('a change teaches nothing of how spells go on, and one who is away more never makes them shorter', () => {
  const days = fc.array(fc.record({ run: fc.integer({ min: 1, max: 6 }), isAway: fc.boolean() }), {
    maxLength: 60,
  });
  fc.assert(
    fc.property(days, fc.integer({ min: 1, max: 3 }), (seen, run) => {
      const [plain, more] = [new Spells(1), new Spells(1)];
      for (const spells of [plain, more]) for (const day of seen) spells.hold(0, day.run, day.isAway);
      plain.drop(0);
      plain.begin();
      expect(plain.goesOn(run)).toBe(0.5);
      for (const day of seen) plain.hold(0, day.run, day.isAway);
      more.hold(0, run, true);
      for (const spells of [plain, more]) {
        spells.learn(0);
        spells.begin();
      }
      expect(more.goesOn(run)).toBeGreaterThan(plain.goesOn(run));
      expect(more.goesOn(run)).toBeLessThan(1);
    }),
  );
});

/** What a second day away says of a student, in a class whose spells were so long. */
function secondDay(spellDays: number): number {
  const model = new PresenceModel(students);
  let lesson = 0;
  const teach = (slot: Slot) => {
    model.begin(slot);
    for (let i = 0; i < students; i += 1) {
      model.hold(i);
      model.learn(i);
    }
  };
  // One after the other is away, every week another.
  for (; lesson < 100; lesson += 1) {
    const [who, day] = [Math.floor(lesson / 5), lesson % 5];
    teach(slotOf((i) => i === who && day < spellDays, lesson));
  }
  teach(slotOf((i) => i === 29, lesson));
  model.begin(slotOf((i) => i === 29, lesson + 1));
  return model.score(29);
}

test('a second day away says the less, the longer spells are in the class, and never nothing', () => {
  const scores = [1, 2, 3, 4].map(secondDay);
  expect(scores).toEqual(scores.toSorted((a, b) => b - a));
  expect(scores[0]).toBeGreaterThan(0.7);
  expect(scores[3]).toBeGreaterThan(0);
  expect(scores[3]).toBeLessThanOrEqual(0.4);
});

test('in the evidence of a whole term it makes no difference who stands first in the class', () => {
  const isAway = (i: number, lesson: number) => draw(i, lesson >> 1, 1) < 0.15;
  const evidence = (order: readonly number[]) => {
    const model = new PresenceModel(students);
    const standings = order.map(() => freshStanding());
    const sums = order.map(() => 0);
    for (let lesson = 0; lesson < 60; lesson += 1) {
      const slot = slotOf((at) => isAway(order[at] ?? 0, lesson), lesson);
      model.begin(slot);
      standings.forEach((standing, at) => {
        follow(standing, model, at, slot, Infinity, () => slot.date);
        sums[at] = (sums[at] ?? 0) + standing.evidence;
      });
    }
    return new Map(order.map((who, at) => [who, sums[at] ?? NaN]));
  };
  const plain = evidence(Array.from({ length: students }, (_, i) => i));
  const turned = evidence(Array.from({ length: students }, (_, i) => students - 1 - i));
  for (const [who, sum] of plain) expect(turned.get(who)).toBeCloseTo(sum, 9);
});
