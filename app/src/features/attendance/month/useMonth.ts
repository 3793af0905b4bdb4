import { useMemo } from 'react';
import { monthSpan } from '@slate-path/core/calendar/localTime';
import type { Enrolment, Lesson, Student } from '@slate-path/core/records/schema';
import {
  isEnrolledOn,
  lessonCounts,
  presenceIn,
  studentTotals,
  type Totals,
} from '@slate-path/core/attendance/roll/totals';
import type { RollCounts } from '@slate-path/core/attendance/roll/rollCounts';
import { markId } from '@slate-path/core/attendance/roll/markId';
import { presenceSpoken } from '@slate-path/core/attendance/roll/words';
import type { BarShape } from '../../../parts/PresenceBar';
import { rollBook, useAllLessons } from '../lesson/lessons';
import { barShape } from '@slate-path/core/attendance/roll/barShape';
import { byStudent, useNameOrder } from '../../../sync/nameOrder';
import { useNow } from '../../../sync/clock';
import { useLevelNames } from '../../observation/sweep/sweeping';
import { useRecords } from '../../../sync/useRecords';

/** One student in one lesson of the month; null where the student was not in the class. */
export interface MonthEntry {
  shape: BarShape;
  words: string;
  /** How engaged the student was, where the lesson was swept. */
  level: number | null;
}

export interface MonthRow {
  student: Student;
  enrolment: Enrolment;
  entries: (MonthEntry | null)[];
  totals: Totals;
}

export interface MonthOfClass {
  lessons: Lesson[];
  rows: MonthRow[];
  counts: (RollCounts | null)[];
}

/** A class's month from the records on this device, with changes not yet sent on top. */
export function useMonth(sectionId: string, month: string): MonthOfClass {
  const all = useAllLessons();
  const now = useNow();
  const order = useNameOrder();
  const students = useRecords((state) => state.current.student);
  const enrolments = useRecords((state) => state.current.enrolment);
  const book = useRecords((state) => rollBook(state.current));
  const sweeps = useRecords((state) => state.current.sweep);
  const levelNames = useLevelNames();
  return useMemo(() => {
    const { from, to } = monthSpan(month);
    const lessons = all.filter((l) => l.sectionId === sectionId && from <= l.date && l.date <= to);
    const inClass = Object.values(enrolments).filter(
      (e) =>
        !e.removed &&
        e.sectionId === sectionId &&
        (e.startsOn === null || e.startsOn <= to) &&
        (e.endsOn === null || e.endsOn >= from),
    );
    const entryOf = (lesson: Lesson, enrolment: Enrolment): MonthEntry | null => {
      if (!isEnrolledOn(enrolment, lesson.date)) return null;
      if (lesson.setAside) return { shape: { kind: 'setAside' }, words: 'set aside', level: null };
      const swept = sweeps[markId(lesson.id, enrolment.studentId)];
      const level = swept && !swept.removed ? swept.level : null;
      const rowed = level === null ? '' : `, ${levelNames[level]?.toLowerCase() ?? ''}`;
      const presence = presenceIn(lesson, enrolment.studentId, book);
      if (!presence) return { shape: { kind: 'nothing' }, words: `not taken${rowed}`, level };
      const mark = book.marks[markId(lesson.id, enrolment.studentId)];
      const standing = mark?.standingId ? book.standings[mark.standingId] : undefined;
      return { shape: barShape(presence), words: presenceSpoken(presence, mark, standing) + rowed, level };
    };
    const rows = inClass
      .flatMap((enrolment) => {
        const student = students[enrolment.studentId];
        if (!student || student.removed) return [];
        const entries = lessons.map((lesson) => entryOf(lesson, enrolment));
        return [{ student, enrolment, entries, totals: studentTotals(enrolment, lessons, book, now) }];
      })
      .sort(byStudent(order));
    const counts = lessons.map((lesson) => lessonCounts(lesson, inClass, book));
    return { lessons, rows, counts };
  }, [all, students, enrolments, book, sweeps, levelNames, now, sectionId, month, order]);
}
