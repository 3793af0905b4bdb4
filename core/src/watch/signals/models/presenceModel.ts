import { daysBetween } from '../../../calendar/localTime';
import type { Slot } from '../streams';
import { fewSeen } from './learning';
import type { Model } from './model';
import { shifted } from './oddsShift';
import { ShareModel } from './shareModel';
import { Spells } from './spells';

/** An illness takes two to four days, a weekend between them at most; a spell that goes on longer says something. */
const longestIllnessDays = 5;
const longSpell = 2;
/** One more day away in the same spell says little where most spells go on; never less than this. */
const sameSpell = 0.4;
/** The smallest rise worth acting on, as part of what is missing to 1. */
const rise = 0.35;

/**
 * Away or there, lesson by lesson. Days away in a row are one spell: what is watched is how often one
 * begins, given that the student was there the time before; and a day more in a spell says the more, the seldomer
 * spells go on in the class.
 */
export class PresenceModel implements Model {
  readonly warmUp = fewSeen;
  private readonly starts: ShareModel;
  private readonly spells: Spells;
  private readonly run: Float64Array;
  private readonly runBefore: Float64Array;
  /** The day on which the spell began, in days since the first slot. */
  private readonly begun: Float64Array;
  private firstDay: string | null = null;
  private today = 0;
  private readonly away: Float64Array;
  private readonly taken: Float64Array;
  private readonly heldAway: Float64Array;
  private readonly heldTaken: Float64Array;
  private slot!: Slot;

  constructor(students: number) {
    this.starts = new ShareModel(students, { guess: 0.05, rise });
    this.spells = new Spells(students);
    this.run = new Float64Array(students);
    this.runBefore = new Float64Array(students);
    this.begun = new Float64Array(students);
    this.away = new Float64Array(students);
    this.taken = new Float64Array(students);
    this.heldAway = new Float64Array(students);
    this.heldTaken = new Float64Array(students);
  }

  begin(slot: Slot): void {
    this.slot = slot;
    this.today = daysBetween((this.firstDay ??= slot.date), slot.date);
    const starting = new Float64Array(slot.value.length);
    for (let i = 0; i < slot.value.length; i += 1) {
      const value = slot.value[i] ?? NaN;
      const before = this.run[i] ?? 0;
      this.runBefore[i] = before;
      starting[i] = before > 0 ? NaN : value;
      if (!Number.isNaN(value)) this.run[i] = value === 1 ? before + 1 : 0;
      if (before === 0 && value === 1) this.begun[i] = this.today;
    }
    this.starts.begin({ ...slot, value: starting });
    this.spells.begin();
  }

  score(i: number): number {
    return this.inSpell(i) ?? this.starts.score(i);
  }

  scoreAsSeen(i: number): number {
    return this.inSpell(i) ?? this.starts.scoreAsSeen(i);
  }

  /** The score of a day after one away; null where the day before was a day there. */
  private inSpell(i: number): number | null {
    const before = this.runBefore[i] ?? 0;
    if (before === 0) return null;
    // Whoever was ill comes back too: that says nothing.
    if (this.amount(i) === 0) return 0;
    const isLong = this.today - (this.begun[i] ?? this.today) > longestIllnessDays;
    // Where many stay away, staying away says less.
    const many = Math.max(1, this.starts.shift(i));
    if (isLong) return longSpell / many;
    const usual = shifted(this.spells.goesOn(before), many);
    const raised = this.starts.usual(i) + rise * (1 - this.starts.usual(i));
    const changed = Math.max(usual, shifted(raised, many));
    return Math.max(sameSpell / many, Math.log(changed / usual));
  }

  hold(i: number): void {
    const before = this.runBefore[i] ?? 0;
    if (before === 0) this.starts.hold(i);
    else this.spells.hold(i, before, this.amount(i) === 1);
    this.heldAway[i] = (this.heldAway[i] ?? 0) + this.amount(i);
    this.heldTaken[i] = (this.heldTaken[i] ?? 0) + 1;
  }

  learn(i: number): void {
    this.starts.learn(i);
    this.spells.learn(i);
    this.away[i] = (this.away[i] ?? 0) + (this.heldAway[i] ?? 0);
    this.taken[i] = (this.taken[i] ?? 0) + (this.heldTaken[i] ?? 0);
    this.forget(i);
  }

  drop(i: number): void {
    this.starts.drop(i);
    this.spells.drop(i);
    this.forget(i);
  }

  private forget(i: number): void {
    this.heldAway[i] = 0;
    this.heldTaken[i] = 0;
  }

  amount(i: number): number {
    return this.slot.value[i] ?? 0;
  }

  /** Share missed, of all lessons that are as usual, with ten lessons of what is common in the class. */
  usual(i: number): number {
    return (this.starts.usual(i) * 10 + (this.away[i] ?? 0)) / (10 + (this.taken[i] ?? 0));
  }

  weightAsUsual(i: number): number {
    return this.starts.weightAsUsual(i);
  }

  rarity(i: number): number {
    return this.starts.usual(i);
  }
}
