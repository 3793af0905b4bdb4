import fc from 'fast-check';
import { inColumns, inLines } from '../src/parts/arrange';

test.each([
  ['lines', inLines([1, 2, 3, 4, 5], 2), [[1, 2], [3, 4], [5]]],
  [
    'columns',
    inColumns([1, 2, 3, 4, 5], 2),
    [
      [1, 2, 3],
      [4, 5],
    ],
  ],
  ['one column', inColumns([1, 2], 1), [[1, 2]]],
  ['more columns than there is to put in them', inColumns([1], 3), [[1], [], []]],
  ['no lines of nothing', inLines([], 3), []],
])('%s', (_what, arranged, wanted) => {
  expect(arranged).toEqual(wanted);
});

test('nothing is lost and nothing turned round', () => {
  fc.assert(
    fc.property(fc.array(fc.nat()), fc.integer({ min: 1, max: 6 }), (all, across) => {
      expect(inLines(all, across).flat()).toEqual(all);
      expect(inColumns(all, across).flat()).toEqual(all);
      expect(inColumns(all, across)).toHaveLength(across);
    }),
  );
});
