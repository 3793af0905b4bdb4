import { groupBy } from '../records/groupBy';
import type { HandIn, Work } from '../records/schema';
import { mean } from '../statistics/mean';
import { median } from '../statistics/median';
import { Enrolled, type Membership } from './enrolled';
import { feedbackDays, feedbackSchoolDays, isWaiting } from './feedback';
import { countStatuses, statusOf, type PieceCounts, type PieceStatus } from './pieceStatus';
import type { ActivityDay } from './rollUp';
import { knownScore, scorePercent, weightedPercent } from './scores';

export type Piece = Pick<Work, 'id' | 'title' | 'assignedAt' | 'dueAt' | 'points'> &
  Partial<Pick<Work, 'studentId'>>;
export type Handed = Pick<
  HandIn,
  'workId' | 'studentId' | 'status' | 'handedInAt' | 'handedBackAt' | 'score'
>;

/** What a digest is made of, all of one class. */
export interface DigestRows {
  enrolments: readonly Membership[];
  work: readonly Piece[];
  handIns: readonly Handed[];
  /** By student, day, kind and place; already narrowed to what is asked for. */
  activity: readonly ActivityDay[];
}

export interface DigestRange {
  /** First and last day, local; both count. */
  from: string;
  to: string;
  /** The local moment after which nothing is known. */
  asOf: string;
  /** IANA name of the school's zone. */
  zone: string;
  graceMinutes?: number;
  /** Where it is known on which days there is school. */
  isSchoolDay?: (date: string) => boolean;
}

export interface StudentDigest extends PieceCounts {
  studentId: string;
  actions: number;
  activeDays: number;
  seconds: number;
  byKind: Record<string, number>;
  byPlace: Record<string, number>;
  firstAt: string | null;
  lastAt: string | null;
  pieces: number;
  percent: number | null;
}

export interface PieceDigest extends PieceCounts {
  workId: string;
  waiting: number;
  feedbackDaysMedian: number | null;
  /** Null too where the school days are not known. */
  feedbackSchoolDaysMedian: number | null;
  percentMedian: number | null;
}

export interface ClassDigest extends PieceCounts {
  students: number;
  /** Students with an action. */
  active: number;
  actions: number;
  /** Of all students together. */
  pieces: number;
  waiting: number;
  feedbackDaysMedian: number | null;
  feedbackSchoolDaysMedian: number | null;
  feedbackDaysMean: number | null;
  percentMean: number | null;
}

export interface Digest {
  students: StudentDigest[];
  pieces: PieceDigest[];
  all: ClassDigest;
}

/** How one piece stands for one student in the range. */
interface Part {
  studentId: string;
  piece: Piece;
  handed: Handed | undefined;
  status: PieceStatus;
}

const keyOf = (workId: string, studentId: string) => JSON.stringify([workId, studentId]);

/** Is a piece set for a student: their own, or one of everybody in the class? */
export const isFor = ({ studentId = null }: Partial<Pick<Work, 'studentId'>>, whom: string): boolean =>
  studentId === null || studentId === whom;

/** Every piece that is due in the range, for each student who is in the class on that day and for whom it is. */
function partsOf(rows: DigestRows, enrolled: Enrolled, range: DigestRange): Part[] {
  const handed = new Map(rows.handIns.map((row) => [keyOf(row.workId, row.studentId), row]));
  return dueIn(rows.work, range).flatMap((piece) =>
    enrolled.studentIds
      .filter((id) => isFor(piece, id) && enrolled.isIn(id, (piece.dueAt ?? '').slice(0, 10)))
      .map((studentId) => {
        const found = handed.get(keyOf(piece.id, studentId));
        const status = statusOf(piece.dueAt, found, range.asOf, range.graceMinutes);
        return { studentId, piece, handed: found, status };
      }),
  );
}

/** Pieces whose due day lies in a range. */
function dueIn(work: readonly Piece[], { from, to }: DigestRange): Piece[] {
  return work.filter(({ dueAt }) => {
    const day = dueAt?.slice(0, 10);
    return day !== undefined && from <= day && day <= to;
  });
}

function addTo(sums: Record<string, number>, key: string, count: number): void {
  sums[key] = (sums[key] ?? 0) + count;
}

function studentDigest(
  studentId: string,
  days: readonly ActivityDay[],
  parts: readonly Part[],
  asOf: string,
): StudentDigest {
  const sums = {
    actions: 0,
    seconds: 0,
    // Without a prototype: a kind may be called anything.
    byKind: Object.create(null) as Record<string, number>,
    byPlace: Object.create(null) as Record<string, number>,
    firstAt: null as string | null,
    lastAt: null as string | null,
  };
  for (const { kind, place, count, seconds, first, last } of days) {
    sums.actions += count;
    sums.seconds += seconds;
    addTo(sums.byKind, kind, count);
    addTo(sums.byPlace, place, count);
    if (sums.firstAt === null || first < sums.firstAt) sums.firstAt = first;
    if (sums.lastAt === null || last > sums.lastAt) sums.lastAt = last;
  }
  return {
    studentId,
    ...sums,
    activeDays: new Set(days.map(({ day }) => day)).size,
    pieces: parts.length,
    ...countStatuses(parts.map(({ status }) => status)),
    percent: weightedPercent(
      parts.map(({ piece, handed }) => ({
        score: handed ? knownScore(handed, asOf) : null,
        points: piece.points,
      })),
    ),
  };
}

/** What one student does alone is done when it is finished: nobody hands it back. */
const waitingIn = (parts: readonly Part[], asOf: string) =>
  parts.filter(({ piece, handed }) => !piece.studentId && handed && isWaiting(handed, asOf)).length;

const feedbackIn = (parts: readonly Part[], { asOf, zone }: DigestRange) =>
  parts.flatMap(({ handed }) => (handed ? (feedbackDays(handed, asOf, zone) ?? []) : []));

const schoolDaysIn = (parts: readonly Part[], { asOf, isSchoolDay }: DigestRange) =>
  isSchoolDay === undefined
    ? []
    : parts.flatMap(({ handed }) => (handed ? (feedbackSchoolDays(handed, asOf, isSchoolDay) ?? []) : []));

function pieceDigest(piece: Piece, parts: readonly Part[], range: DigestRange): PieceDigest {
  const percents = parts.flatMap(({ handed }) =>
    handed ? (scorePercent(knownScore(handed, range.asOf), piece.points) ?? []) : [],
  );
  return {
    workId: piece.id,
    ...countStatuses(parts.map(({ status }) => status)),
    waiting: waitingIn(parts, range.asOf),
    feedbackDaysMedian: median(feedbackIn(parts, range)),
    feedbackSchoolDaysMedian: median(schoolDaysIn(parts, range)),
    percentMedian: median(percents),
  };
}

function classDigest(
  students: readonly StudentDigest[],
  parts: readonly Part[],
  range: DigestRange,
): ClassDigest {
  const feedback = feedbackIn(parts, range);
  return {
    students: students.length,
    active: students.filter(({ actions }) => actions > 0).length,
    actions: students.reduce((sum, { actions }) => sum + actions, 0),
    pieces: parts.length,
    ...countStatuses(parts.map(({ status }) => status)),
    waiting: waitingIn(parts, range.asOf),
    feedbackDaysMedian: median(feedback),
    feedbackSchoolDaysMedian: median(schoolDaysIn(parts, range)),
    feedbackDaysMean: mean(feedback),
    percentMean: mean(students.flatMap(({ percent }) => percent ?? [])),
  };
}

/**
 * Work and activity of a class in a range of days: by student, by piece of work, and in all. Activity counts on days
 * of the student's enrolment, a piece where its due day lies in the range and in it.
 */
export function digestOf(rows: DigestRows, range: DigestRange): Digest {
  const enrolled = new Enrolled(rows.enrolments, range.from, range.to);
  const parts = partsOf(rows, enrolled, range);
  const byStudent = groupBy(parts, ({ studentId }) => studentId);
  const byPiece = groupBy(parts, ({ piece }) => piece.id);
  const days = groupBy(
    rows.activity.filter(
      ({ studentId, day }) => range.from <= day && day <= range.to && enrolled.isIn(studentId, day),
    ),
    ({ studentId }) => studentId,
  );
  const students = enrolled.studentIds.map((id) =>
    studentDigest(id, days.get(id) ?? [], byStudent.get(id) ?? [], range.asOf),
  );
  const pieces = dueIn(rows.work, range).map((piece) =>
    pieceDigest(piece, byPiece.get(piece.id) ?? [], range),
  );
  return { students, pieces, all: classDigest(students, parts, range) };
}
