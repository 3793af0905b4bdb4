import type { ClassSeries, SeriesLesson, Slot } from '../streams';
import type { StreamRow } from './streamRows';

type Stretch = [from: string, to: string];

/** So many slots' values are made room for at once. */
const slotsAtOnce = 64;

function nameOf({ called, given_name: given, family_name: family, id }: StreamRow<'students'>): string {
  return called || given || family || id;
}

/** Who is in a class on which days, and its lessons: what all streams are laid out by. */
export class Roster {
  readonly students: ClassSeries['students'] = [];
  readonly lessons: SeriesLesson[];
  private readonly index = new Map<string, number>();
  private readonly stretches: Stretch[][] = [];
  private readonly dates: string[];
  private room = new Float64Array();
  private used = 0;

  /** @param lessons held, in order of time */
  constructor(
    people: readonly StreamRow<'students'>[],
    enrolments: readonly StreamRow<'enrolments'>[],
    lessons: readonly StreamRow<'lessons'>[],
    asOf: string,
  ) {
    const known = new Map(people.map((person) => [person.id, person]));
    for (const { student_id: id, starts_on: start, ends_on: end } of enrolments) {
      const person = known.get(id);
      if (!person || (start ?? '') > asOf) continue;
      const at = this.index.get(id) ?? this.add(person);
      this.stretches[at]?.push([start ?? '', end ?? '\uFFFF']);
    }
    this.students.forEach((student, i) => (student.active = this.isIn(i, asOf)));
    this.lessons = lessons.map(({ id, starts_at: start }) => ({
      id,
      date: start.slice(0, 10),
      startsAt: start.slice(11, 16),
    }));
    this.dates = this.lessons.map(({ date }) => date);
  }

  private add(person: StreamRow<'students'>): number {
    const at = this.students.length;
    this.index.set(person.id, at);
    this.students.push({ id: person.id, name: nameOf(person), active: false });
    this.stretches.push([]);
    return at;
  }

  isIn(i: number, date: string): boolean {
    for (const [from, to] of this.stretches[i] ?? []) if (from <= date && date <= to) return true;
    return false;
  }

  /** Where a student of the class on that day stands in the arrays; -1 for anybody else. */
  indexIn(studentId: string, date: string): number {
    const at = this.index.get(studentId);
    return at !== undefined && this.isIn(at, date) ? at : -1;
  }

  emptySlot(date: string, lesson: number, source: string): Slot {
    return { date, lesson, source, value: this.empty(), exposure: null };
  }

  /** A value of each student, not a number yet: a piece of a larger one, for a year has thousands of them. */
  empty(): Float64Array {
    const size = this.students.length;
    if (this.used + size > this.room.length) {
      this.room = new Float64Array(size * slotsAtOnce).fill(NaN);
      this.used = 0;
    }
    this.used += size;
    return this.room.subarray(this.used - size, this.used);
  }

  /** How many lessons had been held before a day began. */
  lessonsBefore(date: string): number {
    let [low, high] = [0, this.dates.length];
    while (low < high) {
      const middle = (low + high) >> 1;
      if ((this.dates[middle] ?? '') < date) low = middle + 1;
      else high = middle;
    }
    return low;
  }
}
