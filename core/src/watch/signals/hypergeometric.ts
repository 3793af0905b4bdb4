import cdf from '@stdlib/stats-base-dists-hypergeometric-cdf';

/** Of all, so many are hits, and so many are drawn. */
export interface Drawing {
  all: number;
  hits: number;
  drawn: number;
}

/**
 * Probability that at least x of those drawn are hits: Fisher's exact test, one-sided.
 * @param x a whole number @returns 0 to 1
 * Source: Fisher (1935), J. R. Stat. Soc. 98, 39-82.
 */
export function hypergeometricTail(x: number, { all, hits, drawn }: Drawing): number {
  return Math.max(0, 1 - cdf(x - 1, all, hits, drawn));
}

/** The smallest that this probability can be: that of as many hits as there can be among those drawn. */
export function smallestTail({ all, hits, drawn }: Drawing): number {
  const [fewer, more] = [Math.min(hits, drawn), Math.max(hits, drawn)];
  let tail = 1;
  for (let k = 0; k < fewer; k += 1) tail *= (more - k) / (all - k);
  return tail;
}
