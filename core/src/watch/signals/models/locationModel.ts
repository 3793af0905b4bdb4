import type { Slot } from '../streams';
import { kept, newUntil, oddTimeWorth, scatterKept } from './learning';
import type { Model } from './model';

export interface LocationOptions {
  /** Where a student stands when nothing is known, and how far values scatter. */
  guess: number;
  scatter: number;
  /** The smallest scatter believed. */
  leastScatter: number;
  /** The fall worth acting on. */
  fall: number;
  /** Lowest and highest level of an ordered scale; null where any number may be. */
  levels: readonly [number, number] | null;
}

/** The class's shift is held to none by so many students. */
const steadiness = 2;
/** A class that is so many deviations off has an odd day. */
const oddTime = 0.7;
const logisticScale = Math.sqrt(3) / Math.PI;
/** Mean absolute deviation to standard deviation, of a normal distribution. */
const toDeviation = Math.sqrt(Math.PI / 2);

/** The logistic distribution function: like the normal one, with tails that forgive an odd value. */
const logistic = (z: number) => 1 / (1 + Math.exp(-z));

/**
 * log probability of a level around a place: of an ordered scale by its two borders (a cumulative
 * model), of a number by the logistic density.
 * Source: McCullagh (1980), J. R. Stat. Soc. B 42, 109-142.
 */
export function logAround(
  value: number,
  place: number,
  deviation: number,
  levels: readonly [number, number] | null,
): number {
  const scale = deviation * logisticScale;
  if (levels === null) {
    const z = (value - place) / scale;
    return -Math.abs(z) - 2 * Math.log1p(Math.exp(-Math.abs(z))) - Math.log(scale);
  }
  const below = value <= levels[0] ? 0 : logistic((value - 0.5 - place) / scale);
  const upTo = value >= levels[1] ? 1 : logistic((value + 0.5 - place) / scale);
  return Math.log(Math.max(upTo - below, 1e-9));
}

/** Levels and marks: where a student usually stands, robustly, and whether that has fallen. */
export class LocationModel implements Model {
  readonly warmUp = newUntil;
  private readonly sums: Float64Array;
  private readonly times: Float64Array;
  private readonly heldSums: Float64Array;
  private readonly heldTimes: Float64Array;
  private slot!: Slot;
  private mean: number;
  /** The weight of what the class has in common, in observations. */
  private weight = 3;
  private offs = 0;
  private middle = 0;
  private there = 0;
  private absolute: number;
  private absoluteTimes = 30;

  constructor(
    students: number,
    private readonly options: LocationOptions,
  ) {
    this.sums = new Float64Array(students);
    this.times = new Float64Array(students);
    this.heldSums = new Float64Array(students);
    this.heldTimes = new Float64Array(students);
    this.mean = options.guess;
    this.absolute = (options.scatter / toDeviation) * this.absoluteTimes;
  }

  /** How far one student's values scatter, as the whole class has shown it. */
  private get deviation(): number {
    return Math.max(this.options.leastScatter, (this.absolute / this.absoluteTimes) * toDeviation);
  }

  begin(slot: Slot): void {
    this.slot = slot;
    this.findCommon();
    this.offs = 0;
    this.there = 0;
    this.middle = this.middleOff();
    for (let i = 0; i < slot.value.length; i += 1) {
      if (Number.isNaN(slot.value[i])) continue;
      this.offs += this.offInClass(i);
      this.there += 1;
    }
    this.watchScatter();
  }

  /** All of a class at once, so that it is nothing to anybody who comes first in it. */
  private watchScatter(): void {
    let absolute = 0;
    for (let i = 0; i < this.slot.value.length; i += 1)
      if (!Number.isNaN(this.slot.value[i]))
        absolute += Math.abs(this.amount(i) - this.usual(i) - this.shift(i));
    const fade = Math.pow(scatterKept, this.there);
    this.absolute = this.absolute * fade + absolute;
    this.absoluteTimes = this.absoluteTimes * fade + this.there;
  }

  /** The class's middle, and how far its students stand from each other. */
  private findCommon(): void {
    let sum = this.options.guess * 3;
    let weights = 3;
    for (let i = 0; i < this.sums.length; i += 1) {
      sum += (this.sums[i] ?? 0) + (this.heldSums[i] ?? 0);
      weights += (this.times[i] ?? 0) + (this.heldTimes[i] ?? 0);
    }
    this.mean = sum / weights;
    const variance = this.deviation ** 2;
    let between = 0;
    let students = 0;
    for (let i = 0; i < this.sums.length; i += 1) {
      const times = (this.times[i] ?? 0) + (this.heldTimes[i] ?? 0);
      if (times < 3) continue;
      students += 1;
      between +=
        (((this.sums[i] ?? 0) + (this.heldSums[i] ?? 0)) / times - this.mean) ** 2 - variance / times;
    }
    if (students < 5) return;
    this.weight = Math.min(15, Math.max(0.7, variance / Math.max(between / students, 1e-6)));
  }

  /** How far from the usual, an odd value cut. */
  private off(i: number): number {
    const most = 2 * this.deviation;
    return Math.max(-most, Math.min(most, this.amount(i) - this.usual(i)));
  }

  /** How far from the usual the student in the middle is. */
  private middleOff(): number {
    const offs: number[] = [];
    for (let i = 0; i < this.slot.value.length; i += 1)
      if (!Number.isNaN(this.slot.value[i])) offs.push(this.amount(i) - this.usual(i));
    offs.sort((a, b) => a - b);
    return offs[offs.length >> 1] ?? 0;
  }

  /** How far from the usual, what is odd even for this time of the class cut (Huber's weights). */
  private offInClass(i: number): number {
    const most = 2 * this.deviation;
    return this.middle + Math.max(-most, Math.min(most, this.amount(i) - this.usual(i) - this.middle));
  }

  /** The class's shift without the student's own part in it: a robust mean, held to none. */
  private shift(i: number): number {
    return (this.offs - this.offInClass(i)) / (this.there - 1 + steadiness);
  }

  score(i: number): number {
    const { weight, mean, options } = this;
    const [sum, times] = [this.heldSums[i] ?? 0, this.heldTimes[i] ?? 0];
    const before = weight + (this.times[i] ?? 0);
    const total = weight * mean + (this.sums[i] ?? 0);
    const usual = (total + sum) / (before + times);
    // Were there a fall, the values held would speak for a usual that is higher by it.
    const changed = (total + sum + options.fall * times) / (before + times) - options.fall;
    return this.compare(i, usual, changed, before + times);
  }

  private changedAsSeen(i: number): number {
    const usual = this.usual(i);
    const seen = (2 * (usual - this.options.fall) + (this.heldSums[i] ?? 0)) / (2 + (this.heldTimes[i] ?? 0));
    return Math.min(seen, usual - this.options.fall / 2);
  }

  scoreAsSeen(i: number): number {
    return this.compare(i, this.usual(i), this.changedAsSeen(i), 50);
  }

  /** The divergence of two normal distributions. */
  weightAsUsual(i: number): number {
    return ((this.usual(i) - this.changedAsSeen(i)) / this.deviation) ** 2 / 2;
  }

  private compare(i: number, usual: number, changed: number, known: number): number {
    const shift = this.shift(i);
    // The further the whole class is from its usual, the less anybody's place in it can be told.
    const odd = 1 + Math.max(0, Math.abs(shift) / this.deviation - oddTime);
    const deviation = this.deviation * Math.sqrt(1 + 1 / known) * odd;
    const { levels } = this.options;
    const value = this.amount(i);
    return (
      logAround(value, changed + shift, deviation, levels) -
      logAround(value, usual + shift, deviation, levels)
    );
  }

  hold(i: number): void {
    const isNew = (this.times[i] ?? 0) < newUntil;
    const isOdd = !isNew && Math.abs(this.shift(i)) > this.deviation * oddTime;
    const worth = isOdd ? oddTimeWorth : 1;
    const value = isNew ? this.amount(i) : this.usual(i) + this.off(i);
    this.heldSums[i] = (this.heldSums[i] ?? 0) + value * worth;
    this.heldTimes[i] = (this.heldTimes[i] ?? 0) + worth;
  }

  learn(i: number): void {
    const fade = Math.pow(kept, this.heldTimes[i] ?? 0);
    this.sums[i] = (this.sums[i] ?? 0) * fade + (this.heldSums[i] ?? 0);
    this.times[i] = (this.times[i] ?? 0) * fade + (this.heldTimes[i] ?? 0);
    this.drop(i);
  }

  drop(i: number): void {
    this.heldSums[i] = 0;
    this.heldTimes[i] = 0;
  }

  amount(i: number): number {
    return this.slot.value[i] ?? 0;
  }

  usual(i: number): number {
    return (this.weight * this.mean + (this.sums[i] ?? 0)) / (this.weight + (this.times[i] ?? 0));
  }

  rarity(): number {
    return this.deviation;
  }
}
