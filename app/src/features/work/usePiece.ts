import { useMemo } from 'react';
import { addressOf } from '@slate-path/core/api/address';
import { addDays } from '@slate-path/core/calendar/localTime';
import { isEnrolledOn } from '@slate-path/core/attendance/roll/totals';
import { listOf } from '@slate-path/core/records/records';
import type { HandIn, Student, Work } from '@slate-path/core/records/schema';
import { digestOf, isFor, type PieceDigest } from '@slate-path/core/work/digest';
import { noPieces, statusOf, type PieceStatus } from '@slate-path/core/work/pieceStatus';
import { knownScore } from '@slate-path/core/work/scores';
import { isWaiting } from '@slate-path/core/work/feedback';
import { schoolDaysIn } from './schoolDays';
import { useNow, zoneOf } from '../../sync/clock';
import { useRecords } from '../../sync/useRecords';
import { useView } from '../../sync/views';
import { useClassList } from '../people/class/ofClass';

/** One student's part of a piece of work, as it stands now. */
export interface Part {
  student: Student;
  handIn: HandIn | undefined;
  status: PieceStatus;
  waits: boolean;
  /** As far as it is known now. */
  score: number | null;
  /** In letters or words. */
  written: string | null;
}

export interface PieceNow {
  work: Work;
  parts: Part[];
  digest: Omit<PieceDigest, 'workId'>;
}

/** Pieces of work reach back about a school year. */
const daysBack = 330;

/** Every piece of work of a class with everybody's part, the one that is due last first. */
export function usePieces(sectionId: string): { state: string; pieces: PieceNow[] } {
  const now = useNow();
  const { present } = useClassList(sectionId);
  const current = useRecords((records) => records.current);
  const { state } = useView(
    addressOf('classWork', { sectionId, from: addDays(now.date, -daysBack), to: now.date }),
  );
  return useMemo(() => {
    const asOf = `${now.date}T${now.time}:59`;
    const zone = zoneOf(Object.values(current.school)[0]);
    const isSchoolDay = schoolDaysIn(current);
    const work = listOf(current, 'work').filter((one) => one.sectionId === sectionId);
    const handed = new Map(listOf(current, 'handIn').map((one) => [`${one.workId} ${one.studentId}`, one]));
    const pieces = work.map((piece): PieceNow => {
      const day = piece.dueAt?.slice(0, 10) ?? now.date;
      const inClass = present.filter(
        ({ enrolment, student }) => isFor(piece, student.id) && isEnrolledOn(enrolment, day),
      );
      const parts = inClass.map(({ student }): Part => {
        const handIn = handed.get(`${piece.id} ${student.id}`);
        const status = statusOf(piece.dueAt, handIn, asOf);
        return {
          ...{ student, handIn, status },
          waits: piece.studentId === null && handIn !== undefined && isWaiting(handIn, asOf),
          score: handIn ? knownScore(handIn, asOf) : null,
          written: handIn?.written ?? null,
        };
      });
      // A piece without a day is counted as if it were due now, but is never late.
      const [found] = digestOf(
        {
          enrolments: inClass.map(({ enrolment }) => enrolment),
          work: [{ ...piece, dueAt: piece.dueAt ?? `${now.date}T23:59:59` }],
          handIns: parts.flatMap(({ handIn }) => handIn ?? []),
          activity: [],
        },
        { from: day, to: day, asOf, zone, isSchoolDay },
      ).pieces;
      const digest = found ?? noDigest;
      return { work: piece, parts, digest };
    });
    const order = ({ work: { dueAt } }: PieceNow) => dueAt ?? '9';
    return { state, pieces: pieces.sort((a, b) => (order(a) < order(b) ? 1 : -1)) };
  }, [current, now, present, sectionId, state]);
}

const noDigest = {
  ...noPieces(),
  ...{ waiting: 0, feedbackDaysMedian: null, feedbackSchoolDaysMedian: null, percentMedian: null },
};
