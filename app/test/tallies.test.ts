import fc from 'fast-check';
import { emptyRecords, mergeRecords } from '@slate-path/core/records/records';
import type { LookFor, Tally } from '@slate-path/core/records/schema';
import { axisTicks } from '../src/features/counts/axisTicks';
import { strokesIn, sumsOf, tonesIn } from '../src/features/tallies/tallySums';

const lookFor = (id: string, more: Partial<LookFor>): LookFor => ({
  id,
  removed: false,
  name: id,
  tone: 'wanted',
  measure: 'count',
  sign: 'voice',
  sectionId: null,
  position: 0,
  ...more,
});
const tally = (id: string, studentId: string | null, lookForId: string, amount: number | null): Tally => ({
  id,
  removed: false,
  lessonId: 'l',
  studentId,
  lookForId,
  at: '2026-11-23T10:50:00.000Z',
  amount,
  circleId: null,
  correctedFrom: null,
});
const start = mergeRecords(emptyRecords(), {
  lookFor: [
    lookFor('asked', {}),
    lookFor('opinion', { tone: 'unwanted' }),
    lookFor('out', { tone: 'neutral', measure: 'seconds' }),
    lookFor('prepared', { measure: 'tick' }),
  ],
  tally: [
    tally('1', 'a', 'asked', 1),
    tally('2', 'a', 'asked', 1),
    tally('3', 'a', 'opinion', 1),
    tally('4', 'a', 'out', 75),
    tally('5', 'a', 'out', null),
    tally('6', 'b', 'prepared', 1),
    tally('7', null, 'opinion', 1),
  ],
});

test('a student’s strokes by tone; seconds are no strokes, and what runs is told apart', () => {
  expect(tonesIn(start, 'l', 'a')).toEqual({ wanted: 2, neutral: 0, unwanted: 1, seconds: 75, running: 1 });
  expect(tonesIn(start, 'l', null)).toMatchObject({ unwanted: 1 });
  expect(tonesIn(start, 'l', 'nobody')).toMatchObject({ wanted: 0, running: 0 });
  expect(sumsOf(start, 'l', 'a').running.map(({ id }) => id)).toEqual(['5']);
  expect(strokesIn(start, ['l'])).toBe(5);
  expect(strokesIn(start, ['another'])).toBe(0);
});

test('a stroke changes the one it is of, and is the same object for everybody else', () => {
  const before = { a: tonesIn(start, 'l', 'a'), b: tonesIn(start, 'l', 'b') };
  const next = mergeRecords(start, { tally: [tally('8', 'a', 'asked', 1)] });
  expect(tonesIn(next, 'l', 'a').wanted).toBe(3);
  expect(tonesIn(next, 'l', 'a')).not.toBe(before.a);
  expect(tonesIn(next, 'l', 'b')).toBe(before.b);
  const takenBack = mergeRecords(next, { tally: [{ ...tally('8', 'a', 'asked', 1), removed: true }] });
  expect(tonesIn(takenBack, 'l', 'a')).toEqual(before.a);
});

test.each([
  [0, [0, 1]],
  [1.3, [0, 0.5, 1, 1.5]],
  [4, [0, 1, 2, 3, 4]],
  [37, [0, 10, 20, 30, 40]],
])('an axis up to %s', (largest, ticks) => {
  expect(axisTicks(largest)).toEqual(ticks);
});

test('an axis begins at none, has even steps, reaches the largest and has room for few numbers', () => {
  fc.assert(
    fc.property(fc.double({ min: 0.01, max: 100_000, noNaN: true }), (largest) => {
      const ticks = axisTicks(largest);
      const step = ticks[1] ?? 0;
      expect(ticks[0]).toBe(0);
      expect(ticks.at(-1)).toBeGreaterThanOrEqual(largest * (1 - 1e-6));
      expect(ticks.length).toBeLessThanOrEqual(6);
      ticks.forEach((tick, index) => {
        expect(tick).toBeCloseTo(index * step, 4);
      });
    }),
  );
});
