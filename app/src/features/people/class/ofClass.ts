import { useMemo } from 'react';
import type { LocalMoment } from '@slate-path/core/calendar/zone';
import type { Enrolment, Lesson, Student } from '@slate-path/core/records/schema';
import { shortDay } from '../../../parts/dates';
import { useNow } from '../../../sync/clock';
import { byStudent, useNameOrder } from '../../../sync/nameOrder';
import { useLastDay } from '../../../sync/sections';
import { useRecords } from '../../../sync/useRecords';
import { useAllLessons } from '../../attendance/lesson/lessons';

export interface InClass {
  student: Student;
  enrolment: Enrolment;
}

/** Who is in a class, and who has left it, in the order of names. */
export function useClassList(sectionId: string): { present: InClass[]; gone: InClass[] } {
  const order = useNameOrder();
  const lastDay = useLastDay(sectionId);
  // Not all records: what else is written leaves who is in the class as it is.
  const enrolments = useRecords(({ current }) => current.enrolment);
  const students = useRecords(({ current }) => current.student);
  return useMemo(() => {
    const people = Object.values(enrolments)
      .filter((enrolment) => !enrolment.removed && enrolment.sectionId === sectionId)
      .flatMap((enrolment) => {
        const student = students[enrolment.studentId];
        return student && !student.removed ? [{ student, enrolment }] : [];
      })
      .sort(byStudent(order));
    const hasLeft = ({ enrolment }: InClass) => enrolment.endsOn !== null && enrolment.endsOn < lastDay;
    return { present: people.filter((one) => !hasLeft(one)), gone: people.filter(hasLeft) };
  }, [enrolments, students, sectionId, order, lastDay]);
}

/** Over by the clock, taken or not. */
const isOver = ({ date, endsAt }: Lesson, now: LocalMoment) =>
  date < now.date || (date === now.date && endsAt <= now.time);

/** The lesson that is on or comes next; of a class that is over its last one. */
export function useLessonToOpen(sectionId: string): Lesson | undefined {
  const now = useNow();
  const lessons = useAllLessons().filter((lesson) => lesson.sectionId === sectionId);
  return lessons.find((lesson) => !isOver(lesson, now)) ?? lessons.at(-1);
}

/** When a lesson is that is still to come, as "today 10:40"; "now" of one that is on, empty of one that is over. */
export function whenWords(lesson: Lesson | undefined, now: LocalMoment): string {
  if (!lesson || isOver(lesson, now)) return '';
  const { date, startsAt } = lesson;
  if (date !== now.date) return `${shortDay(date)} ${startsAt}`;
  return startsAt <= now.time ? 'now' : `today ${startsAt}`;
}
