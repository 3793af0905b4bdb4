import { median } from './median';

export interface Point {
  x: number;
  y: number;
}

/** A straight line that few far values do not turn. */
export interface Trend {
  /** Rise of y for one of x. */
  slope: number;
  /** y where x is 0. */
  intercept: number;
}

/**
 * A line through points by Theil and Sen: the median of the slopes of all pairs whose x differs, and the median of what
 * is left of each y. Sources: Theil, A rank-invariant method of linear and polynomial regression analysis (1950); Sen,
 * Estimates of the regression coefficient based on Kendall's tau, JASA 63 (1968), who left out pairs of equal x.
 * @returns null where no two points differ in x
 */
export function theilSen(points: readonly Point[]): Trend | null {
  const slopes = points.flatMap((one, index) =>
    points
      .slice(index + 1)
      .flatMap((other) => (other.x === one.x ? [] : [(other.y - one.y) / (other.x - one.x)])),
  );
  const slope = median(slopes);
  if (slope === null) return null;
  const intercept = median(points.map(({ x, y }) => y - slope * x)) ?? 0;
  return { slope, intercept };
}
