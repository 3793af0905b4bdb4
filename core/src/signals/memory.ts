/** So many observations at least are kept to date a change by. */
const longest = 60;

/** Observations added up, in the unit of the stream. */
export interface Sum {
  count: number;
  sum: number;
  exposure: number;
}

export const nothing = (): Sum => ({ count: 0, sum: 0, exposure: 0 });

/** Adds one observation to others. */
export function add(sum: Sum, value: number, exposure: number): void {
  sum.count += 1;
  sum.sum += value;
  sum.exposure += exposure;
}

/**
 * The last observations of a student in a stream, oldest first: the lessons held before each,
 * what it said for a change (log likelihood ratio), what it was. Columns and not rows, for every observation
 * of a year passes through it.
 */
export class Memory {
  readonly lessons: number[] = [];
  readonly scores: number[] = [];
  private readonly values: number[] = [];
  private readonly exposures: number[] = [];

  add(lesson: number, score: number, value: number, exposure: number): void {
    this.lessons.push(lesson);
    this.scores.push(score);
    this.values.push(value);
    this.exposures.push(exposure);
    if (this.lessons.length < 2 * longest) return;
    // Cut now and then only, for that takes its time.
    for (const column of [this.lessons, this.scores, this.values, this.exposures]) column.splice(0, longest);
  }

  /** Adds up what was seen from a lesson on. */
  sumSince(lesson: number): Sum {
    const sum = nothing();
    this.lessons.forEach((heldBefore, at) => {
      if (heldBefore >= lesson) add(sum, this.values[at] ?? 0, this.exposures[at] ?? 0);
    });
    return sum;
  }
}
