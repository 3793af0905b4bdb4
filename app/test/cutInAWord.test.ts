import fc from 'fast-check';
import { cutInAWord, type Extent } from '../src/parts/cutInAWord';

/** Words of these widths in a row, so far apart. */
function rowOf(widths: readonly number[], between: number): Extent[] {
  let x = 8;
  return widths.map((width) => {
    const extent = { x, width };
    x += width + between;
    return extent;
  });
}

test.each([
  ['fits', [80, 80], 300, 0],
  // The third word begins at 208 and its middle is at 258: 30 to be spread over two gaps would tear the row.
  ['its middle is out of reach', [100, 100, 100], 290, 0],
  ['the edge lies behind the middle of the third', [100, 100, 100], 280, 11],
  ['the edge lies before it: the second is too far, nothing is moved', [100, 100, 100], 230, 0],
])('%s', (_, widths, room, wider) => {
  expect(cutInAWord(rowOf(widths, 0), room, 0)).toBe(wider);
});

test('what is put between cuts a word in its middle, is never much, and stays when the row is measured again', () => {
  const widths = fc.array(fc.integer({ min: 44, max: 140 }), { minLength: 2, maxLength: 9 });
  fc.assert(
    fc.property(widths, fc.integer({ min: 200, max: 500 }), (all, room) => {
      const wider = cutInAWord(rowOf(all, 0), room, 0);
      expect(wider).toBeGreaterThanOrEqual(0);
      expect(wider).toBeLessThanOrEqual(14);
      const moved = rowOf(all, wider);
      const end = (moved.at(-1)?.x ?? 0) + (all.at(-1) ?? 0);
      if (wider > 0)
        expect(moved.some(({ x, width }) => Math.abs(x + width / 2 - room) <= all.length)).toBe(true);
      if (end > room) expect(cutInAWord(moved, room, wider)).toBe(wider);
    }),
  );
});
