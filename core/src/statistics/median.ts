/**
 * The middle of some numbers, of an even count the mean of the two in the middle; numbers that are none (NaN) are left
 * out. A robust location: Hampel et al., Robust Statistics (1986), 2.1.
 * @returns null where there is no number
 */
export function median(values: Iterable<number>): number | null {
  const sorted = [...values].filter((value) => !Number.isNaN(value)).sort((a, b) => a - b);
  const middle = sorted.length >> 1;
  const upper = sorted[middle];
  if (upper === undefined) return null;
  return sorted.length % 2 === 1 ? upper : ((sorted[middle - 1] ?? 0) + upper) / 2;
}

/** The lower one of the two in the middle: a value that was there. @returns null where there is no number */
export function lowerMedian(values: Iterable<number>): number | null {
  const sorted = [...values].filter((value) => !Number.isNaN(value)).sort((a, b) => a - b);
  return sorted[Math.floor((sorted.length - 1) / 2)] ?? null;
}
