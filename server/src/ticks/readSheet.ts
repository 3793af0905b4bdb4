import { localMoment } from '@slate-path/core/calendar/zone';
import { isEnrolledOn } from '@slate-path/core/attendance/roll/totals';
import { byName, displayName, type NameOrder } from '@slate-path/core/people/names';
import type { Student, Tick, TickColumn } from '@slate-path/core/records/schema';
import { inSheetOrder } from '@slate-path/core/ticks/sheetTable';
import { notRemoved, RecordReader } from '../database/readRecords';

export interface SheetRequest {
  file: string;
  teacherId: string;
  sectionId: string;
  now: number;
  order: NameOrder;
}

/** A class's tick-sheet as it stands. */
export interface Sheet {
  school: string;
  className: string;
  teacher: string;
  /** At the school. */
  today: string;
  students: Student[];
  columns: TickColumn[];
  ticks: Record<string, Tick>;
}

/** Reads a class with its columns and what stands in them. */
export function readSheet({ file, teacherId, sectionId, now, order }: SheetRequest): Sheet {
  const reader = new RecordReader(file);
  try {
    const ofSection = `${notRemoved} AND "sectionId" = ?`;
    const [school] = reader.seenBy(teacherId, 'school', notRemoved);
    const [section] = reader.all('section', '"id" = ?', [sectionId]);
    const today = localMoment(now, school?.zone ?? 'UTC').date;
    const enrolments = reader.all('enrolment', ofSection, [sectionId]);
    const here = enrolments.filter((enrolment) => isEnrolledOn(enrolment, today));
    // Of a class that is over everybody has left.
    const ids = new Set((here.length > 0 ? here : enrolments).map(({ studentId }) => studentId));
    const ofClass = `${notRemoved} AND "id" IN (SELECT "studentId" FROM "enrolment" WHERE ${ofSection})`;
    const students = reader.all('student', ofClass, [sectionId]).filter(({ id }) => ids.has(id));
    const columns = reader.seenBy(teacherId, 'tickColumn', ofSection, [sectionId]);
    const inColumns = `${notRemoved} AND "columnId" IN (SELECT "id" FROM "tickColumn" WHERE ${ofSection})`;
    const ticks = reader.seenBy(teacherId, 'tick', inColumns, [sectionId]);
    const [person] = reader.rows<{ name: string }>('SELECT "name" FROM "teacher" WHERE "id" = ?', [
      teacherId,
    ]);
    return {
      ...{ school: school?.name ?? '', className: section?.name ?? '', teacher: person?.name ?? '', today },
      students: students.sort(byName(order)),
      columns: columns.sort(inSheetOrder),
      ticks: Object.fromEntries(ticks.map((tick) => [tick.id, tick])),
    };
  } finally {
    reader.close();
  }
}

export const asRow = (student: Student) => ({
  ...{ id: student.id, name: displayName(student), email: student.email },
});
