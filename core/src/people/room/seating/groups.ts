import type { Groups } from './mix';

const thirds = ['low', 'middle', 'high'];

/** In three groups of one size by a value, who has none in none. @param values by student */
export function inThirds(values: ReadonlyMap<string, number>): Groups {
  const sorted = [...values].sort(([a, one], [b, other]) => one - other || (a < b ? -1 : 1));
  return Object.fromEntries(
    sorted.map(([id], at) => [id, thirds[Math.floor((at * thirds.length) / sorted.length)] ?? '']),
  );
}

/** The mean of each one's values. */
export function means(values: readonly (readonly [id: string, value: number])[]): Map<string, number> {
  const sums = new Map<string, { sum: number; count: number }>();
  for (const [id, value] of values) {
    const { sum, count } = sums.get(id) ?? { sum: 0, count: 0 };
    sums.set(id, { sum: sum + value, count: count + 1 });
  }
  return new Map([...sums].map(([id, { sum, count }]) => [id, sum / count]));
}
