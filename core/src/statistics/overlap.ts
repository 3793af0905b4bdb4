/** Which way is better: up for what is wanted, down for what is not. */
export type BetterWay = 'up' | 'down';

/** How far two phases of one student's values lie apart, and how steady the first of them was. */
export interface Overlap {
  /** Pairs of one value before and one after: better, worse or the same. */
  pairs: { better: number; worse: number; same: number };
  /** (better − worse) / pairs: −1 to 1. */
  tau: number;
  /** Kendall's S of the first phase: its pairs in order that rise to the better, less those that fall. */
  trendBefore: number;
  /** The same less the trend that was there before; with a short first phase it can go beyond −1 and 1. */
  tauU: number;
  /** Percentage of values after that are better than the best before, 0 to 100. */
  nonOverlapping: number;
}

const signOf = (from: number, to: number, way: BetterWay) =>
  way === 'up' ? Math.sign(to - from) : Math.sign(from - to);

/** Kendall's S: of all pairs in order, those that get better less those that get worse. */
export function kendallS(values: readonly number[], way: BetterWay): number {
  return values.reduce(
    (sum, from, index) => sum + values.slice(index + 1).reduce((own, to) => own + signOf(from, to, way), 0),
    0,
  );
}

/**
 * Compares the values of a phase with those of the phase before it.
 * Sources: Tau and Tau-U (A against B, less the trend of A) by Parker, Vannest, Davis and Sauber, Combining nonoverlap
 * and trend for single-case research: Tau-U, Behavior Therapy 42 (2011), over the number of pairs between the phases;
 * the percentage of non-overlapping data by Scruggs, Mastropieri and Casto, The quantitative synthesis of
 * single-subject research, Remedial and Special Education 8 (1987).
 * @param before @param after in order of time
 * @returns null where one of them is empty
 */
export function overlapOf(
  before: readonly number[],
  after: readonly number[],
  way: BetterWay,
): Overlap | null {
  const count = before.length * after.length;
  if (count === 0) return null;
  const signs = before.flatMap((from) => after.map((to) => signOf(from, to, way)));
  const better = signs.filter((sign) => sign > 0).length;
  const worse = signs.filter((sign) => sign < 0).length;
  const trendBefore = kendallS(before, way);
  const best = way === 'up' ? Math.max(...before) : Math.min(...before);
  const beyond = after.filter((value) => signOf(best, value, way) > 0).length;
  return {
    pairs: { better, worse, same: count - better - worse },
    tau: (better - worse) / count,
    trendBefore,
    tauU: (better - worse - trendBefore) / count,
    nonOverlapping: (beyond / after.length) * 100,
  };
}
