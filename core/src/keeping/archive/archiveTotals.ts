import { markId } from '../../attendance/roll/markId';
import { rollBookOf } from '../../attendance/roll/book';
import { studentTotals } from '../../attendance/roll/totals';
import { groupBy } from '../../records/groupBy';
import type { Lesson, Mark, Standing } from '../../records/schema';
import { clockTime, lessonOf } from './lessonOf';
import type { Archive, ArchiveRow } from './tables';

/** One enrolment's line of `slate totals`, in the names of the open format. */
export interface TotalsLine {
  student_id: string;
  section_id: string;
  lessons: number;
  taken: number;
  not_taken: number;
  here: number;
  late: number;
  left_early: number;
  away: number;
  excused: number;
  set_aside: number;
  credit: number;
  percent: number | null;
  minutes_missed: number;
  minutes_late: number;
}

function markOf(row: ArchiveRow<'roll'>, lesson: Lesson): Mark {
  return {
    id: markId(row.lesson_id, row.student_id),
    lessonId: row.lesson_id,
    studentId: row.student_id,
    standingId: row.standing_id,
    arrivedAt: clockTime(row.arrived_at, lesson),
    leftAt: clockTime(row.left_at, lesson),
    comment: row.comment,
    source: 'tap',
    removed: false,
  };
}

function standingOf(row: ArchiveRow<'standings'>, position: number): Standing {
  const { id, code, name, credit, excused } = row;
  return {
    id,
    code,
    name,
    countsAs: row.counts_as,
    credit,
    excused,
    position,
    mergedIntoId: null,
    removed: false,
  };
}

/** Every lesson of an archive is held (or set aside) by its status; the day after all of them. */
const afterwards = { date: '9999-12-31', time: '23:59' };

/**
 * Totals of every enrolment that touches a range of days, in the order of the archive, by the rules
 * of the format (5 minutes of grace, credit as the standing gives it).
 * @param from first day @param to last day, both count
 */
export function archiveTotals(archive: Archive, from: string, to: string): TotalsLine[] {
  const takenAt = new Map(archive.taken.map((row) => [row.lesson_id, row.taken_at]));
  const all = archive.lessons.filter((row) => row.status !== 'planned').map((row) => lessonOf(row, takenAt));
  const lessons = all.filter(({ date }) => from <= date && date <= to);
  const byId = new Map(lessons.map((lesson) => [lesson.id, lesson]));
  const book = rollBookOf({
    marks: archive.roll.flatMap((row) => {
      const lesson = byId.get(row.lesson_id);
      return lesson ? [markOf(row, lesson)] : [];
    }),
    standings: archive.standings.map(standingOf),
    sections: [],
    school: undefined,
  });
  const bySection = groupBy(lessons, ({ sectionId }) => sectionId);
  return archive.enrolments
    .filter((e) => (e.starts_on === null || e.starts_on <= to) && (e.ends_on === null || e.ends_on >= from))
    .map((row) => {
      const enrolment = { studentId: row.student_id, startsOn: row.starts_on, endsOn: row.ends_on };
      const totals = studentTotals(enrolment, bySection.get(row.section_id) ?? [], book, afterwards);
      return {
        student_id: row.student_id,
        section_id: row.section_id,
        lessons: totals.lessons,
        taken: totals.taken,
        not_taken: totals.notTaken,
        here: totals.here,
        late: totals.late,
        left_early: totals.leftEarly,
        away: totals.away,
        excused: totals.excused,
        set_aside: totals.setAside,
        credit: totals.credit,
        percent: totals.percent,
        minutes_missed: totals.minutesMissed,
        minutes_late: totals.minutesLate,
      };
    });
}
