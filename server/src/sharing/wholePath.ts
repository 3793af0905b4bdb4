import { textForReader } from '@slate-path/core/notes/forReader';
import { groupBy } from '@slate-path/core/records/groupBy';
import type { Note, NoteStudent, RecordOf, TableName } from '@slate-path/core/records/schema';
import { recordOfColumns } from '../database/rowSql';
import type { Sql } from '../database/sql';
import { daysInClasses } from '../work/readActivity';

/** The classes that a student is or was in. */
const theirClasses = `(SELECT "sectionId" FROM "enrolment" WHERE "studentId" = ? AND NOT "removed")`;

type Columns = Record<string, unknown>;

/** A class of a student, and who teaches it. */
export interface Taught {
  sectionId: string;
  name: string;
  teachers: string[];
}

/** The classes that a student is or was in. */
export function classesOf(sql: Sql, studentId: string): Taught[] {
  const rows = sql.all<{ id: string; name: string; teacher: string | null }>(
    `SELECT c."id", c."name", t."name" AS "teacher" FROM "section" c LEFT JOIN "teaching" g ON g."sectionId" = c."id" AND g."role" = 'teacher' AND g."endedAt" IS NULL AND g."endsOn" IS NULL LEFT JOIN "teacher" t ON t."id" = g."personId" WHERE NOT c."removed" AND c."id" IN ${theirClasses} ORDER BY c."name", c."id", t."name"`,
    studentId,
  );
  return [...groupBy(rows, ({ id }) => id)].map(([sectionId, of]) => ({
    sectionId,
    name: of[0]?.name ?? '',
    teachers: of.flatMap(({ teacher }) => teacher ?? []),
  }));
}

function nameOf(sql: Sql, personId: string): string {
  return sql.get<{ name: string }>('SELECT "name" FROM "teacher" WHERE "id" = ?', personId)?.name ?? '';
}

/** Rows of a table that are kept. @param where over its columns, with `?` for the values */
function rowsOf(sql: Sql, table: TableName, where: string, ...values: unknown[]): Columns[] {
  return sql.all<Columns>(`SELECT "${table}".* FROM "${table}" WHERE NOT "removed" AND ${where}`, ...values);
}

function read<T extends TableName>(sql: Sql, table: T, where: string, ...values: unknown[]): RecordOf<T>[] {
  return rowsOf(sql, table, where, ...values).map((columns) => recordOfColumns(table, columns));
}

/** Notes as somebody may read them who knows one student of them only: the others by their initials. */
function masked(sql: Sql, notes: readonly Note[], studentId: string) {
  const ids = JSON.stringify(notes.map(({ id }) => id));
  const links = read(sql, 'noteStudent', '"noteId" IN (SELECT "value" FROM json_each(?))', ids);
  const byNote = groupBy(links, ({ noteId }) => noteId);
  const mentionsOf = (noteId: string) =>
    (byNote.get(noteId) ?? []).flatMap(({ studentId: who, spans }) =>
      read(sql, 'student', '"id" = ?', who).map((student) => ({ student, spans })),
    );
  const note = notes.map((one): Note => ({
    ...one,
    text: textForReader({ ...one, mentions: mentionsOf(one.id) }, studentId),
    doubts: [],
  }));
  // Where a name stands is another place once others were taken out.
  const noteStudent = links
    .filter((link) => link.studentId === studentId)
    .map((link): NoteStudent => ({ ...link, spans: [] }));
  return { note, noteStudent };
}

/**
 * Everything that the classes of a student have recorded of them: what each teacher sees on their own part of the
 * path, together. What is somebody's own belongs to no class, and is not in it.
 */
export function wholePath(sql: Sql, studentId: string) {
  const ofThem = <T extends TableName>(table: T) =>
    read(sql, table, `"studentId" = ? AND "scopeId" IN ${theirClasses}`, studentId, studentId);
  const ofClasses = [studentId, studentId];
  const steps = rowsOf(sql, 'step', `"studentId" = ? AND "scopeId" IN ${theirClasses}`, ...ofClasses);
  const notes = rowsOf(
    sql,
    'note',
    `"scopeId" IN ${theirClasses} AND "id" IN (SELECT "noteId" FROM "noteStudent" WHERE "studentId" = ? AND NOT "removed")`,
    ...ofClasses,
  );
  const tally = ofThem('tally');
  const lookForIds = JSON.stringify([...new Set(tally.map(({ lookForId }) => lookForId))]);
  const path = {
    student: read(sql, 'student', '"id" = ?', studentId),
    guardian: read(sql, 'guardian', '"studentId" = ?', studentId),
    section: read(sql, 'section', `"id" IN ${theirClasses}`, studentId),
    enrolment: read(sql, 'enrolment', '"studentId" = ?', studentId),
    lesson: read(sql, 'lesson', `"sectionId" IN ${theirClasses}`, studentId),
    mark: ofThem('mark'),
    checkIn: ofThem('checkIn'),
    otherCheckIn: ofThem('otherCheckIn'),
    sweep: ofThem('sweep'),
    tally,
    lookFor: read(sql, 'lookFor', '"id" IN (SELECT "value" FROM json_each(?))', lookForIds),
    step: steps.map((columns) => recordOfColumns('step', columns)),
    work: read(
      sql,
      'work',
      `"id" IN (SELECT "workId" FROM "handIn" WHERE "studentId" = ?) AND "scopeId" IN ${theirClasses}`,
      ...ofClasses,
    ),
    handIn: ofThem('handIn'),
    ...masked(
      sql,
      notes.map((columns) => recordOfColumns('note', columns)),
      studentId,
    ),
  };
  const writers = Object.fromEntries(
    [...steps, ...notes].map(({ id, teacherId }) => [String(id), nameOf(sql, String(teacherId))]),
  );
  const elsewhere = daysInClasses(sql, studentId, theirClasses);
  return { path, elsewhere, classes: classesOf(sql, studentId), writers };
}
