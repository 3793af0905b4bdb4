/** How a percentage becomes points for the grade book. */
export interface PointsRule {
  /** Points for 100 %; 100 gives the percentage itself. */
  outOf: number;
  /** Points come in steps of this: 1 whole, 0.5 halves, 0.1 tenths. */
  step: number;
  rounding: 'nearest' | 'up' | 'down';
}

const rounders = { nearest: Math.round, up: Math.ceil, down: Math.floor };

/**
 * Points for an attendance percentage.
 * @param percent 0 to 100; null where nothing was taken, which gives no points rather than none
 * @example gradePoints(86.7, { outOf: 10, step: 0.5, rounding: 'nearest' }) is 8.5
 */
export function gradePoints(percent: number | null, { outOf, step, rounding }: PointsRule): number | null {
  if (percent === null) return null;
  // 0.1 + 0.2 must not be rounded up to 0.4: what lies within a billionth of a step is that step.
  const steps = Math.round(((percent / 100) * outOf * 1e9) / step) / 1e9;
  return Math.round(rounders[rounding](steps) * step * 1e6) / 1e6;
}
