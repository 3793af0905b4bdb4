import type Database from 'better-sqlite3';
import { erasedNames, withoutName, type ErasedNames } from '@slate-path/core/keeping/erasure/eraseNames';
import type { Erased } from '@slate-path/core/keeping/erasure/forget';
import { mayConcern } from '@slate-path/core/keeping/erasure/mayConcern';
import type { Guardian, Student } from '@slate-path/core/records/schema';
import { madeInSchool } from '../../scopes/access';
import { references, tableNames } from '@slate-path/core/records/tables';

export type Row = Record<string, unknown> & { id: string };

/** Whom an erasure is about: the names to look for, and the records that go. */
export interface Found {
  student: Student;
  names: ErasedNames;
  recordIds: Set<string>;
}

export function rowsOf(db: Database.Database, table: string, where: string, ...values: unknown[]): Row[] {
  return db.prepare(`SELECT * FROM "${table}" WHERE ${where}`).all(...values) as Row[];
}

function namesOf(db: Database.Database, teacherId: string, student: Student): ErasedNames {
  const people = rowsOf(db, 'student', madeInSchool, teacherId) as unknown as Student[];
  const guardians = rowsOf(db, 'guardian', madeInSchool, teacherId) as unknown as Guardian[];
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
function recordsOf(db: Database.Database, studentId: string): Set<string> {
  const ids = new Set<string>([studentId]);
  for (const table of tableNames) {
    const fields = Object.entries(references[table] ?? {}).filter(([, target]) => target === 'student');
    for (const [field] of fields)
      for (const { id } of rowsOf(db, table, `"${field}" = ?`, studentId)) ids.add(id);
  }
  const alone = db
    .prepare(
      `SELECT "noteId" AS id FROM "noteStudent" WHERE "studentId" = ? AND "noteId" NOT IN (SELECT "noteId" FROM "noteStudent" WHERE "studentId" <> ? AND NOT "removed")`,
    )
    .all(studentId, studentId) as Row[];
  for (const { id } of alone) {
    ids.add(id);
    for (const table of ['noteStudent', 'noteTopic', 'followUp'] as const)
      for (const link of rowsOf(db, table, '"noteId" = ?', id)) ids.add(link.id);
  }
  return ids;
}

/** @throws where there is no such student in this person's school */
export function findStudent(db: Database.Database, teacherId: string, studentId: string): Found {
  const [row] = rowsOf(db, 'student', `"id" = ? AND ${madeInSchool}`, studentId, teacherId);
  if (!row) throw new Error('There is no such student.');
  const student = row as unknown as Student;
  return { student, names: namesOf(db, teacherId, student), recordIds: recordsOf(db, studentId) };
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
