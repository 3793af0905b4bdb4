import type { ArchiveRow } from '../../archive/tables';
import type { ClassSeries, SeriesLesson, Slot } from '../streams';

type Stretch = [from: string, to: string];

function nameOf({ called, given_name: given, family_name: family, id }: ArchiveRow<'students'>): string {
  return called || given || family || id;
}

/** Who is in a class on which days, and its lessons: what all streams are laid out by. */
export class Roster {
  readonly students: ClassSeries['students'] = [];
  readonly lessons: SeriesLesson[];
  private readonly index = new Map<string, number>();
  private readonly stretches: Stretch[][] = [];
  private readonly dates: string[];

  /** @param lessons held, in order of time */
  constructor(
    people: readonly ArchiveRow<'students'>[],
    enrolments: readonly ArchiveRow<'enrolments'>[],
    lessons: readonly ArchiveRow<'lessons'>[],
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

  private add(person: ArchiveRow<'students'>): number {
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
    return { date, lesson, source, value: new Float64Array(this.students.length).fill(NaN), exposure: null };
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
