import { useMemo } from 'react';
import { isEnrolledOn } from '@slate-path/core/attendance/roll/totals';
import { listOf } from '@slate-path/core/records/records';
import type { Student } from '@slate-path/core/records/schema';
import { byStudent, useNameOrder } from '../../../sync/nameOrder';
import { useRecords } from '../../../sync/useRecords';

/** Everybody of a class on a day, in the order of names. */
export function useStudentsOf(sectionId: string, date: string): Student[] {
  const current = useRecords((state) => state.current);
  const order = useNameOrder();
  return useMemo(
    () =>
      listOf(current, 'enrolment')
        .filter((e) => e.sectionId === sectionId && isEnrolledOn(e, date))
        .flatMap(({ studentId }) => {
          const student = current.student[studentId];
          return student && !student.removed ? [{ student }] : [];
        })
        .sort(byStudent(order))
        .map(({ student }) => student),
    [current, order, sectionId, date],
  );
}
