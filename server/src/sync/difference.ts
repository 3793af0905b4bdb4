import type { RecordLists } from '@slate-path/core/records/records';
import type { TableName } from '@slate-path/core/records/schema';
import { tableNames } from '@slate-path/core/records/tables';
import type { LoggedEdit } from '../database/entities';
import { recordOfColumns } from '../database/rowSql';
import type { Sql } from '../database/sql';
import { colleaguesOf } from '../scopes/access';
import { retired } from '../scopes/retired';
import { rowsBy } from './rowsBy';

/** Lines of the log that one page tells of. */
const pageLength = 500;

export interface Difference {
  rows: RecordLists;
  /** The last line that is told of. */
  last: { seq: number; changeId: string };
  more: boolean;
}

interface Line {
  seq: number;
  id: string;
  kind: string;
  edits: string;
}

/** Lines after one that wrote where somebody may read. */
function linesSince(sql: Sql, personId: string, seq: number): Line[] {
  return sql.all<Line>(
    'SELECT "seq", "id", "kind", "edits" FROM "change" WHERE "seq" IN (SELECT "seq" FROM "touch" WHERE "scopeId" IN (SELECT "scopeId" FROM "access" WHERE "personId" = ?) AND "seq" > ?) ORDER BY "seq" LIMIT ?',
    personId,
    seq,
    pageLength + 1,
  );
}

/** Which records some lines touched; null where one wrote in bulk, and so does not say which. */
function touchedBy(lines: readonly Line[]): Map<TableName, Set<string>> | null {
  const touched = new Map<TableName, Set<string>>();
  for (const { edits } of lines) {
    const list = JSON.parse(edits) as LoggedEdit[];
    if (list.length === 0) return null;
    for (const { table, id } of list) {
      const ids = touched.get(table);
      if (ids) ids.add(id);
      else touched.set(table, new Set([id]));
    }
  }
  return touched;
}

/**
 * What changed since a line of the log, as the records are now.
 * @returns null where that cannot be told record by record: then all is told anew
 */
export function differenceSince(sql: Sql, personId: string, seq: number): Difference | null {
  const found = linesSince(sql, personId, seq);
  const lines = found.slice(0, pageLength);
  const touched = touchedBy(lines);
  if (!touched) return null;
  const rows: Record<string, unknown[]> = {};
  const add = (table: TableName, some: Record<string, unknown>[]) => {
    const records = retired(table, some, () => colleaguesOf(sql, personId)).map((row) =>
      recordOfColumns(table, row),
    );
    if (records.length > 0) rows[table] = [...(rows[table] ?? []), ...records];
  };
  const lessonIds = new Set<string>();
  for (const table of tableNames) {
    const ids = touched.get(table);
    if (!ids) continue;
    const some = rowsBy(sql, personId, table, 'id', ids);
    add(table, some);
    for (const { lessonId } of some) if (typeof lessonId === 'string') lessonIds.add(lessonId);
    // Whoever comes into a class may have been in the school before.
    if (table !== 'enrolment') continue;
    const students = new Set(some.map((row) => String(row['studentId'])));
    add('student', rowsBy(sql, personId, 'student', 'id', students));
    add('guardian', rowsBy(sql, personId, 'guardian', 'studentId', students));
  }
  // A lesson has its row from when somebody first writes in it, of which the log says nothing.
  for (const id of touched.get('lesson') ?? []) lessonIds.delete(id);
  add('lesson', rowsBy(sql, personId, 'lesson', 'id', lessonIds));
  const last = lines.at(-1);
  return {
    rows,
    last: last ? { seq: last.seq, changeId: last.id } : { seq, changeId: '' },
    more: found.length > pageLength,
  };
}
