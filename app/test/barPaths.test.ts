import { barPaths, type BarShape } from '@slate-path/core/drawing/barPaths';

const size = { width: 20, height: 10, step: 25 };

/** The leftmost point at which something begins in path data. */
const begins = (path: string) => [...path.matchAll(/M([\d.]+)/g)].map((match) => Number(match[1]));

test('bars of one look are one stroke, each in its place; a gap and a lesson not taken draw nothing', () => {
  const shapes: (BarShape | null)[] = [
    { kind: 'here' },
    null,
    { kind: 'away', excused: false },
    { kind: 'away', excused: true },
    { kind: 'nothing' },
    { kind: 'setAside' },
    { kind: 'part', from: 0.5, to: 1 },
  ];
  const { filled, outlined, excused, setAside } = barPaths(shapes, size);
  // The slim line of the first, and the second half of the last: 6 x 25 + 10, less the round corners.
  expect(begins(filled)).toEqual([1.6, 162.5]);
  expect(begins(outlined).map((x) => Math.floor(x / 25))).toEqual([2, 6]);
  expect(begins(excused).map((x) => Math.floor(x / 25))).toEqual([3]);
  expect(setAside).toBe('M125 5h20');
});
