import { useMemo } from 'react';
import { roundUp, type CheckInRoundUp } from '@slate-path/core/checkIn/roundUp';
import { listOf } from '@slate-path/core/records/records';
import type { Lesson } from '@slate-path/core/records/schema';
import { isEnrolledOn } from '@slate-path/core/roll/totals';
import { byStudent, useNameOrder } from '../people/nameOrder';
import { useRecords } from '../records/useRecords';

/** What a lesson's check-ins come to, in the order of the roll. */
export function useRoundUp({ id, sectionId, date }: Lesson): CheckInRoundUp & { students: number } {
  const checkIns = useRecords((state) => state.current.checkIn);
  const others = useRecords((state) => state.current.otherCheckIn);
  const enrolments = useRecords((state) => state.current.enrolment);
  const known = useRecords((state) => state.current.student);
  const order = useNameOrder();
  return useMemo(() => {
    const students = Object.values(enrolments)
      .filter((e) => !e.removed && e.sectionId === sectionId && isEnrolledOn(e, date))
      .flatMap(({ studentId }) => {
        const student = known[studentId];
        return student && !student.removed ? [{ student }] : [];
      })
      .sort(byStudent(order))
      .map(({ student }) => student);
    const ofLesson = ({ lessonId }: { lessonId: string }) => lessonId === id;
    const own = Object.values(checkIns).filter(ofLesson);
    const beside = Object.values(others).filter(ofLesson);
    return { ...roundUp(students, own, beside), students: students.length };
  }, [checkIns, others, enrolments, known, order, id, sectionId, date]);
}

/** Whether anybody has checked in to a lesson. */
export function useHasCheckIns(lessonId: string): boolean {
  return useRecords((state) => listOf(state.current, 'checkIn').some((found) => found.lessonId === lessonId));
}
