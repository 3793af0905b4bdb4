/**
 * A quantile by linear interpolation between the two nearest values: definition 7 of Hyndman and Fan, Sample Quantiles
 * in Statistical Packages (1996); spreadsheets call it the inclusive one.
 * @param sorted ascending @param share 0 to 1
 */
function quantile(sorted: readonly number[], share: number): number {
  const place = (sorted.length - 1) * share;
  const low = sorted[Math.floor(place)] ?? 0;
  const high = sorted[Math.ceil(place)] ?? low;
  return low + (high - low) * (place - Math.floor(place));
}

/** Where the middle half of some numbers lies: from a quarter to three quarters. @returns null where there is none */
export function middleHalf(values: readonly number[]): { from: number; to: number } | null {
  if (values.length === 0) return null;
  const sorted = [...values].sort((a, b) => a - b);
  return { from: quantile(sorted, 0.25), to: quantile(sorted, 0.75) };
}
