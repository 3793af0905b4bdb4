import fc from 'fast-check';
import { falseEntries, falseEntriesOf } from '../../src/watch/signals/budget';
import { betaBinomialTail } from '../../src/watch/signals/betaBinomial';
import { falseDiscoveryLimit } from '../../src/watch/signals/falseDiscovery';
import { certaintyOverLine } from '../../src/watch/signals/levels';
import { limitsFor } from '../../src/watch/signals/limits';
import { betaPrior } from '../../src/watch/signals/models/betaPrior';
import { countRatio } from '../../src/watch/signals/models/countModel';
import { gammaPrior } from '../../src/watch/signals/models/gammaPrior';
import { logAround } from '../../src/watch/signals/models/locationModel';
import { oddsShift, shifted } from '../../src/watch/signals/models/oddsShift';
import { streamNames, type StreamName } from '../../src/watch/signals/streams';

// Values from SciPy 1.10.1 (stats.betabinom.sf, stats.beta.sf, stats.nbinom and poisson.logpmf, stats.logistic).
test.each([
  [3, 7, 1.5, 30, 0.009035387449668586],
  [4, 7, 4, 80, 0.00044006354299785944],
  [2, 2, 3, 57, 0.0032786885245917885],
  [7, 7, 0.5, 0.5, 0.20947265624999978],
  [1, 10, 2, 98, 0.17584097859327263],
  [0, 5, 1, 1, 1],
])('at least %d of %d, of a share known as Beta(%d, %d)', (x, n, a, b, tail) => {
  expect(betaBinomialTail(x, n, a, b)).toBeCloseTo(tail, 12);
});

test('with whole numbers the tail is Fisher’s exact test', () => {
  // Fisher's test of 3 of 7 against 1 of 28 (SciPy: hypergeom.sf(2, 35, 4, 7) = 0.019385...), by Altham:
  // P(hypergeometric >= x) = beta-binomial tail with a = other hits + 1 and b = other misses.
  const hypergeometric = 0.0193848;
  expect(betaBinomialTail(3, 7, 1 + 1, 27)).toBeCloseTo(hypergeometric, 2);
});

test.each([
  [3, 20, 0.1, { mean: 0.05, weight: 30 }, 0.35456831258446264],
  [9, 45, 0.1, { mean: 0.05, weight: 20 }, 0.8972132078152929],
  [9, 45, 0.2, { mean: 0.05, weight: 20 }, 0.1503610563019364],
  [2, 20, 0.05, { mean: 0.04, weight: 100 }, 0.4497876505162308],
])('missed %d of %d: how sure it is that it is over %d', (missed, taken, line, prior, certainty) => {
  expect(certaintyOverLine(missed, taken, line, prior)).toBeCloseTo(certainty, 10);
});

test.each([
  [0, 1.2, 0.42, 0.1, 0.1, 0.7218674197582795],
  [3, 1.2, 0.42, 0.1, 0.3, -1.9730436622675347],
  [5, 0.15, 0.45, 0.3, 0.3, 4.804596730702284],
  [12, 6, 2.4, 0.5, 0.7, -2.141979549507803],
  [0, 1.2, 0.24, 0, 0, 0.96],
  [2, 1.2, 0.24, 0, 0, -2.258875824868201],
])('%d counted where %d are usual, were it %d', (x, mean, changed, usual, after, ratio) => {
  expect(countRatio(x, mean, changed, { usual, changed: after })).toBeCloseTo(ratio, 10);
});

test.each([
  [0, 2, 0.6, [0, 3], -4.545173517417469],
  [2, 1.7, 0.6, [0, 3], -0.5710577465512601],
  [3, 2.4, 0.5, [0, 3], -0.8908870474967611],
  [5, 3.6, 0.8, [1, 5], -2.162707011280442],
  [-12, 2, 9, null, -4.538895903865437],
] as const)('a value of %d around %d', (value, place, deviation, levels, log) => {
  expect(logAround(value, place, deviation, levels as [number, number] | null)).toBeCloseTo(log, 9);
});

test('Benjamini and Hochberg’s own example: the first four of fifteen at 5 %', () => {
  const p = [
    0.0001, 0.0004, 0.0019, 0.0095, 0.0201, 0.0278, 0.0298, 0.0344, 0.0459, 0.324, 0.4262, 0.5719, 0.6528,
    0.759, 1,
  ];
  const limit = falseDiscoveryLimit(
    p.map((value) => ({ p: value, least: 0 })),
    0.05,
  );
  expect(limit).toBe(0.0095);
});

test('tests that could never be called do not count among the many', () => {
  const one = { p: 0.02, least: 0.001 };
  const hopeless = Array.from({ length: 50 }, () => ({ p: 0.8, least: 0.4 }));
  expect(falseDiscoveryLimit([one, ...hopeless], 0.05)).toBe(0.02);
  expect(falseDiscoveryLimit([one, ...hopeless.map(({ p }) => ({ p, least: 0 }))], 0.05)).toBe(0);
});

test('what students have in common: one share for all is one heavy prior, two kinds a light one', () => {
  const trials = new Float64Array(20).fill(100);
  const alike = betaPrior(new Float64Array(20).fill(10), trials, 0.1);
  expect(alike).toEqual({ mean: expect.closeTo(0.1, 2) as number, weight: 200 });
  const mixed = betaPrior(
    Float64Array.from({ length: 20 }, (_, i) => (i % 2 ? 2 : 18)),
    trials,
    0.1,
  );
  expect(mixed.mean).toBeCloseTo(0.1, 2);
  expect(mixed.weight).toBeLessThan(20);
});

test('rates: alike are tight, unlike have the shape of mean squared over variance', () => {
  const exposures = new Float64Array(30).fill(40);
  const alike = gammaPrior(new Float64Array(30).fill(40), exposures, 1, 0);
  expect(alike.shape).toBe(30);
  // Rates 0.5 and 1.5, seen 40 times: variance 0.25 less the noise of 1/40.
  const mixed = gammaPrior(
    Float64Array.from({ length: 30 }, (_, i) => (i % 2 ? 20 : 60)),
    exposures,
    1,
    0,
  );
  expect(mixed.shape).toBeCloseTo(1 / (0.25 - 1 / 40), 1);
});

test('a class as usual shifts little; one of which half is away a lot', () => {
  // (1 + 8 x 0.05) of 37 against 0.05, as odds.
  expect(oddsShift(1, 1.45, 29)).toBeCloseTo(0.747, 3);
  expect(oddsShift(15, 1.45, 29)).toBeGreaterThan(8);
  fc.assert(
    fc.property(fc.double({ min: 0.01, max: 0.99, noNaN: true }), (share) => {
      expect(shifted(share, 1)).toBeCloseTo(share, 10);
    }),
  );
});

test('a limit is higher the rarer a false alarm may be', () => {
  const limits = [100, 500, 2000, 10_000, 100_000].map((every) => limitsFor('presence', every)(0.05));
  expect(limits).toEqual(limits.toSorted((a, b) => a - b));
  expect(limits[2]).toBeGreaterThan(3);
});

test('false entries of all streams that a class has come to no more than those of all there are; none is worth over a third', () => {
  const total = (has: ReadonlySet<StreamName>) =>
    streamNames.filter((name) => has.has(name)).reduce((sum, name) => sum + falseEntriesOf(name, has), 0);
  const every = new Set(streamNames);
  for (const name of streamNames) expect(falseEntriesOf(name, every)).toBeCloseTo(falseEntries[name], 12);
  fc.assert(
    fc.property(
      fc.subarray([...streamNames], { minLength: 1 }),
      fc.constantFrom(...streamNames),
      (names, less) => {
        const has = new Set(names);
        expect(total(has)).toBeLessThanOrEqual(total(every) + 1e-9);
        for (const name of names) {
          expect(falseEntriesOf(name, has)).toBeGreaterThanOrEqual(falseEntries[name] - 1e-12);
          expect(falseEntriesOf(name, has)).toBeLessThanOrEqual(1 / 3);
          // With fewer streams none of the others is held to less.
          const fewer = new Set(names.filter((one) => one !== less));
          if (fewer.has(name))
            expect(falseEntriesOf(name, fewer)).toBeGreaterThanOrEqual(falseEntriesOf(name, has) - 1e-12);
        }
      },
    ),
  );
  const rollAndTallies = new Set<StreamName>(['presence', 'lateness', 'voice', 'trouble']);
  const [presence, lateness] = (['presence', 'lateness'] as const).map((name) =>
    falseEntriesOf(name, rollAndTallies),
  );
  expect(presence).toBeGreaterThan(2 * falseEntries.presence);
  expect(presence! / lateness!).toBeCloseTo(falseEntries.presence / falseEntries.lateness, 9);
  expect(falseEntriesOf('voice', rollAndTallies)).toBeCloseTo(1 / 3, 12);
});
