import betaln from '@stdlib/math-base-special-betaln';

/**
 * Probability of at least x hits in n trials, of which the share is known as Beta(a, b): the exact tail
 * of the beta-binomial distribution. With b whole it is a hypergeometric tail, that is Fisher's test with
 * prior observations added to the comparison.
 * @param x 0 to n @param a, b over 0
 * Source: Skellam (1948), J. R. Stat. Soc. B 10, 257-261; as a test: Altham (1969), ibid. 31, 261-269.
 */
export function betaBinomialTail(x: number, n: number, a: number, b: number): number {
  if (x <= 0) return 1;
  let tail = 0;
  let choose = 0;
  for (let k = 0; k <= n; k += 1) {
    if (k > 0) choose += Math.log((n - k + 1) / k);
    if (k >= x) tail += Math.exp(choose + betaln(a + k, b + n - k) - betaln(a, b));
  }
  return Math.min(1, tail);
}
