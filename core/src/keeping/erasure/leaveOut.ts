import type { RecordLists } from '../../records/records';
import type { Guardian, NoteStudent, RecordOf, Student, TableName } from '../../records/schema';
import { references, tableNames } from '../../records/tables';
import { erasedNames, withoutName } from './eraseNames';
import { forget } from './forget';
import { mayConcern } from './mayConcern';

type Line = RecordOf<TableName>;
const listed = <T extends TableName>(records: RecordLists, table: T) => records[table] ?? [];

/** The records of a student, and the notes that speak of nobody else with what hangs on them. */
function recordsOf(records: RecordLists, studentId: string): Set<string> {
  const ids = new Set([studentId]);
  const linesOf = (table: TableName) => listed(records, table) as unknown as Record<string, unknown>[];
  for (const table of tableNames)
    for (const [field, target] of Object.entries(references[table] ?? {}))
      if (target === 'student')
        for (const line of linesOf(table)) if (line[field] === studentId) ids.add(String(line['id']));
  const ties: NoteStudent[] = listed(records, 'noteStudent').filter(({ removed }) => !removed);
  const shared = new Set(ties.filter((tie) => tie.studentId !== studentId).map(({ noteId }) => noteId));
  for (const { noteId, studentId: of } of ties) if (of === studentId && !shared.has(noteId)) ids.add(noteId);
  for (const table of ['noteStudent', 'noteTopic', 'followUp'] as const)
    for (const { id, noteId } of listed(records, table)) if (ids.has(noteId)) ids.add(id);
  return ids;
}

function without(records: RecordLists, student: Student): RecordLists {
  const guardians: Guardian[] = listed(records, 'guardian');
  const theirs = guardians.filter(({ studentId }) => studentId === student.id);
  const names = erasedNames(
    student,
    listed(records, 'student').filter(({ id }) => id !== student.id),
    [student.email, student.schoolId, ...theirs.flatMap(({ name, email, phone }) => [name, email, phone])],
  );
  const recordIds = recordsOf(records, student.id);
  const erased = {
    studentId: student.id,
    recordIds,
    rename: (text: string) => withoutName(text, names),
  };
  const concerns = mayConcern(student.id, recordIds, names);
  const clean = (table: TableName) =>
    listed(records, table)
      .filter((line: Line) => !recordIds.has(line.id))
      .map((line: Line) =>
        table === 'student' || table === 'section' || !concerns(JSON.stringify(line))
          ? line
          : (forget(line, erased) as Line | null),
      )
      .filter((line) => line !== null);
  return Object.fromEntries(tableNames.map((table) => [table, clean(table)]));
}

/** Records of an archive without some students, as if they had been erased in it. */
export function leaveOut(records: RecordLists, studentIds: readonly string[]): RecordLists {
  const wanted = new Set(studentIds);
  return listed(records, 'student')
    .filter(({ id }) => wanted.has(id))
    .reduce(without, records);
}
