import type { Edit } from '@slate-path/core/changes/edit';
import type { LoggedEdit } from '../database/entities';
import type { Sql } from '../database/sql';
import { applyToRows, MissingRecord, type Word } from './applyEdits';
import { Rows } from './rows';

/** A record would point at one that is not there, or is another teacher's. */
export class DanglingReference extends Error {}

/**
 * Lays edits over a teacher's rows and writes them, in the transaction that is open.
 * @returns what was done, for the log
 * @throws MissingRecord for another teacher's row, DanglingReference; then nothing was written
 */
export function writeEdits(sql: Sql, wanted: Edit[], teacherId: string, word: Word): LoggedEdit[] {
  const rows = new Rows(sql, wanted);
  const foreign = wanted.find(({ table, id }) => (rows.get(table, id)?.teacherId ?? teacherId) !== teacherId);
  if (foreign) throw new MissingRecord(foreign.table, foreign.id);
  const done = applyToRows(rows, wanted, teacherId, word);
  const dangling = rows.danglingReference(teacherId);
  if (dangling) throw new DanglingReference(dangling);
  rows.write();
  return done;
}
