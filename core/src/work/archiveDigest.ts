import type { Archive } from '../keeping/archive/tables';
import { digestOf, type ClassDigest, type PieceDigest, type StudentDigest } from './digest';
import type { PieceCounts } from './pieceStatus';
import { rollUp } from './rollUp';
import { endOfDay, wholeMoment } from './wholeMoment';

export interface DigestQuery {
  sectionId: string;
  from: string;
  to: string;
  kind?: string;
  place?: string;
  /** A local moment; without it the end of the last day. */
  asOf?: string;
  zone: string;
}

const countsOf = ({ on_time, late, missing, excused, not_due, unknown }: PieceCounts): PieceCounts => ({
  on_time,
  late,
  missing,
  excused,
  not_due,
  unknown,
});

const studentLine = (student: StudentDigest) => ({
  student_id: student.studentId,
  actions: student.actions,
  active_days: student.activeDays,
  seconds: student.seconds,
  by_kind: { ...student.byKind },
  by_place: { ...student.byPlace },
  first_at: student.firstAt,
  last_at: student.lastAt,
  pieces: student.pieces,
  ...countsOf(student),
  percent: student.percent,
});

const pieceLine = (piece: PieceDigest) => ({
  work_id: piece.workId,
  ...countsOf(piece),
  waiting: piece.waiting,
  feedback_days_median: piece.feedbackDaysMedian,
  percent_median: piece.percentMedian,
});

const classLine = (all: ClassDigest) => ({
  class: true,
  students: all.students,
  active: all.active,
  actions: all.actions,
  pieces: all.pieces,
  ...countsOf(all),
  waiting: all.waiting,
  feedback_days_median: all.feedbackDaysMedian,
  feedback_days_mean: all.feedbackDaysMean,
  percent_mean: all.percentMean,
});

/**
 * The lines of `slate digest`, in the names of the open format: one a student whose enrolment touches the range, one
 * a piece of work that is due in it, one of the class. From the archive alone, and nothing later than `asOf`.
 */
export function archiveDigest(archive: Archive, query: DigestQuery): object[] {
  const { sectionId, from, to, kind, place, zone } = query;
  const asOf = wholeMoment(query.asOf ?? endOfDay(to));
  const actions = archive.activity
    .filter((row) => row.section_id === sectionId && wholeMoment(row.at) <= asOf)
    .filter(
      (row) => (kind === undefined || row.kind === kind) && (place === undefined || row.place === place),
    )
    .map((row) => ({ ...row, studentId: row.student_id }));
  const ofSection = archive.work.filter((row) => row.section_id === sectionId);
  const ids = new Set(ofSection.map(({ id }) => id));
  const { students, pieces, all } = digestOf(
    {
      enrolments: archive.enrolments
        .filter((row) => row.section_id === sectionId)
        .map((row) => ({ studentId: row.student_id, startsOn: row.starts_on, endsOn: row.ends_on })),
      work: ofSection.map((row) => ({ ...row, assignedAt: row.assigned_at, dueAt: row.due_at })),
      handIns: archive.hand_ins
        .filter((row) => ids.has(row.work_id))
        .map((row) => ({
          workId: row.work_id,
          studentId: row.student_id,
          status: row.status,
          handedInAt: row.handed_in_at,
          handedBackAt: row.handed_back_at,
          score: row.score,
        })),
      activity: rollUp(actions),
    },
    { from, to, asOf, zone },
  );
  return [...students.map(studentLine), ...pieces.map(pieceLine), classLine(all)];
}
