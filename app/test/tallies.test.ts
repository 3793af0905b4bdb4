import fc from 'fast-check';
import { emptyRecords, mergeRecords } from '@slate-path/core/records/records';
import type { LookFor, Tally } from '@slate-path/core/records/schema';
import { axisTicks } from '@slate-path/core/drawing/axisTicks';
import { strokesIn, sumsOf, timedIn, tonesIn } from '../src/features/observation/tallies/tallySums';
import { strokeHeight, strokeLine } from '../src/parts/strokes';

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
  unsure: false,
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
  expect([timedIn(start, ['l']), timedIn(start, ['another'])]).toEqual([2, 0]);
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

const students = ['a', 'b', null] as const;
const someTally = fc.record({
  id: fc.nat(8).map(String),
  studentId: fc.constantFrom(...students),
  lookForId: fc.constantFrom('asked', 'opinion', 'out', 'prepared'),
  amount: fc.constantFrom(1, 2, 75, null),
  removed: fc.boolean(),
});

test('tally by tally, also corrected, moved and taken back, the sums are those of a page just opened', () => {
  const sums = (records: typeof start) =>
    students.map((student) => {
      const { counts, running } = sumsOf(records, 'l', student);
      return {
        counts: counts.toSorted((a, b) => (a.lookForId < b.lookForId ? -1 : 1)),
        running: running.map(({ id }) => id).sort(),
        tones: tonesIn(records, 'l', student),
      };
    });
  fc.assert(
    fc.property(fc.array(someTally, { maxLength: 25 }), (steps) => {
      let records = start;
      for (const { removed, id, studentId, lookForId, amount } of steps) {
        const next = { ...tally(id, studentId, lookForId, amount), removed };
        records = mergeRecords(records, { tally: [next] });
        tonesIn(records, 'l', 'a');
      }
      const kept = sums(records);
      tonesIn(emptyRecords(), 'l', 'a');
      expect(kept).toEqual(sums(records));
    }),
  );
});

const someCounts = fc.record({
  wanted: fc.integer({ min: 0, max: 30 }),
  neutral: fc.integer({ min: 0, max: 30 }),
  unwanted: fc.integer({ min: 0, max: 30 }),
});

/** Where pens are put down: one for each stroke. */
const penDowns = (path: string) =>
  [...path.matchAll(/M(-?\d+) (-?\d+)/g)].map(([, x, y]) => ({ x: Number(x), y: Number(y) }));

test('as many strokes are drawn as were counted; where they have no room one of each, and the number', () => {
  fc.assert(
    fc.property(someCounts, fc.integer({ min: 120, max: 300 }), (counts, width) => {
      const drawn = strokeLine(counts, width);
      const tight = drawn.some(({ tone, number }) => number !== '' && counts[tone] <= 10);
      for (const { tone, path, number } of drawn) {
        const many = counts[tone] > (tight ? 1 : 10);
        expect(penDowns(path)).toHaveLength(many ? 1 : counts[tone]);
        expect(number).toBe(many ? String(counts[tone]) : '');
      }
    }),
  );
});

test('nothing is outside of its picture, and no two tones lie over each other', () => {
  fc.assert(
    fc.property(someCounts, fc.integer({ min: 120, max: 300 }), (counts, width) => {
      const drawn = strokeLine(counts, width).filter(({ path }) => path !== '');
      let before = 0;
      for (const { path, number, x } of drawn) {
        const downs = penDowns(path);
        expect(Math.min(...downs.map((down) => down.x))).toBeGreaterThanOrEqual(before);
        for (const { y } of downs) expect(y).toBeLessThanOrEqual(strokeHeight);
        before = number === '' ? Math.max(...downs.map((down) => down.x)) : x + number.length * 9;
        expect(before).toBeLessThanOrEqual(width);
      }
    }),
  );
});
