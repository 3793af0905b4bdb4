import { useMemo } from 'react';
import { addressOf } from '@slate-path/core/api/address';
import { isEnrolledOn, presenceIn, wasHeld } from '@slate-path/core/attendance/roll/totals';
import { groupBy } from '@slate-path/core/records/groupBy';
import { listOf } from '@slate-path/core/records/records';
import type { Lesson, Student } from '@slate-path/core/records/schema';
import { digestOf, isFor, type Digest, type StudentDigest } from '@slate-path/core/work/digest';
import { statusOf, type PieceStatus } from '@slate-path/core/work/pieceStatus';
import { seenOf, type Seen } from '@slate-path/core/work/seen';
import type { BarShape } from '../../parts/PresenceBar';
import { schoolDaysIn } from './schoolDays';
import { useNow, zoneOf } from '../../sync/clock';
import { useRecords } from '../../sync/useRecords';
import { useView } from '../../sync/views';
import { barShape } from '@slate-path/core/attendance/roll/barShape';
import { rollBook, useAllLessons } from '../attendance/lesson/lessons';
import { useClassList } from '../people/class/ofClass';

/** A day on which a student did something elsewhere. */
export interface DoneDay {
  day: string;
  count: number;
  hours: number;
}

/** One student's two rails: in the room, and elsewhere. */
export interface RailRow {
  student: Student;
  seen: Seen;
  digest: StudentDigest | undefined;
  lessons: { lesson: Lesson; shape: BarShape }[];
  done: readonly DoneDay[];
  pieces: { workId: string; dueAt: string; status: PieceStatus }[];
}

interface Asked {
  from: string;
  to: string;
  kind?: string;
  place?: string;
}

/** Work and activity of a class over some days: what the server has added up, with the pieces of work as they are here. */
export function useClassWork(sectionId: string, asked: Asked) {
  const { from, to, kind, place } = asked;
  const now = useNow();
  const { present } = useClassList(sectionId);
  const lessons = useAllLessons();
  const { state, answer } = useView(
    addressOf('classWork', { sectionId, from, to, ...(kind && { kind }), ...(place && { place }) }),
  );
  // The marks of older lessons come when they are asked for.
  useView(addressOf('lessons', { from, to }));
  const current = useRecords((records) => records.current);
  const book = useRecords((records) => rollBook(records.current));
  const found = useMemo(() => {
    const days = answer?.days ?? [];
    const asOf = `${now.date}T${now.time}:59`;
    const work = listOf(current, 'work').filter((one) => one.sectionId === sectionId);
    const ids = new Set(work.map(({ id }) => id));
    const handIns = listOf(current, 'handIn').filter(({ workId }) => ids.has(workId));
    const handedBy = new Map(handIns.map((one) => [`${one.workId} ${one.studentId}`, one]));
    const enrolments = present.map(({ enrolment }) => enrolment);
    const digest: Digest = digestOf(
      {
        enrolments,
        work,
        handIns,
        activity: days.map((day) => ({ kind: '', place: '', ...day })),
      },
      {
        ...{ from, to, asOf, zone: zoneOf(Object.values(current.school)[0]) },
        isSchoolDay: schoolDaysIn(current),
      },
    );
    const digests = new Map(digest.students.map((one) => [one.studentId, one]));
    const daysOf = groupBy(days, ({ studentId }) => studentId);
    const before = new Map(answer?.before.map((one) => [one.studentId, one]));
    const held = lessons.filter(
      (one) => one.sectionId === sectionId && from <= one.date && one.date <= to && wasHeld(one, now),
    );
    const due = work.flatMap(({ id, dueAt, studentId }) => {
      const day = dueAt?.slice(0, 10);
      return dueAt && day && from <= day && day <= to ? [{ workId: id, dueAt, day, studentId }] : [];
    });
    const rows = present
      .filter(({ enrolment: { startsOn, endsOn } }) => (startsOn ?? from) <= to && (endsOn ?? to) >= from)
      .map(({ student, enrolment }): RailRow => {
        const done = daysOf.get(student.id) ?? [];
        const usual = before.get(student.id) ?? { days: 0, lastOn: null };
        return {
          student,
          seen: seenOf(done, usual, { from, to: to < now.date ? to : now.date }),
          digest: digests.get(student.id),
          lessons: held
            .filter((lesson) => isEnrolledOn(enrolment, lesson.date))
            .map((lesson) => ({
              lesson,
              shape: lesson.setAside
                ? ({ kind: 'setAside' } as const)
                : barShape(presenceIn(lesson, student.id, book)),
            })),
          done,
          pieces: due
            .filter((piece) => isFor(piece, student.id) && isEnrolledOn(enrolment, piece.day))
            .map(({ workId, dueAt }) => {
              const handed = handedBy.get(`${workId} ${student.id}`);
              return { workId, dueAt, status: statusOf(dueAt, handed, asOf) };
            }),
        };
      });
    return { rows, digest, work };
  }, [answer, book, current, from, lessons, now, present, sectionId, to]);
  return { ...found, state, answer };
}

/** Seen least first; those of one kind stay in the order of names. */
export function leastSeenFirst(rows: readonly RailRow[]): RailRow[] {
  const rankOf = ({ seen }: RailRow) => (seen.isUnusual ? -1 : seen.days);
  return rows.toSorted((a, b) => rankOf(a) - rankOf(b));
}
