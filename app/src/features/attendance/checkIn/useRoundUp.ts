import { useMemo } from 'react';
import { isByHand } from '@slate-path/core/attendance/checkIn/arrival';
import { roundUp, type CheckInRoundUp } from '@slate-path/core/attendance/checkIn/roundUp';
import { listOf } from '@slate-path/core/records/records';
import type { Lesson } from '@slate-path/core/records/schema';
import { effectiveStandings } from '@slate-path/core/attendance/roll/rules';
import { markId } from '@slate-path/core/attendance/roll/markId';
import { isEnrolledOn } from '@slate-path/core/attendance/roll/totals';
import { byStudent, useNameOrder } from '../../../sync/nameOrder';
import { useRecords } from '../../../sync/useRecords';

/** What a lesson's check-ins come to, in the order of the roll. */
export function useRoundUp({ id, sectionId, date }: Lesson): CheckInRoundUp & { students: number } {
  const checkIns = useRecords((state) => state.current.checkIn);
  const others = useRecords((state) => state.current.otherCheckIn);
  const enrolments = useRecords((state) => state.current.enrolment);
  const marks = useRecords((state) => state.current.mark);
  const standings = useRecords((state) => state.current.standing);
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
    const byId = effectiveStandings(Object.values(standings));
    const isAwayByHand = (studentId: string) => {
      const mark = marks[markId(id, studentId)];
      return isByHand(mark) && byId[mark?.standingId ?? '']?.countsAs === 'away';
    };
    return { ...roundUp(students, own, beside, isAwayByHand), students: students.length };
  }, [checkIns, others, enrolments, known, marks, standings, order, id, sectionId, date]);
}

/** Whether anybody has checked in to a lesson. */
export function useHasCheckIns(lessonId: string): boolean {
  return useRecords((state) => listOf(state.current, 'checkIn').some((found) => found.lessonId === lessonId));
}
