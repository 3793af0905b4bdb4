import fc from 'fast-check';
import { clockOffset } from '../src/calendar/clockOffset';

const second = 1000;
const asked = Date.parse('2026-11-23T10:42:00Z');

test.each([
  ['the demo has a day of its own', 0, -86_400 * second, 40, 40, -86_400 * second],
  ['a second more or less is the way', 0, 900, 300, 300, 0],
  ['an answer that came four seconds late', 0, 0, 20, 4 * second, 0],
  ['a question that waited in a queue', 500, 500, 30 * second, 20, 500],
  ['a wrong clock, over slow ways: half the way', 0, 3600 * second, 2 * second, 4 * second, 3599 * second],
])('%s', (_what, known, ahead, there, back, offset) => {
  expect(clockOffset(known, asked + there + ahead, asked, asked + there + back)).toBe(offset);
});

test('an answer without a time changes nothing', () => {
  expect(clockOffset(1234, Number.NaN, asked, asked + 40)).toBe(1234);
});

test('off by half the way and two seconds at most; once it can be right, no answer moves it, however late', () => {
  const way = fc.tuple(fc.nat(60 * second), fc.nat(60 * second));
  const day = fc.integer({ min: -86_400 * second, max: 86_400 * second });
  fc.assert(
    fc.property(day, day, fc.array(way, { minLength: 1 }), (begun, ahead, ways) => {
      const hear = (known: number, [there, back]: [number, number]) =>
        clockOffset(known, asked + there + ahead, asked, asked + there + back);
      let known = begun;
      for (const [there, back] of ways) {
        known = hear(known, [there, back]);
        expect(Math.abs(known - ahead)).toBeLessThanOrEqual(Math.max(there, back) + 2 * second);
      }
      const right = hear(known, [20, 20]);
      expect(Math.abs(right - ahead)).toBeLessThanOrEqual(2 * second + 20);
    }),
  );
  fc.assert(
    fc.property(day, way, fc.integer({ min: -1999, max: 1999 }), (ahead, [there, back], off) => {
      const known = ahead + off;
      expect(clockOffset(known, asked + there + ahead, asked, asked + there + back)).toBe(known);
    }),
  );
});
