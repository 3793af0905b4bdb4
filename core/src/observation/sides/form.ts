import { shuffled } from '../../people/room/seating/chance';

/**
 * Sides by chance, as equal in size as can be.
 * @param count 2 to 8 @param random 0 up to 1 @returns ids by side; some sides are empty where there are too few
 */
export function byChance(studentIds: readonly string[], count: number, random: () => number): string[][] {
  return dealt(shuffled(studentIds, random), count);
}

/**
 * Sides that are about equally strong: the strongest are dealt one to a side, the next ones in the other direction, and
 * so on to and fro; students of the same strength, and those of whom it is not known, come by chance.
 * @param strengths by student @returns ids by side; their sizes differ by one at most
 */
export function byStrength(
  studentIds: readonly string[],
  strengths: ReadonlyMap<string, number>,
  count: number,
  random: () => number,
): string[][] {
  const mixed = shuffled(studentIds, random);
  const known = mixed.filter((id) => strengths.has(id));
  known.sort((a, b) => (strengths.get(b) ?? 0) - (strengths.get(a) ?? 0));
  return dealt([...known, ...mixed.filter((id) => !strengths.has(id))], count);
}

/** To and fro: 1 2 3 3 2 1 1 2 3. */
function dealt(studentIds: readonly string[], count: number): string[][] {
  const sides: string[][] = Array.from({ length: count }, () => []);
  studentIds.forEach((id, at) => {
    const along = at % count;
    const side = Math.floor(at / count) % 2 === 0 ? along : count - 1 - along;
    sides[side]?.push(id);
  });
  return sides;
}

/** Puts whoever is in no side yet into the smallest, the first of them where several are. */
export function withRest(sides: readonly (readonly string[])[], studentIds: readonly string[]): string[][] {
  const all = sides.map((side) => [...side]);
  const placed = new Set(all.flat());
  for (const id of studentIds) {
    if (placed.has(id)) continue;
    const smallest = all.reduce((least, side) => (side.length < least.length ? side : least));
    smallest.push(id);
  }
  return all;
}
