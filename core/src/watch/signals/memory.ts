/** So many observations at least are kept to date a change by. */
const longest = 60;
const room = 2 * longest;

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
 * what it said for a change (log likelihood ratio), what it was. Columns of one piece of memory and not rows, for
 * every observation of a year passes through it.
 */
export class Memory {
  private columns: Float64Array | null = null;
  private length = 0;

  add(lesson: number, score: number, value: number, exposure: number): void {
    const columns = (this.columns ??= new Float64Array(4 * room));
    const at = this.length;
    columns[at] = lesson;
    columns[room + at] = score;
    columns[2 * room + at] = value;
    columns[3 * room + at] = exposure;
    this.length += 1;
    if (this.length < room) return;
    // Cut now and then only, for that takes its time.
    for (let column = 0; column < 4; column += 1)
      columns.copyWithin(column * room, column * room + longest, (column + 1) * room);
    this.length = longest;
  }

  private column(index: number): Float64Array {
    return this.columns?.subarray(index * room, index * room + this.length) ?? new Float64Array();
  }

  get lessons(): Float64Array {
    return this.column(0);
  }

  get scores(): Float64Array {
    return this.column(1);
  }

  /** Adds up what was seen from a lesson on. */
  sumSince(lesson: number): Sum {
    const [values, exposures] = [this.column(2), this.column(3)];
    const sum = nothing();
    this.lessons.forEach((heldBefore, at) => {
      if (heldBefore >= lesson) add(sum, values[at] ?? 0, exposures[at] ?? 0);
    });
    return sum;
  }
}
