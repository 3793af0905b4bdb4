import type { Found } from './search';
import type { Wish } from './wish';

/** Searches while one looks for what is in conflict. */
const mostSearches = 1200;
/** Steps in which the sets that meet all others are looked for. */
const mostChoices = 40_000;

export interface Kept {
  /** As many wishes as can be kept together. */
  kept: Wish[];
  /** Wishes that cannot all be kept, whatever else is given up; empty where all can, or where it is not known. */
  conflict: Wish[];
  /** It is proven that there is no smaller such set. */
  isSmallest: boolean;
  /** Who sits where, by what is kept. */
  found: ReadonlyMap<string, number>;
}

type Ask = (wishes: readonly Wish[]) => Found;

/**
 * The smallest set that has something of each (a minimum hitting set, by depth that grows by one).
 * @returns null where it took too many steps
 */
function smallestMeeting(sets: readonly (readonly Wish[])[]): Wish[] | null {
  let choices = 0;
  const meet = (chosen: Wish[], left: number): Wish[] | null => {
    choices += 1;
    const missed = sets
      .filter((set) => !set.some((wish) => chosen.includes(wish)))
      .sort((a, b) => a.length - b.length)[0];
    if (!missed) return chosen;
    if (left === 0 || choices > mostChoices) return null;
    for (const wish of missed) {
      const found = meet([...chosen, wish], left - 1);
      if (found) return found;
    }
    return null;
  };
  for (let size = 0; size <= sets.length && choices <= mostChoices; size += 1) {
    const found = meet([], size);
    if (found) return found;
  }
  return null;
}

const without = (wishes: readonly Wish[], dropped: readonly Wish[]) =>
  wishes.filter((wish) => !dropped.includes(wish));

/** Of wishes that cannot all be kept, as few as cannot, by leaving out one after the other. */
function core(wishes: readonly Wish[], ask: Ask): Wish[] {
  let left = [...wishes];
  for (const wish of wishes) {
    const fewer = without(left, [wish]);
    if (ask(fewer) === 'none') left = fewer;
  }
  return left;
}

/** Wishes that can be kept together with as many others as go with them. */
function grown(wishes: readonly Wish[], from: readonly Wish[], ask: Ask): Wish[] {
  let kept = [...from];
  for (const wish of without(wishes, from)) {
    const more = [...kept, wish];
    if (typeof ask(more) !== 'string') kept = more;
  }
  return kept;
}

/**
 * The smallest of all sets that cannot be kept: what can be kept leaves something out, and each conflict has something
 * of every such rest (implicit hitting sets: Ignatiev and others, "Smallest MUS extraction", CP 2015).
 */
function smallest(wishes: readonly Wish[], known: Wish[], ask: Ask, mayAsk: () => boolean) {
  const rests: Wish[][] = [];
  while (mayAsk()) {
    const candidate = smallestMeeting(rests);
    if (!candidate) break;
    if (candidate.length >= known.length) return { conflict: known, isSmallest: true };
    const answer = ask(candidate);
    if (answer === 'none') return { conflict: candidate, isSmallest: true };
    if (answer === 'unknown') break;
    rests.push(without(wishes, grown(wishes, candidate, ask)));
  }
  return { conflict: known, isSmallest: known.length <= 1 };
}

/**
 * Which wishes are kept, and which stand in each other's way. As few as can be are given up: those that have something
 * of every conflict that was found.
 * @param ask searches for a way to keep all of some wishes; of none there always is one
 */
export function keep(wishes: readonly Wish[], search: Ask): Kept {
  let searches = 0;
  let isSure = true;
  const ask: Ask = (some) => {
    searches += 1;
    const found = search(some);
    if (found === 'unknown') isSure = false;
    return found;
  };
  const mayAsk = () => searches < mostSearches;
  const cores: Wish[][] = [];
  let dropped: Wish[] = [];
  for (;;) {
    const kept = without(wishes, dropped);
    const found = ask(kept);
    if (typeof found !== 'string') {
      const known = cores.toSorted((a, b) => a.length - b.length)[0];
      if (!known) return { kept, conflict: [], isSmallest: true, found };
      const { conflict, isSmallest } = smallest(wishes, known, ask, mayAsk);
      return { kept, found, conflict, isSmallest: isSmallest && isSure };
    }
    if (found === 'unknown' || !mayAsk()) break;
    cores.push(core(kept, ask));
    const next = smallestMeeting(cores);
    if (!next) break;
    dropped = next;
  }
  // Too hard to say for sure: one after the other, as far as it goes.
  const kept = grown(wishes, [], ask);
  const found = ask(kept);
  const known = cores.toSorted((a, b) => a.length - b.length)[0] ?? [];
  return { kept, conflict: known, isSmallest: false, found: typeof found === 'string' ? new Map() : found };
}
