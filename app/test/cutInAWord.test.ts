import fc from 'fast-check';
import { beginnings, cutInAWord } from '../src/parts/cutInAWord';

test.each([
  ['it fits', [80, 80], 300, 0],
  ['the edge lies behind the middle of the third, at 258', [100, 100, 100], 280, 11],
  ['to the middle of the third it is too far', [100, 100, 100], 290, 0],
  [
    'the edge lies before the middle of the third, and far behind that of the second',
    [100, 100, 100],
    230,
    0,
  ],
])('%s', (_, widths, room, between) => {
  expect(cutInAWord(widths, 8, room)).toBe(between);
});

test('what is put between cuts a word in its middle, and is never much', () => {
  const widths = fc.array(fc.integer({ min: 44, max: 140 }), { minLength: 2, maxLength: 9 });
  fc.assert(
    fc.property(widths, fc.integer({ min: 200, max: 500 }), (all, room) => {
      const between = cutInAWord(all, 8, room);
      expect(between).toBeGreaterThanOrEqual(0);
      expect(between).toBeLessThanOrEqual(14);
      const middles = beginnings(all, 8, between).map((x, index) => x + (all[index] ?? 0) / 2);
      // Whole pixels between, so that each word before may leave one over.
      if (between > 0) expect(middles.some((x) => x <= room && room - x < all.length)).toBe(true);
    }),
  );
});
