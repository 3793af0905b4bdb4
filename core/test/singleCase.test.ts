import fc from 'fast-check';
import { cohenKappa } from '../src/statistics/kappa';
import { kendallS, overlapOf } from '../src/statistics/overlap';
import { theilSen } from '../src/statistics/theilSen';

const table = fc.integer({ min: 2, max: 4 }).chain((size) =>
  fc.array(fc.array(fc.integer({ min: 0, max: 40 }), { minLength: size, maxLength: size }), {
    minLength: size,
    maxLength: size,
  }),
);
const transposed = (rows: readonly (readonly number[])[]) =>
  rows.map((_, column) => rows.map((row) => row[column] ?? 0));
const numbers = fc.array(fc.integer({ min: -50, max: 50 }), { minLength: 1, maxLength: 12 });

describe("Cohen's kappa", () => {
  test.each([
    // [source, table, observed, kappa, standard error]
    [
      'Cohen 1960, 200 subjects',
      [
        [88, 14, 18],
        [10, 40, 10],
        [2, 6, 12],
      ],
      0.7,
      0.492,
      null,
    ],
    [
      'Fleiss 1981, table 13.1',
      [
        [75, 1, 4],
        [5, 4, 1],
        [0, 0, 10],
      ],
      0.89,
      0.676,
      0.088,
    ],
    [
      'Fleiss, Cohen and Everitt 1969',
      [
        [106, 10, 4],
        [22, 28, 10],
        [2, 12, 6],
      ],
      0.7,
      0.429,
      0.0537,
    ],
    [
      'Feinstein and Cicchetti 1990, balanced',
      [
        [40, 9],
        [6, 45],
      ],
      0.85,
      0.7,
      null,
    ],
    [
      'Feinstein and Cicchetti 1990, one-sided',
      [
        [80, 10],
        [5, 5],
      ],
      0.85,
      0.32,
      null,
    ],
  ])('%s', (_source, counts, observed, kappa, error) => {
    const found = cohenKappa(counts);
    expect(found?.observed).toBeCloseTo(observed, 5);
    expect(found?.kappa).toBeCloseTo(kappa, 2);
    if (error !== null) expect(found?.standardError).toBeCloseTo(error, 3);
  });

  test('nothing to compare, and nothing that chance would not do', () => {
    expect(
      cohenKappa([
        [0, 0],
        [0, 0],
      ]),
    ).toBeNull();
    expect(
      cohenKappa([
        [7, 0],
        [0, 0],
      ]),
    ).toMatchObject({ observed: 1, kappa: null, standardError: null });
  });

  test('it does not matter who is the first, or how often all of it is', () => {
    fc.assert(
      fc.property(table, (counts) => {
        const [one, other] = [cohenKappa(counts), cohenKappa(transposed(counts))];
        const twice = cohenKappa(counts.map((row) => row.map((count) => count * 2)));
        expect(other?.kappa ?? 9).toBeCloseTo(one?.kappa ?? 9, 10);
        expect(twice?.kappa ?? 9).toBeCloseTo(one?.kappa ?? 9, 10);
        if (one?.kappa != null) expect(one.kappa).toBeLessThanOrEqual(1 + 1e-12);
        if (one?.standardError != null && twice?.standardError != null)
          expect(twice.standardError).toBeCloseTo(one.standardError / Math.SQRT2, 8);
      }),
    );
  });

  test('1 where all agree on two kinds, 0 where the rows are alike', () => {
    const most = fc.integer({ min: 1, max: 30 });
    fc.assert(
      fc.property(most, most, most, (a, b, factor) => {
        expect(
          cohenKappa([
            [a, 0],
            [0, b],
          ])?.kappa,
        ).toBeCloseTo(1, 10);
        expect(
          cohenKappa([
            [a, b],
            [a * factor, b * factor],
          ])?.kappa,
        ).toBeCloseTo(0, 10);
      }),
    );
  });
});

describe('a line by Theil and Sen', () => {
  const points = (xs: number[], ys: number[]) => xs.map((x, index) => ({ x, y: ys[index] ?? 0 }));

  test('Sen 1968, section 6', () => {
    const line = theilSen(points([1, 2, 3, 4, 10, 12, 18], [9, 15, 19, 20, 45, 55, 78]));
    expect(line).toEqual({ slope: 4, intercept: 6 });
  });

  test('Hollander and Wolfe, cloud seeding', () => {
    const line = theilSen(points([1, 2, 3, 4, 5], [1.26, 1.27, 1.12, 1.16, 1.03]));
    expect(line?.slope).toBeCloseTo(-0.056, 3);
  });

  test('none through points above each other', () => {
    expect(theilSen([])).toBeNull();
    expect(theilSen(points([2, 2], [1, 5]))).toBeNull();
  });

  test('it finds a line on which most points lie, wherever the others are', () => {
    const whole = fc.integer({ min: -20, max: 20 });
    fc.assert(
      fc.property(whole, whole, whole, whole, (slope, intercept, far, at) => {
        const xs = Array.from({ length: 11 }, (_, index) => index);
        const ys = xs.map((x) => (x === 5 ? far * 100 : intercept + slope * x));
        const line = theilSen(points(xs, ys));
        expect(line?.slope).toBeCloseTo(slope, 8);
        expect(line?.intercept).toBeCloseTo(intercept, 8);
        const moved = theilSen(
          points(
            xs.map((x) => x + at),
            ys,
          ),
        );
        expect(moved?.slope).toBeCloseTo(slope, 8);
      }),
    );
  });
});

describe('two phases', () => {
  test('Parker, Vannest, Davis and Sauber 2011: 2 3 5 3, then 4 5 5 7 6', () => {
    const found = overlapOf([2, 3, 5, 3], [4, 5, 5, 7, 6], 'up');
    expect(found).toEqual({
      pairs: { better: 17, worse: 1, same: 2 },
      ...{ tau: 0.8, trendBefore: 3, tauU: 0.65, nonOverlapping: 40 },
    });
    expect(kendallS([4, 5, 5, 7, 6], 'up')).toBe(7);
  });

  test('worked by hand: six before, seven after', () => {
    const [before, after] = [
      [20, 20, 26, 25, 22, 23],
      [28, 25, 24, 27, 30, 30, 29],
    ];
    const found = overlapOf(before, after, 'up');
    // 24 is below 26 and 25; 25 is below 26 and the same as 25.
    expect(found?.pairs).toEqual({ better: 38, worse: 3, same: 1 });
    expect(found?.nonOverlapping).toBeCloseTo((5 / 7) * 100, 10);
  });

  test('nothing to compare', () => {
    expect(overlapOf([], [1], 'up')).toBeNull();
    expect(overlapOf([1], [], 'down')).toBeNull();
  });

  test('fewer is better, the other way round; tau lies between −1 and 1', () => {
    fc.assert(
      fc.property(numbers, numbers, (before, after) => {
        const up = overlapOf(before, after, 'up');
        const negated = (values: number[]) => values.map((value) => -value);
        expect(overlapOf(negated(before), negated(after), 'down')).toEqual(up);
        expect(Math.abs(up?.tau ?? 9)).toBeLessThanOrEqual(1);
        expect(overlapOf(after, before, 'up')?.tau).toBeCloseTo(-(up?.tau ?? 9), 10);
        const { better, worse, same } = up?.pairs ?? { better: 0, worse: 0, same: 0 };
        expect(better + worse + same).toBe(before.length * after.length);
        expect((up?.nonOverlapping ?? 0) === 100).toBe(Math.min(...after) > Math.max(...before));
      }),
    );
  });
});
