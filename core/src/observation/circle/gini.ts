/**
 * Gini coefficient of counts: 0 when all are the same, (n - 1) / n when one has everything.
 * @param counts none negative; order does not matter
 * @returns 0 for fewer than two, or when nobody has anything
 * Source: Gini (1912); computed from the ordered values, Sen (1973), On Economic Inequality, p. 31.
 */
export function gini(counts: readonly number[]): number {
  const total = counts.reduce((sum, count) => sum + count, 0);
  if (counts.length < 2 || total === 0) return 0;
  const n = counts.length;
  const weighted = counts
    .toSorted((a, b) => a - b)
    .reduce((sum, count, index) => sum + (index + 1) * count, 0);
  return (2 * weighted) / (n * total) - (n + 1) / n;
}

/**
 * What a coefficient means for a conversation, in words. One who says everything is as uneven as a
 * group of that size can be, so the share of that most counts.
 */
export function evennessWords(counts: readonly number[]): string {
  const total = counts.reduce((sum, count) => sum + count, 0);
  if (total === 0) return 'Nobody has spoken yet.';
  const share = counts.length < 2 ? 0 : gini(counts) / ((counts.length - 1) / counts.length);
  if (share < 0.25) return 'Shared evenly.';
  if (share < 0.5) return 'Unevenly: some speak much more.';
  if (share < 0.75) return 'Carried by a few.';
  return 'Nearly one voice.';
}
