import type { Slot } from '../streams';
import { fewSeen } from './learning';
import type { Model } from './model';
import { ShareModel } from './shareModel';

/** How a piece of work stands: the values of the stream. */
export const onTime = 0;
export const late = 1;
export const missing = 2;

const map = (slot: Slot, of: (value: number) => number): Slot => ({ ...slot, value: slot.value.map(of) });

/**
 * On time, late or missing, as two questions one after the other (a sequential model of ordered
 * categories): is it missing, and if not, is it late?
 * Source: Tutz (1991), Comput. Stat. Data Anal. 11, 275-295.
 */
export class HandInModel implements Model {
  readonly warmUp = fewSeen;
  private readonly missing: ShareModel;
  private readonly late: ShareModel;
  private slot!: Slot;

  constructor(students: number) {
    this.missing = new ShareModel(students, { guess: 0.06, rise: 0.35 });
    this.late = new ShareModel(students, { guess: 0.1, rise: 0.2 });
  }

  begin(slot: Slot): void {
    this.slot = slot;
    this.missing.begin(map(slot, (value) => (value === missing ? 1 : Number.isNaN(value) ? NaN : 0)));
    this.late.begin(map(slot, (value) => (value === missing ? NaN : value)));
  }

  private isThere(i: number): boolean {
    return this.slot.value[i] !== missing;
  }

  score(i: number): number {
    return this.missing.score(i) + (this.isThere(i) ? this.late.score(i) / 4 : 0);
  }

  scoreAsSeen(i: number): number {
    return this.missing.scoreAsSeen(i);
  }

  hold(i: number): void {
    this.missing.hold(i);
    if (this.isThere(i)) this.late.hold(i);
  }

  learn(i: number): void {
    this.missing.learn(i);
    this.late.learn(i);
  }

  drop(i: number): void {
    this.missing.drop(i);
    this.late.drop(i);
  }

  amount(i: number): number {
    return this.isThere(i) ? 0 : 1;
  }

  usual(i: number): number {
    return this.missing.usual(i);
  }

  weightAsUsual(i: number): number {
    return this.missing.weightAsUsual(i);
  }

  rarity(i: number): number {
    return this.missing.usual(i);
  }
}

/** 1 for a piece that is missing, 0 for one that was handed in at all. */
export const handInMissing = (value: number): number => (value === missing ? 1 : 0);
