import { useMemo } from 'react';
import { monthSpan } from '@slate-path/core/calendar/localTime';
import { isEnrolledOn, presenceIn } from '@slate-path/core/attendance/roll/totals';
import { listOf, type Records } from '@slate-path/core/records/records';
import type { Lesson, Student } from '@slate-path/core/records/schema';
import { byStudent, useNameOrder } from '../../sync/nameOrder';
import { useRecords } from '../../sync/useRecords';
import { rollBook, useAllLessons } from '../attendance/lesson/lessons';

/** A class on a day, in a lesson of it where there is one. */
export interface Place {
  sectionId: string;
  date: string;
  lesson: Lesson | undefined;
}

/** A student of a class, with the lessons of the month missed so far. */
export interface Member {
  student: Student;
  place: Place;
  cohort: string;
  missed: Lesson[];
  taken: number;
  /** Away in the lesson that is asked about. */
  awayNow: boolean;
  /** Titles of the work that is owed. */
  owed: readonly string[];
}

type Owed = ReadonlyMap<string, readonly string[]>;

/** The students enrolled on a day, and how often they were away in its month. */
function membersIn(records: Records, lessons: readonly Lesson[], place: Place, owed: Owed): Member[] {
  const { sectionId, date, lesson } = place;
  const book = rollBook(records);
  const { from, to } = monthSpan(date.slice(0, 7));
  const month = lessons.filter((l) => l.sectionId === sectionId && from <= l.date && l.date <= to);
  return listOf(records, 'enrolment')
    .filter((e) => e.sectionId === sectionId && isEnrolledOn(e, date))
    .flatMap((enrolment) => {
      const student = records.student[enrolment.studentId];
      if (!student || student.removed) return [];
      const taken = month.filter((l) => isEnrolledOn(enrolment, l.date) && l.takenAt && !l.setAside);
      const away = (l: Lesson) => presenceIn(l, student.id, book)?.away === true;
      const missed = taken.filter(away);
      const awayNow = lesson !== undefined && away(lesson);
      const { cohort } = enrolment;
      const owes = owed.get(student.id) ?? [];
      return [{ student, place, cohort, missed, taken: taken.length, awayNow, owed: owes }];
    });
}

/** The students of one class or of several, by name; somebody who is in two of them stands there once. */
export function useMembers(places: readonly Place[], owed: Owed): Member[] {
  const current = useRecords((state) => state.current);
  const order = useNameOrder();
  const lessons = useAllLessons();
  return useMemo(() => {
    const all = places.flatMap((place) => membersIn(current, lessons, place, owed));
    const once = new Map(all.toReversed().map((member) => [member.student.id, member]));
    return [...once.values()].sort(byStudent(order));
  }, [order, current, lessons, places, owed]);
}
