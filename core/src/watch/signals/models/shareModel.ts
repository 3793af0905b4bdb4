import type { Slot } from '../streams';
import { added } from './added';
import { betaPrior, type BetaPrior } from './betaPrior';
import { fewSeen, kept, newUntil, oddTimeWorth } from './learning';
import type { Model } from './model';
import { oddsShift, shifted } from './oddsShift';

export interface ShareOptions {
  /** The usual share where nothing is known. */
  guess: number;
  /** The smallest rise worth acting on, as part of what is missing to 1. */
  rise: number;
}

/** A changed share is known no better than from so many observations. */
const changedWeight = 6;
/** A class in which hits are so much likelier has an odd day. */
const oddTime = 2.5;
/** Where the whole class is so far off, anybody's place in it can be told the less, the further. */
const farOff = 4;

/** Hits or misses: late or not, missing or not. Beta-binomial, the prior from the class (empirical Bayes). */
export class ShareModel implements Model {
  readonly warmUp = fewSeen;
  private readonly hits: Float64Array;
  private readonly trials: Float64Array;
  private readonly heldHits: Float64Array;
  private readonly heldTrials: Float64Array;
  private readonly allHits: Float64Array;
  private readonly allTrials: Float64Array;
  private prior: BetaPrior;
  private slot!: Slot;
  private hitsNow = 0;
  private expectedNow = 0;
  private thereNow = 0;

  constructor(
    students: number,
    private readonly options: ShareOptions,
  ) {
    this.hits = new Float64Array(students);
    this.trials = new Float64Array(students);
    this.heldHits = new Float64Array(students);
    this.heldTrials = new Float64Array(students);
    this.allHits = new Float64Array(students);
    this.allTrials = new Float64Array(students);
    this.prior = { mean: options.guess, weight: 30 };
  }

  begin(slot: Slot): void {
    this.slot = slot;
    this.prior = betaPrior(
      added(this.hits, this.heldHits, this.allHits),
      added(this.trials, this.heldTrials, this.allTrials),
      this.options.guess,
    );
    this.hitsNow = 0;
    this.expectedNow = 0;
    this.thereNow = 0;
    for (let i = 0; i < slot.value.length; i += 1) {
      const value = slot.value[i] ?? NaN;
      if (Number.isNaN(value)) continue;
      this.hitsNow += value;
      this.expectedNow += this.usual(i);
      this.thereNow += 1;
    }
  }

  /** The class's shift without the student's own part in it, where there is one. */
  shift(i: number): number {
    const own = this.amount(i);
    if (Number.isNaN(own)) return oddsShift(this.hitsNow, this.expectedNow, this.thereNow);
    return oddsShift(this.hitsNow - own, this.expectedNow - this.usual(i), this.thereNow - 1);
  }

  score(i: number): number {
    const { mean, weight } = this.prior;
    const [hits, trials] = [this.heldHits[i] ?? 0, this.heldTrials[i] ?? 0];
    const before = mean * weight + (this.hits[i] ?? 0);
    const beforeAll = weight + (this.trials[i] ?? 0);
    const asUsual = (before + hits) / (beforeAll + trials);
    const raised = before / beforeAll + this.options.rise * (1 - before / beforeAll);
    const changed = (raised * changedWeight + hits) / (changedWeight + trials);
    return this.compare(i, asUsual, Math.max(changed, asUsual + this.options.rise / 2));
  }

  private changedAsSeen(i: number): number {
    const usual = this.usual(i);
    const raised = usual + this.options.rise * (1 - usual);
    const seen = (raised * 2 + (this.heldHits[i] ?? 0)) / (2 + (this.heldTrials[i] ?? 0));
    return Math.min(0.97, Math.max(seen, usual + this.options.rise / 2));
  }

  scoreAsSeen(i: number): number {
    return this.compare(i, this.usual(i), this.changedAsSeen(i));
  }

  weightAsUsual(i: number): number {
    return Math.log((1 - this.usual(i)) / (1 - this.changedAsSeen(i)));
  }

  private compare(i: number, asUsual: number, changed: number): number {
    const ratio = this.shift(i);
    const [before, after] = [shifted(asUsual, ratio), shifted(Math.min(changed, 0.97), ratio)];
    if (this.amount(i) === 0) return Math.log((1 - after) / (1 - before));
    return Math.log(after / before) * Math.min(1, farOff / ratio);
  }

  hold(i: number): void {
    const isOdd = (this.trials[i] ?? 0) >= newUntil && this.shift(i) > oddTime;
    const worth = isOdd ? oddTimeWorth : 1;
    this.heldHits[i] = (this.heldHits[i] ?? 0) + this.amount(i) * worth;
    this.heldTrials[i] = (this.heldTrials[i] ?? 0) + worth;
  }

  learn(i: number): void {
    const fade = Math.pow(kept, this.heldTrials[i] ?? 0);
    this.hits[i] = (this.hits[i] ?? 0) * fade + (this.heldHits[i] ?? 0);
    this.trials[i] = (this.trials[i] ?? 0) * fade + (this.heldTrials[i] ?? 0);
    this.drop(i);
  }

  drop(i: number): void {
    this.heldHits[i] = 0;
    this.heldTrials[i] = 0;
  }

  amount(i: number): number {
    return this.slot.value[i] ?? 0;
  }

  usual(i: number): number {
    const { mean, weight } = this.prior;
    return (mean * weight + (this.hits[i] ?? 0)) / (weight + (this.trials[i] ?? 0));
  }

  rarity(i: number): number {
    return this.usual(i);
  }
}
