import type { Slot } from '../streams';
import { added } from './added';
import { kept, newUntil, oddTimeWorth, scatterKept } from './learning';
import { gammaPrior, type GammaPrior } from './gammaPrior';
import type { Model } from './model';

export interface CountOptions {
  /** The usual count of a whole lesson or day where nothing is known. */
  guess: number;
  /** The change worth acting on, as a factor: under 1 a fall, over 1 a rise. */
  factor: number;
  /** Variance beyond Poisson per mean squared, where nothing is known. */
  overdispersion: number;
}

/** The class's count at a time is held to the usual by so many. */
const steadiness = 4;
/** A class that does so many times more or less than usual has an odd day. */
const oddTime = 2;
/** Rates under this say nothing about who is silent, and one event of them little about a rise. */
const lowestRate = 0.04;
const widest = 2.5;

/**
 * log(NB(x; factor * mean) / NB(x; mean)) of two negative binomial counts.
 * @param inverseSize variance is mean + mean^2 * inverseSize; 0 is Poisson
 */
export function countRatio(
  x: number,
  mean: number,
  changed: number,
  inverse: { usual: number; changed: number },
): number {
  return logPart(x, changed, inverse.changed) - logPart(x, mean, inverse.usual);
}

/**
 * log of a negative binomial probability without the factorial of x, which two of the same x share.
 * The rising product stands for Gamma(x + k) / Gamma(k), for x is small.
 */
function logPart(x: number, mean: number, inverseSize: number): number {
  if (inverseSize < 1e-6) return x * Math.log(mean) - mean;
  const spread = 1 + mean * inverseSize;
  let product = 0;
  for (let step = 0; step < x; step += 1) product += Math.log1p(step * inverseSize);
  return product + x * Math.log(mean / spread) - Math.log(spread) / inverseSize;
}

/**
 * Counts with an exposure: what was said, clicked or disturbed. Gamma-Poisson with overdispersion; the
 * prior comes from the class, the factor of a lesson from the others in it.
 */
export class CountModel implements Model {
  readonly warmUp = newUntil;
  private readonly sums: Float64Array;
  private readonly exposures: Float64Array;
  private readonly times: Float64Array;
  private readonly heldSums: Float64Array;
  private readonly heldExposures: Float64Array;
  private readonly heldTimes: Float64Array;
  private readonly allSums: Float64Array;
  private readonly allExposures: Float64Array;
  private prior: GammaPrior;
  private slot!: Slot;
  private counted = 0;
  private expected = 0;
  private excess: number;
  private squares = 40;

  constructor(
    students: number,
    private readonly options: CountOptions,
  ) {
    this.sums = new Float64Array(students);
    this.exposures = new Float64Array(students);
    this.times = new Float64Array(students);
    this.heldSums = new Float64Array(students);
    this.heldExposures = new Float64Array(students);
    this.heldTimes = new Float64Array(students);
    this.allSums = new Float64Array(students);
    this.allExposures = new Float64Array(students);
    this.prior = { mean: options.guess, shape: 1.5 };
    this.excess = options.overdispersion * this.squares;
  }

  /** Variance beyond Poisson, per mean squared, as the whole class has shown it. */
  private get overdispersion(): number {
    return Math.min(widest, Math.max(0, this.excess / this.squares));
  }

  begin(slot: Slot): void {
    this.slot = slot;
    const { guess } = this.options;
    this.prior = gammaPrior(
      added(this.sums, this.heldSums, this.allSums),
      added(this.exposures, this.heldExposures, this.allExposures),
      guess,
      this.overdispersion,
    );
    this.counted = 0;
    this.expected = 0;
    for (let i = 0; i < slot.value.length; i += 1) {
      if (Number.isNaN(slot.value[i])) continue;
      this.counted += this.winsorised(i);
      this.expected += this.usual(i) * this.exposure(i);
    }
    this.watchScatter();
  }

  private exposure(i: number): number {
    return this.slot.exposure?.[i] ?? 1;
  }

  /** An odd lesson of one student does not make the whole class's. */
  private winsorised(i: number): number {
    const mean = this.usual(i) * this.exposure(i);
    return Math.min(
      this.amount(i),
      mean + 4 * Math.sqrt(mean + mean * mean * (this.overdispersion + 0.1)) + 1,
    );
  }

  /** All of a class at once, so that it is nothing to anybody who comes first in it. */
  private watchScatter(): void {
    let [excess, squares, there] = [0, 0, 0];
    for (let i = 0; i < this.slot.value.length; i += 1) {
      if (Number.isNaN(this.slot.value[i])) continue;
      const mean = this.usual(i) * this.exposure(i) * this.shift(i);
      const off = this.winsorised(i) - mean;
      excess += off * off - mean;
      squares += mean * mean;
      there += 1;
    }
    const fade = Math.pow(scatterKept, there);
    this.excess = this.excess * fade + excess;
    this.squares = this.squares * fade + squares;
  }

  /** How much more than usual the others did at that time. */
  private shift(i: number): number {
    const counted = this.counted - this.winsorised(i) + steadiness;
    return counted / (this.expected - this.usual(i) * this.exposure(i) + steadiness);
  }

  private compare(i: number, shape: number, rate: number, changed: number, changedShape: number): number {
    const chance = this.exposure(i) * this.shift(i);
    const inverse = {
      usual: this.overdispersion + 1 / shape,
      changed: this.overdispersion + 1 / changedShape,
    };
    return countRatio(
      this.amount(i),
      Math.max(rate, lowestRate) * chance,
      Math.max(changed, lowestRate / 4) * chance,
      inverse,
    );
  }

  score(i: number): number {
    const { mean, shape } = this.prior;
    const { factor } = this.options;
    const before = shape + (this.sums[i] ?? 0);
    const time = shape / mean + (this.exposures[i] ?? 0);
    const [sum, exposure] = [this.heldSums[i] ?? 0, this.heldExposures[i] ?? 0];
    const usual = (before + sum) / (time + exposure);
    const base = Math.max((before + sum) / (time + factor * exposure), lowestRate);
    return this.compare(i, before + sum, usual, factor * base, before + sum);
  }

  private changedAsSeen(i: number): number {
    const usual = Math.max(this.usual(i), lowestRate);
    const seen =
      (usual * this.options.factor * 2 + (this.heldSums[i] ?? 0)) / (2 + (this.heldExposures[i] ?? 0));
    const bound = usual * Math.sqrt(this.options.factor);
    return this.options.factor < 1 ? Math.min(seen, bound) : Math.max(seen, bound);
  }

  scoreAsSeen(i: number): number {
    return this.compare(i, 50, Math.max(this.usual(i), lowestRate), this.changedAsSeen(i), 50);
  }

  /** The divergence of Poisson counts. */
  weightAsUsual(i: number): number {
    const usual = Math.max(this.usual(i), lowestRate);
    const changed = Math.max(this.changedAsSeen(i), lowestRate / 4);
    return usual * Math.log(usual / changed) - usual + changed;
  }

  hold(i: number): void {
    const shift = this.shift(i);
    const isNew = (this.times[i] ?? 0) < newUntil;
    const isOdd = !isNew && (shift < 1 / oddTime || shift > oddTime);
    // Of counts that scatter more than Poisson's, each tells less about the rate.
    const scatter = 1 / (1 + this.usual(i) * this.exposure(i) * this.overdispersion);
    const worth = isOdd ? scatter * oddTimeWorth : scatter;
    this.heldSums[i] = (this.heldSums[i] ?? 0) + (isNew ? this.amount(i) : this.winsorised(i)) * worth;
    this.heldExposures[i] = (this.heldExposures[i] ?? 0) + this.exposure(i) * worth;
    this.heldTimes[i] = (this.heldTimes[i] ?? 0) + 1;
  }

  learn(i: number): void {
    const fade = Math.pow(kept, this.heldTimes[i] ?? 0);
    this.sums[i] = (this.sums[i] ?? 0) * fade + (this.heldSums[i] ?? 0);
    this.exposures[i] = (this.exposures[i] ?? 0) * fade + (this.heldExposures[i] ?? 0);
    this.times[i] = (this.times[i] ?? 0) + (this.heldTimes[i] ?? 0);
    this.drop(i);
  }

  drop(i: number): void {
    this.heldSums[i] = 0;
    this.heldExposures[i] = 0;
    this.heldTimes[i] = 0;
  }

  amount(i: number): number {
    return this.slot.value[i] ?? 0;
  }

  usual(i: number): number {
    const { mean, shape } = this.prior;
    return (shape + (this.sums[i] ?? 0)) / (shape / mean + (this.exposures[i] ?? 0));
  }

  rarity(i: number): number {
    return this.usual(i);
  }
}
