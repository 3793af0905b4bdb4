import type { Game, GamePoint } from '../../records/schema';

/** Where a side stands. */
export interface SideScore {
  /** Its place in the game's list. */
  side: number;
  points: number;
  /** Of each round, the first one first. */
  byRound: number[];
  /** 1 is first; sides with as many points share a place. */
  place: number;
}

/** What counts of points that were given: the last correction, or what was given. */
export function counts({ side, amount, corrections }: GamePoint): { side: number; amount: number } {
  return corrections.at(-1) ?? { side, amount };
}

/** The points of a game that are not taken back, in the order in which they were given. */
export function pointsOf(gameId: string, points: Iterable<GamePoint>): GamePoint[] {
  return [...points]
    .filter((point) => !point.removed && point.gameId === gameId)
    .sort((a, b) => (a.at === b.at ? (a.id < b.id ? -1 : 1) : a.at < b.at ? -1 : 1));
}

/**
 * Where each side of a game stands, in the game's order.
 * @param points of this game; those of a side that the game does not have any more count nowhere
 */
export function scoresOf(game: Pick<Game, 'sides' | 'round'>, points: readonly GamePoint[]): SideScore[] {
  const rounds = Math.max(game.round, ...points.map(({ round }) => round));
  const sums = game.sides.map(() => Array.from({ length: rounds }, () => 0));
  for (const point of points) {
    const { side, amount } = counts(point);
    const of = sums[side];
    if (of) of[point.round - 1] = (of[point.round - 1] ?? 0) + amount;
  }
  const totals = sums.map((of) => of.reduce((sum, one) => sum + one, 0));
  return sums.map((byRound, side) => {
    const total = totals[side] ?? 0;
    return { side, points: total, byRound, place: 1 + totals.filter((other) => other > total).length };
  });
}

/** What each student earned by themselves. @returns points by student; who earned none is missing */
export function ownPoints(points: readonly GamePoint[]): Map<string, number> {
  const sums = new Map<string, number>();
  for (const point of points) {
    if (point.studentId === null) continue;
    sums.set(point.studentId, (sums.get(point.studentId) ?? 0) + counts(point).amount);
  }
  return sums;
}
