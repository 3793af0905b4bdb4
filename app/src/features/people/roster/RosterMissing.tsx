import { useMemo } from 'react';
import { displayName } from '@slate-path/core/people/names';
import { listOf } from '@slate-path/core/records/records';
import type { Enrolment, Student } from '@slate-path/core/records/schema';
import type { MergedRow } from '@slate-path/core/people/roster/mergeRoster';
import { isEnrolledOn } from '@slate-path/core/attendance/roll/totals';
import { Card } from '../../../parts/Card';
import { TickRow } from '../../../parts/TickRow';
import { Words } from '../../../parts/Words';
import { byStudent, useNameOrder } from '../../../sync/nameOrder';
import { useNow } from '../../../sync/clock';
import { useRecords } from '../../../sync/useRecords';

export interface Missing {
  student: Student;
  enrolment: Enrolment;
}

/** Who is in the class today and not on the list that was read; nobody while none is. */
export function useMissing(sectionId: string, rows: readonly MergedRow[] | null): Missing[] {
  const now = useNow();
  const order = useNameOrder();
  const current = useRecords((state) => state.current);
  return useMemo(() => {
    if (!rows) return [];
    const listed = new Set(rows.map(({ studentId }) => studentId));
    return listOf(current, 'enrolment')
      .filter((e) => e.sectionId === sectionId && isEnrolledOn(e, now.date) && !listed.has(e.studentId))
      .flatMap((enrolment) => {
        const student = current.student[enrolment.studentId];
        return student && !student.removed ? [{ student, enrolment }] : [];
      })
      .sort(byStudent(order));
  }, [rows, current, sectionId, now.date, order]);
}

interface RosterMissingProps {
  missing: readonly Missing[];
  leaving: ReadonlySet<string>;
  onChange: (leaving: ReadonlySet<string>) => void;
}

/** Those who are not on the roster: they stay unless it is said that they have left. */
export function RosterMissing({ missing, leaving, onChange }: RosterMissingProps) {
  if (missing.length === 0) return null;
  return (
    <Card style={{ padding: 0 }}>
      <Words size="large" serif heading={2} style={{ padding: 16, paddingBottom: 4 }}>
        {`Not on the roster: ${missing.length}`}
      </Words>
      <Words tone="inkQuiet" style={{ paddingHorizontal: 16, paddingBottom: 8 }}>
        They stay in the class. Tick who has left: their last day was yesterday, and every mark is kept.
      </Words>
      {missing.map(({ student, enrolment }) => (
        <TickRow
          key={enrolment.id}
          name={`${displayName(student)} has left`}
          ticked={leaving.has(enrolment.id)}
          onChange={(ticked) => {
            const next = new Set(leaving);
            if (ticked) next.add(enrolment.id);
            else next.delete(enrolment.id);
            onChange(next);
          }}
        >
          <Words>{displayName(student)}</Words>
        </TickRow>
      ))}
    </Card>
  );
}
