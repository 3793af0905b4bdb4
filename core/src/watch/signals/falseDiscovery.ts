/** One test of many: what came out, and the least that could have come out, given how much there was to see. */
export interface Tested {
  p: number;
  /** The smallest p-value that the test could reach. */
  least: number;
}

/**
 * Which of many exact tests to call, so that of those called only a share q is expected to be false.
 * Tests that could never be called, whatever had been seen, are not counted among the many.
 * @returns the largest p-value that is called; 0 for none
 * Source: Benjamini and Hochberg (1995), J. R. Stat. Soc. B 57, 289-300; for discrete tests: Gilbert (2005),
 * J. R. Stat. Soc. C 54, 143-158, after Tarone (1990), Biometrics 46, 515-522.
 */
export function falseDiscoveryLimit(tests: readonly Tested[], q: number): number {
  const leasts = Float64Array.from(tests, ({ least }) => least).sort();
  let [counted, ableThen] = [1, leasts.length];
  for (; counted < tests.length; counted += 1) {
    while (ableThen > 0 && (leasts[ableThen - 1] ?? 0) > q / counted) ableThen -= 1;
    if (ableThen <= counted) break;
  }
  const able = tests.filter(({ least }) => least <= q / counted).map(({ p }) => p);
  let limit = 0;
  able
    .sort((a, b) => a - b)
    .forEach((p, index) => {
      if (p <= (q * (index + 1)) / able.length) limit = p;
    });
  return limit;
}
