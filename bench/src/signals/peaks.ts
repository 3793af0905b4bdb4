/** How high evidence rose between two zeros, each time; what had not come back to zero in the end counts too. */
export function peaksOf(path: readonly number[]): number[] {
  const found: number[] = [];
  let peak = 0;
  for (const score of [...path, 0]) {
    if (score === 0 && peak > 0) {
      found.push(peak);
      peak = 0;
    } else peak = Math.max(peak, score);
  }
  return found;
}

/** The limit that so many of the peaks pass. */
export function limitOfPeaks(peaks: readonly number[], entries: number): number {
  return peaks.toSorted((a, b) => b - a)[Math.max(0, Math.round(entries))] ?? Infinity;
}
