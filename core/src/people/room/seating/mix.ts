import { shuffled } from './chance';
import { holds } from './holds';
import type { Puzzle } from './search';
import type { Wish } from './wish';

/** What a student is reckoned with, as a cohort; who has none is no matter. */
export type Groups = Readonly<Record<string, string>>;

interface Mixing {
  all: ReadonlyMap<string, number>;
  fixed: ReadonlyMap<string, number>;
  puzzle: Puzzle;
  kept: readonly Wish[];
  groups: Groups;
  random: () => number;
}

const mostRounds = 40;

/** Two students change seats as long as that leaves fewer of one group beside each other and keeps every wish. */
export function mixed({ all, fixed, puzzle, kept, groups, random }: Mixing): Map<string, number> {
  const { seats, relations } = puzzle;
  const seatOf = new Map(all);
  const who = new Map([...all].map(([id, seat]) => [seat, id]));
  const movable = [...all.keys()].filter((id) => !fixed.has(id));
  const about = new Map(
    movable.map((id) => [id, kept.filter(({ studentIds }) => studentIds.includes(id))] as const),
  );
  const alike = (id: string): number => {
    const row = relations.beside[seatOf.get(id) ?? -1] ?? [];
    const group = groups[id];
    if (group === undefined) return 0;
    return row.reduce((sum, is, at) => sum + (is && groups[who.get(at) ?? ''] === group ? 1 : 0), 0);
  };
  const change = (a: string, b: string) => {
    const [i, j] = [seatOf.get(a) ?? 0, seatOf.get(b) ?? 0];
    seatOf.set(a, j).set(b, i);
    who.set(j, a).set(i, b);
  };
  const isKept = (id: string) => (about.get(id) ?? []).every((wish) => holds(wish, seats, relations, seatOf));
  for (let round = 0; round < mostRounds; round += 1) {
    let isBetter = false;
    const troubled = shuffled(
      movable.filter((id) => alike(id) > 0),
      random,
    );
    for (const a of troubled)
      for (const b of movable) {
        if (a === b || groups[a] === groups[b]) continue;
        const before = alike(a) + alike(b);
        change(a, b);
        if (alike(a) + alike(b) < before && isKept(a) && isKept(b)) isBetter = true;
        else change(a, b);
      }
    if (!isBetter) break;
  }
  return seatOf;
}
