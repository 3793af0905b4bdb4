/** A spell that has lasted a day goes on otherwise than one that has lasted longer. */
const [oneDay, longer] = [0, 1];
/** What is thought before any spell was seen: it goes on as often as it ends, worth so many days. */
const [guess, weight] = [0.5, 10];

/**
 * How spells of days away go on in a class: how often whoever was away the time before stays away. Where colds go
 * round most do; where single days are missed hardly anybody does. Learned of all students together, after one day
 * away and after more apart, from what is as usual only.
 * Source: a Markov chain's transitions with conjugate priors, Anderson and Goodman (1957), Ann. Math. Stat. 28, 89-110.
 */
export class Spells {
  private readonly stays = [0, 0];
  private readonly days = [0, 0];
  /** Share that goes on, after one day and after more, as it was known when the slot began. */
  private known = [guess, guess];
  private readonly heldStays: Float64Array[];
  private readonly heldDays: Float64Array[];

  constructor(students: number) {
    this.heldStays = [oneDay, longer].map(() => new Float64Array(students));
    this.heldDays = [oneDay, longer].map(() => new Float64Array(students));
  }

  /** Before a slot: what was learned until then holds for everybody in it, whoever comes first. */
  begin(): void {
    const first = (guess * weight + (this.stays[oneDay] ?? 0)) / (weight + (this.days[oneDay] ?? 0));
    const more = (first * weight + (this.stays[longer] ?? 0)) / (weight + (this.days[longer] ?? 0));
    this.known = [first, more];
  }

  /** Share of those who stay away after so many times away, 0 to 1. @param run 1 or more */
  goesOn(run: number): number {
    return this.known[run > 1 ? longer : oneDay] ?? guess;
  }

  hold(i: number, run: number, isAway: boolean): void {
    const kind = run > 1 ? longer : oneDay;
    const [stays, days] = [this.heldStays[kind], this.heldDays[kind]];
    if (!stays || !days) return;
    stays[i] = (stays[i] ?? 0) + (isAway ? 1 : 0);
    days[i] = (days[i] ?? 0) + 1;
  }

  learn(i: number): void {
    for (const kind of [oneDay, longer]) {
      this.stays[kind] = (this.stays[kind] ?? 0) + (this.heldStays[kind]?.[i] ?? 0);
      this.days[kind] = (this.days[kind] ?? 0) + (this.heldDays[kind]?.[i] ?? 0);
    }
    this.drop(i);
  }

  drop(i: number): void {
    for (const held of [...this.heldStays, ...this.heldDays]) held[i] = 0;
  }
}
