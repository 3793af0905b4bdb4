import { many } from '@slate-path/core/words/many';
import { byName, displayName, type NameOrder } from '@slate-path/core/people/names';
import { groupBy } from '@slate-path/core/records/groupBy';
import type { Records } from '@slate-path/core/records/records';
import type { StudentTotals } from '@slate-path/core/attendance/roll/rollTable';
import { totalsOf, type Totals } from '@slate-path/core/attendance/roll/totals';
import { namesOf } from '../../../sync/sections';

export type Grouping = 'student' | 'cohort' | 'class';

/** One line of the totals: a student in a class, a cohort, or a class. */
export interface TotalsLine {
  key: string;
  name: string;
  /** Where the name alone would not say it. */
  note: string;
  studentId: string | null;
  totals: Totals;
}

export const sortings = {
  name: { label: 'Name', of: null },
  percent: { label: 'Percent', of: (t: Totals) => t.percent ?? 101 },
  away: { label: 'Away', of: (t: Totals) => -t.away },
  excused: { label: 'Excused', of: (t: Totals) => -t.excused },
  unexcused: { label: 'Unexcused', of: (t: Totals) => t.excused - t.away },
  late: { label: 'Late', of: (t: Totals) => -t.late },
  minutesLate: { label: 'Minutes late', of: (t: Totals) => -t.minutesLate },
  minutesMissed: { label: 'Minutes missed', of: (t: Totals) => -t.minutesMissed },
  credit: { label: 'Credit', of: (t: Totals) => t.credit },
  days: { label: 'Days', of: (t: Totals) => t.days },
  hours: { label: 'Hours', of: (t: Totals) => t.minutesThere },
  notTaken: { label: 'Not taken', of: (t: Totals) => -t.notTaken },
} as const;
export type Sorting = keyof typeof sortings;

interface Wanted {
  /** Empty: all classes. */
  sectionId: string;
  grouping: Grouping;
  sorting: Sorting;
  order: NameOrder;
}

function studentLines(
  rows: readonly StudentTotals[],
  records: Records,
  { sectionId, order }: Wanted,
): TotalsLine[] {
  return rows
    .flatMap((row) => {
      const student = records.student[row.studentId];
      return student && !student.removed ? [{ ...row, student }] : [];
    })
    .sort((a, b) => byName(order)(a.student, b.student))
    .map(({ student, cohort, totals, ...row }) => ({
      key: `${row.sectionId} ${student.id}`,
      name: displayName(student),
      note: [sectionId ? '' : (namesOf(records)[row.sectionId] ?? ''), cohort].filter(Boolean).join(' · '),
      studentId: student.id,
      totals,
    }));
}

/** Sums of students by what they have in common. */
function groupLines(rows: readonly StudentTotals[], keyOf: (row: StudentTotals) => string): TotalsLine[] {
  return [...groupBy(rows, keyOf)]
    .map(([name, found]) => ({
      key: name,
      name,
      note: many(found.length, 'student'),
      studentId: null,
      totals: sumOf(found),
    }))
    .sort((a, b) => a.name.localeCompare(b.name));
}

/** The lates of several students are nobody's absence: each line has its own already. */
function sumOf(rows: readonly StudentTotals[]): Totals {
  const sum = totalsOf(rows.map(({ totals }) => totals));
  const credit = rows.reduce((whole, { totals }) => whole + totals.credit, 0);
  const awayByLates = rows.reduce((whole, { totals }) => whole + totals.awayByLates, 0);
  return { ...sum, awayByLates, credit, percent: sum.taken === 0 ? null : (credit / sum.taken) * 100 };
}

/** The lines of the totals, grouped and sorted; those that are equal stay in the order of their names. */
export function totalsLines(rows: readonly StudentTotals[], records: Records, wanted: Wanted): TotalsLine[] {
  const own = wanted.sectionId ? rows.filter(({ sectionId }) => sectionId === wanted.sectionId) : rows;
  const className = ({ sectionId }: StudentTotals) => namesOf(records)[sectionId] ?? '';
  const cohortName = (row: StudentTotals) =>
    row.cohort || (wanted.sectionId ? 'No cohort' : `${className(row)}, no cohort`);
  const lines =
    wanted.grouping === 'student'
      ? studentLines(own, records, wanted)
      : groupLines(own, wanted.grouping === 'class' ? className : cohortName);
  const { of } = sortings[wanted.sorting];
  return of ? lines.toSorted((a, b) => of(a.totals) - of(b.totals)) : lines;
}
