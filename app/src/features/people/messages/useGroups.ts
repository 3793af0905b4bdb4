import { useMemo } from 'react';
import { monthSpan } from '@slate-path/core/calendar/localTime';
import type { BlankValues } from '@slate-path/core/people/messages/blanks';
import { displayName, shortName } from '@slate-path/core/people/names';
import { listed } from '@slate-path/core/words/listed';
import { listOf } from '@slate-path/core/records/records';
import type { Lesson, Student } from '@slate-path/core/records/schema';
import { isEnrolledOn, presenceIn } from '@slate-path/core/attendance/roll/totals';
import { dayMonth, longDay } from '../../../parts/dates';
import { rollBook, useAllLessons } from '../../attendance/lesson/lessons';
import { byStudent, useNameOrder } from '../../../sync/nameOrder';
import { useRecords } from '../../../sync/useRecords';

/** A student of the class, with the lessons of the month missed so far. */
export interface Member {
  student: Student;
  cohort: string;
  missed: Lesson[];
  taken: number;
  /** Away in the lesson that is asked about. */
  awayNow: boolean;
  /** Titles of the work that is owed. */
  owed: readonly string[];
}

/** The students enrolled on a day, and how often they were away in its month. */
export function useMembers(
  sectionId: string,
  date: string,
  lesson: Lesson | undefined,
  owed: ReadonlyMap<string, readonly string[]>,
): Member[] {
  const current = useRecords((state) => state.current);
  const order = useNameOrder();
  const lessons = useAllLessons();
  return useMemo(() => {
    const book = rollBook(current);
    const { from, to } = monthSpan(date.slice(0, 7));
    const month = lessons.filter((l) => l.sectionId === sectionId && from <= l.date && l.date <= to);
    return listOf(current, 'enrolment')
      .filter((e) => e.sectionId === sectionId && isEnrolledOn(e, date))
      .flatMap((enrolment) => {
        const student = current.student[enrolment.studentId];
        if (!student || student.removed) return [];
        const taken = month.filter((l) => isEnrolledOn(enrolment, l.date) && l.takenAt && !l.setAside);
        const away = (l: Lesson) => presenceIn(l, student.id, book)?.away === true;
        const missed = taken.filter(away);
        const awayNow = lesson !== undefined && away(lesson);
        const owes = owed.get(student.id) ?? [];
        return [{ student, cohort: enrolment.cohort, missed, taken: taken.length, awayNow, owed: owes }];
      })
      .sort(byStudent(order));
  }, [order, current, lessons, sectionId, date, lesson, owed]);
}

/** What the blanks of a message are filled with for one student. */
export function valuesFor({ student, missed, owed }: Member, className: string, date: string): BlankValues {
  const dates = missed.map((lesson) => dayMonth(lesson.date));
  return {
    name: shortName(student),
    'full name': displayName(student),
    class: className,
    date: longDay(date),
    dates: dates.length > 0 ? dates.join(', ') : 'no day',
    times: String(missed.length),
    work: owed.length > 0 ? listed(owed) : 'no work',
  };
}
