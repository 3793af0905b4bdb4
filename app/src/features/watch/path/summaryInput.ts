import type { RollBook } from '@slate-path/core/attendance/roll/book';
import { presenceIn, studentTotals } from '@slate-path/core/attendance/roll/totals';
import type { LocalMoment } from '@slate-path/core/calendar/zone';
import { displayName } from '@slate-path/core/people/names';
import type { Enrolment, Lesson, Step, Student } from '@slate-path/core/records/schema';
import type { SummaryInput } from '@slate-path/core/watch/signals/summary';
import type { WatchItem } from '@slate-path/core/watch/signals/watchClass';

interface Known extends Pick<SummaryInput, 'cleared' | 'notes'> {
  student: Student;
  enrolments: readonly Enrolment[];
  lessons: readonly Lesson[];
  book: RollBook;
  now: LocalMoment;
  classNames: Readonly<Record<string, string>>;
  items: readonly WatchItem[];
  steps: readonly Step[];
  /** The school's day of an instant. */
  dayOf: (instant: string) => string;
}

/** What a summary of a student is drafted from. */
export function summaryInput(known: Known): SummaryInput {
  const { student, enrolments, lessons, book, now, classNames, items, cleared, steps, notes, dayOf } = known;
  const nameOf = (sectionId: string) => classNames[sectionId] ?? '';
  return {
    name: displayName(student),
    classes: enrolments.map((enrolment) => {
      const own = lessons.filter((lesson) => lesson.sectionId === enrolment.sectionId);
      const { taken, away, late } = studentTotals(enrolment, own, book, now);
      const missedLessons = own.flatMap((lesson) =>
        presenceIn(lesson, student.id, book)?.away ? [{ id: lesson.id, day: lesson.date }] : [],
      );
      return { name: nameOf(enrolment.sectionId), taken, missed: away, late, missedLessons };
    }),
    items: items.map((item) => ({ ...item, className: nameOf(item.sectionId) })),
    cleared,
    steps: steps.map(({ id, kind, at, text }) => ({ id, kind, day: dayOf(at), text })),
    notes,
  };
}
