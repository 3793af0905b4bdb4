import type { Relations } from './relations';
import type { Wish } from './wish';

/** Who sits where is asked for these students and seats, both by index. */
export interface Puzzle {
  students: readonly string[];
  seats: readonly { x: number; y: number }[];
  relations: Relations;
  /** Who stays on a seat, by student. */
  fixed: ReadonlyMap<string, number>;
  /** The seat that each would have without any wish, by student: taken where the wishes leave it. */
  liked: ReadonlyMap<string, number>;
}

/** Seats by the student; `none`: there is no way; `unknown`: the search was given up. */
export type Found = ReadonlyMap<string, number> | 'none' | 'unknown';

/** Steps of one search, all restarts together. A class of thirty with twenty wishes takes a few dozen. */
const mostSteps = 60_000;
const firstRestart = 150;

/** Two who may sit so: row by the seat of the first, true where the second can be. */
interface Tie {
  other: number;
  allows: boolean[][];
}

interface Model {
  ids: string[];
  /** For each student, which seats are left by what is wished of that student alone. */
  domains: boolean[][];
  ties: Tie[][];
}

const negated = (rows: readonly (readonly boolean[])[]) =>
  rows.map((row, i) => row.map((value, j) => !value && i !== j));

function allowsAlone({ seats, relations }: Puzzle, wish: Wish, seat: number): boolean {
  if (wish.kind === 'front') return relations.front[seat] === true;
  if (wish.kind !== 'notThere') return true;
  const { x, y } = seats[seat] ?? { x: -1, y: -1 };
  return !wish.seats.some((one) => one.x === x && one.y === y);
}

/** Those of whom something is wished, or who stay: who sits on the other seats does not matter. */
function modelOf(puzzle: Puzzle, wishes: readonly Wish[]): Model {
  const inClass = new Set(puzzle.students);
  const about = wishes.map(({ studentIds }) => studentIds.filter((id) => inClass.has(id)));
  const ids = [...new Set([...about.flat(), ...puzzle.fixed.keys()])];
  const index = new Map(ids.map((id, at) => [id, at]));
  const domains = ids.map((id) => {
    const own = wishes.filter(({ studentIds }) => studentIds.includes(id));
    const stays = puzzle.fixed.get(id);
    return puzzle.seats.map(
      (_, seat) =>
        (stays === undefined || stays === seat) && own.every((wish) => allowsAlone(puzzle, wish, seat)),
    );
  });
  const ties = ids.map((): Tie[] => []);
  const apart = negated(puzzle.relations.close);
  for (const [at, { kind }] of wishes.entries()) {
    const [a, b] = (about[at] ?? []).map((id) => index.get(id));
    if (a === undefined || b === undefined || a === b) continue;
    const allows = kind === 'together' ? puzzle.relations.beside : apart;
    ties[a]?.push({ other: b, allows });
    ties[b]?.push({ other: a, allows });
  }
  return { ids, domains, ties };
}

const indicesOf = (row: readonly boolean[]) => row.flatMap((value, at) => (value ? [at] : []));

/** Whether everybody can have a seat of their own (Kuhn's augmenting paths for a bipartite matching). */
function allCanSit(domains: readonly (readonly number[])[], seats: number): boolean {
  const takenBy = new Array<number>(seats).fill(-1);
  const seat = (who: number, seen: boolean[]): boolean => {
    for (const at of domains[who] ?? []) {
      if (seen[at]) continue;
      seen[at] = true;
      const sitting = takenBy[at] ?? -1;
      if (sitting >= 0 && !seat(sitting, seen)) continue;
      takenBy[at] = who;
      return true;
    }
    return false;
  };
  return domains.every((_, who) => seat(who, new Array<boolean>(seats).fill(false)));
}

/**
 * Leaves in each domain only seats for which every tied student still has one (arc consistency, AC-3), and no seat of
 * which it is known who has it. @returns whether everybody still has one
 */
function narrow(domains: number[][], ties: readonly (readonly Tie[])[], changed: number[]): boolean {
  const waiting = [...changed];
  for (let who = waiting.pop(); who !== undefined; who = waiting.pop()) {
    const own = domains[who] ?? [];
    const shrink = (other: number, keeps: (seat: number) => boolean) => {
      const before = domains[other] ?? [];
      const left = before.filter(keeps);
      if (left.length === before.length) return true;
      domains[other] = left;
      waiting.push(other);
      return left.length > 0;
    };
    const only = own.length === 1 ? own[0] : undefined;
    if (only !== undefined)
      for (let other = 0; other < domains.length; other += 1)
        if (other !== who && !shrink(other, (seat) => seat !== only)) return false;
    for (const { other, allows } of ties[who] ?? [])
      if (!shrink(other, (seat) => own.some((mine) => allows[mine]?.[seat] === true))) return false;
  }
  return true;
}

/** How often somebody's domain ran empty: who is hardest to seat is seated first (weighted degree). */
type Weights = number[];

function hardest(domains: readonly number[][], weights: Weights): number {
  let found = -1;
  let least = Infinity;
  for (const [who, domain] of domains.entries()) {
    if (domain.length < 2) continue;
    const score = domain.length / (weights[who] ?? 1);
    if (score < least) [found, least] = [who, score];
  }
  return found;
}

/**
 * Seats those of whom something is wished so that every wish is kept, where that is possible at all: a complete search
 * with arc consistency, a matching at every step, the hardest student first (dom/wdeg: Boussemart and others, 2004)
 * and restarts. It tells `none` only when it has been through everything.
 * @param random numbers from 0 up to 1
 */
export function search(puzzle: Puzzle, wishes: readonly Wish[], random: () => number): Found {
  const { ids, domains: rows, ties } = modelOf(puzzle, wishes);
  const root = rows.map(indicesOf);
  const weights = ids.map(() => 1);
  if (root.some(({ length }) => length === 0)) return 'none';
  if (!narrow(root, ties, [...ids.keys()])) return 'none';
  let steps = 0;
  let limit = firstRestart;

  const ordered = (who: number, seats: readonly number[], shuffled: boolean) => {
    const liked = puzzle.liked.get(ids[who] ?? '');
    const order = seats.map((seat) => ({ seat, key: shuffled ? random() : seat === liked ? -1 : 0 }));
    return order.sort((a, b) => a.key - b.key).map(({ seat }) => seat);
  };
  const deeper = (domains: number[][], shuffled: boolean): number[][] | 'none' | 'limit' => {
    if (!allCanSit(domains, puzzle.seats.length)) return 'none';
    const who = hardest(domains, weights);
    if (who < 0) return domains;
    for (const seat of ordered(who, domains[who] ?? [], shuffled)) {
      steps += 1;
      if (steps > limit) return 'limit';
      const next = domains.map((domain, at) => (at === who ? [seat] : domain));
      if (!narrow(next, ties, [who])) {
        weights[who] = (weights[who] ?? 1) + 1;
        continue;
      }
      const found = deeper(next, shuffled);
      if (found !== 'none') return found;
    }
    return 'none';
  };
  for (let round = 0; steps <= mostSteps; round += 1) {
    const found = deeper(root, round > 0);
    if (found === 'none') return 'none';
    if (found !== 'limit') return new Map(ids.map((id, who) => [id, found[who]?.[0] ?? 0]));
    limit = steps + firstRestart * 2 ** (round + 1);
  }
  return 'unknown';
}
