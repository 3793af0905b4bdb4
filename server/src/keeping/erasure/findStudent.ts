import { erasedNames, withoutName, type ErasedNames } from '@slate-path/core/keeping/erasure/eraseNames';
import type { Erased } from '@slate-path/core/keeping/erasure/forget';
import { mayConcern } from '@slate-path/core/keeping/erasure/mayConcern';
import type { Guardian, Student } from '@slate-path/core/records/schema';
import { references, tableNames } from '@slate-path/core/records/tables';
import type { Sql } from '../../database/sql';
import { madeInSchool } from '../../scopes/access';

export type Row = Record<string, unknown> & { id: string };

/** Whom an erasure is about: the names to look for, and the records that go. */
export interface Found {
  student: Student;
  names: ErasedNames;
  recordIds: Set<string>;
}

export function rowsOf(sql: Sql, table: string, where: string, ...values: unknown[]): Row[] {
  return sql.all<Row>(`SELECT * FROM "${table}" WHERE ${where}`, ...values);
}

function namesOf(sql: Sql, teacherId: string, student: Student): ErasedNames {
  const people = rowsOf(sql, 'student', madeInSchool, teacherId) as unknown as Student[];
  const guardians = rowsOf(sql, 'guardian', madeInSchool, teacherId) as unknown as Guardian[];
  const theirs = guardians.filter(({ studentId }) => studentId === student.id);
  const ofOthers = guardians.filter(({ studentId }) => studentId !== student.id);
  const others = [
    ...people.filter(({ id }) => id !== student.id),
    ...ofOthers.map(({ name }) => ({ givenName: name, familyName: '', called: '' })),
  ];
  // What a brother or sister has as well is theirs, and stays.
  const kept = new Set(ofOthers.flatMap(({ name, email, phone }) => [name, email, phone]));
  const exact = [
    student.email,
    student.schoolId,
    ...theirs.flatMap(({ name, email, phone }) => [name, email, phone]),
  ];
  return erasedNames(
    student,
    others,
    exact.filter((text) => !kept.has(text)),
  );
}

/** The student's records, and the notes that speak of nobody else with what hangs on them. */
function recordsOf(sql: Sql, studentId: string): Set<string> {
  const ids = new Set<string>([studentId]);
  for (const table of tableNames) {
    const fields = Object.entries(references[table] ?? {}).filter(([, target]) => target === 'student');
    for (const [field] of fields)
      for (const { id } of rowsOf(sql, table, `"${field}" = ?`, studentId)) ids.add(id);
  }
  const alone = sql.all<Row>(
    `SELECT "noteId" AS id FROM "noteStudent" WHERE "studentId" = ? AND "noteId" NOT IN (SELECT "noteId" FROM "noteStudent" WHERE "studentId" <> ? AND NOT "removed")`,
    studentId,
    studentId,
  );
  for (const { id } of alone) {
    ids.add(id);
    for (const table of ['noteStudent', 'noteTopic', 'followUp'] as const)
      for (const link of rowsOf(sql, table, '"noteId" = ?', id)) ids.add(link.id);
  }
  return ids;
}

/** @throws where there is no such student in this person's school */
export function findStudent(sql: Sql, teacherId: string, studentId: string): Found {
  const [row] = rowsOf(sql, 'student', `"id" = ? AND ${madeInSchool}`, studentId, teacherId);
  if (!row) throw new Error('There is no such student.');
  const student = row as unknown as Student;
  return { student, names: namesOf(sql, teacherId, student), recordIds: recordsOf(sql, studentId) };
}

/** How texts and records are cleaned of a student, with the quick look that spares most of them. */
export function cleaningOf(
  studentId: string,
  names: ErasedNames,
  recordIds: ReadonlySet<string>,
): Erased & { concerns: (text: string) => boolean } {
  return {
    studentId,
    recordIds,
    rename: (text) => withoutName(text, names),
    concerns: mayConcern(studentId, recordIds, names),
  };
}
