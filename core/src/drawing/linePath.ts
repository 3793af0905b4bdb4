interface Point {
  x: number;
  y: number;
}

/** Points joined by straight lines, as SVG path data; empty where there are none. All in pixels. */
export const linePath = (points: readonly Point[]): string =>
  points.map(({ x, y }, at) => `${at === 0 ? 'M' : 'L'}${x.toFixed(1)} ${y.toFixed(1)}`).join('');
