import { blanked } from '@slate-path/core/keeping/erasure/eraseNames';
import { forget } from '@slate-path/core/keeping/erasure/forget';
import type { Span } from '@slate-path/core/notes/searchTerms';
import { displayName } from '@slate-path/core/people/names';
import type { TableName } from '@slate-path/core/records/schema';
import { references, tableNames } from '@slate-path/core/records/tables';
import { forgetUnused } from '../../database/activity/tables';
import { ownColumns } from '../../database/columns';
import type { Sql } from '../../database/sql';
import { madeInSchool } from '../../scopes/access';
import { forgetCardsOf } from '../../sharing/ownView/cards';
import { forgetLetters, letterIdsAbout } from '../../people/messages/letters';
import { forgetPagesOf } from '../../sharing/readerPages/pages';
import { forgetInFeeds } from '../../work/feed/forgotten';
import { cleaningOf, rowsOf, type Found, type Row } from './findStudent';

/** What is erased of the records, or would be. */
export interface ErasedRecords {
  name: string;
  /** Records that go, by kind. */
  gone: { table: TableName; count: number }[];
  /** Records of others and of the class in which the name was blanked. */
  cleaned: { table: TableName; count: number }[];
  /** Words of the name that others have as well: where they stand alone in a text, they stay. */
  shared: string[];
  /** Letters whose copies are to be deleted. */
  letterIds: string[];
}

/**
 * Other people's own records are theirs; and what a school and its classes are called is about nobody: a
 * class "Green group" keeps its name when a student Green is erased.
 */
const untouched: ReadonlySet<TableName> = new Set([
  'student',
  'guardian',
  'school',
  'term',
  'dayOff',
  'section',
  'meeting',
  'standing',
  'lookFor',
  'focus',
  'levelNames',
] as const);

type Cleaned = { id: string; values: [column: string, value: unknown][] };

/** The rows of a school's table in which something of the student stands, with what is written instead. */
function* toClean(
  sql: Sql,
  table: TableName,
  teacherId: string,
  { recordIds, names, student }: Found,
): Generator<Cleaned> {
  const cleaning = cleaningOf(student.id, names, recordIds);
  const columns = Object.entries(ownColumns[table]);
  const texts = columns
    .filter(([name, { type }]) => type === 'text' && !references[table]?.[name])
    .map(([name]) => name);
  const lists = columns.filter(([, { type }]) => type === 'simple-json').map(([name]) => name);
  if (texts.length + lists.length === 0) return;
  const spans = table === 'note' ? placesByNote(sql, student.id) : new Map<string, Span[]>();
  const cleanText = (row: Row, name: string) => {
    const value = row[name];
    if (typeof value !== 'string') return value;
    const places = name === 'text' ? spans.get(row.id) : undefined;
    const shown = places ? blanked(value, places) : value;
    return cleaning.concerns(shown) ? cleaning.rename(shown) : shown;
  };
  const cleanList = (value: unknown) => {
    const text = String(value);
    return cleaning.concerns(text) ? JSON.stringify(forget(JSON.parse(text), cleaning)) : text;
  };
  for (const row of sql.each<Row>(`SELECT * FROM "${table}" WHERE ${madeInSchool}`, teacherId)) {
    if (recordIds.has(row.id)) continue;
    const values = [
      ...texts.map((name): [string, unknown] => [name, cleanText(row, name)]),
      ...lists.map((name): [string, unknown] => [name, cleanList(row[name])]),
    ].filter(([name, value]) => value !== row[name]);
    if (values.length > 0) yield { id: row.id, values };
  }
}

/** Where notes name the student, as the teacher or the reading tied it. */
function placesByNote(sql: Sql, studentId: string): Map<string, Span[]> {
  return new Map(
    rowsOf(sql, 'noteStudent', '"studentId" = ?', studentId).map(({ noteId, spans }) => [
      String(noteId),
      JSON.parse(String(spans)) as Span[],
    ]),
  );
}

/** What would go and be cleaned; nothing is written. */
export function surveyRecords(sql: Sql, teacherId: string, found: Found): ErasedRecords {
  const { student, names, recordIds } = found;
  const gone: ErasedRecords['gone'] = [];
  const cleaned: ErasedRecords['cleaned'] = [];
  const letterIds: string[] = [];
  const has = (table: TableName, id: string) =>
    sql.get(`SELECT 1 FROM "${table}" WHERE "id" = ? AND ${madeInSchool}`, id, teacherId) !== undefined;
  for (const table of tableNames) {
    const ids = [...recordIds].filter((id) => has(table, id));
    if (ids.length > 0) gone.push({ table, count: ids.length });
    const others = untouched.has(table) ? [] : [...toClean(sql, table, teacherId, found)].map(({ id }) => id);
    if (others.length > 0) cleaned.push({ table, count: others.length });
    if (table === 'message') letterIds.push(...[...ids, ...others].flatMap((id) => letterIdsAbout(sql, id)));
  }
  return { name: displayName(student), gone, cleaned, shared: names.shared, letterIds };
}

/** Deletes the student's rows and cleans those of others, in the transaction that is open. */
export function eraseRows(sql: Sql, teacherId: string, found: Found): void {
  forgetInFeeds(sql, teacherId, found.student);
  for (const table of tableNames) {
    if (untouched.has(table)) continue;
    for (const { id, values } of [...toClean(sql, table, teacherId, found)]) {
      const sets = values.map(([name]) => `"${name}" = ?`).join(', ');
      sql.run(`UPDATE "${table}" SET ${sets} WHERE "id" = ?`, ...values.map(([, value]) => value), id);
    }
  }
  for (const table of tableNames.toReversed()) {
    for (const id of found.recordIds) {
      if (table === 'message') forgetLetters(sql, id);
      sql.run(`DELETE FROM "${table}" WHERE "id" = ? AND ${madeInSchool}`, id, teacherId);
    }
  }
  for (const statement of forgetUnused) sql.run(statement);
  const { concerns, rename } = cleaningOf(found.student.id, found.names, found.recordIds);
  forgetPagesOf(sql, teacherId, found.student.id, (text) => (concerns(text) ? rename(text) : text));
  forgetCardsOf(sql, found.student.id);
  sql.run('DELETE FROM "pathGrant" WHERE "studentId" = ?', found.student.id);
  sql.run('DELETE FROM "access" WHERE "scopeId" = ?', found.student.id);
  sql.run('DELETE FROM "scope" WHERE "id" = ?', found.student.id);
}
