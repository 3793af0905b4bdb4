/** The value below which a share of the values lies (nearest rank). */
export function percentile(values: readonly number[], share: number): number {
  const sorted = [...values].sort((a, b) => a - b);
  return sorted[Math.min(Math.ceil(share * sorted.length), sorted.length) - 1] ?? Number.NaN;
}

export const median = (values: readonly number[]) => percentile(values, 0.5);
