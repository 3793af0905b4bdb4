/** Counts up to ten are drawn, above that written: nobody counts strokes. */
export const mostStrokes = 10;

/**
 * Tally strokes in fives, as chalk on a board.
 * @returns the size of each bundle, 1 to 5; empty for none and above ten, where the number stands
 */
export function strokeBundles(count: number): number[] {
  if (count <= 0 || count > mostStrokes) return [];
  return Array.from({ length: Math.ceil(count / 5) }, (_, index) => Math.min(count - index * 5, 5));
}
