import type { Edit } from '@slate-path/core/changes/edit';
import type { LoggedEdit } from '../database/entities';
import type { Sql } from '../database/sql';
import { tellBeside } from '../scopes/news';
import { Writer } from '../scopes/writer';
import { applyToRows, MissingRecord, type Word } from './applyEdits';
import { Rows } from './rows';

/** A record would point at one that is not there, or not for the writer to see. */
export class DanglingReference extends Error {}

/** By whom something is written, as a change of which kind, and who is to hear of it when it is kept. */
export interface Author {
  teacherId: string;
  kind: string;
  heard?: Set<string> | undefined;
}

/** What was done, for the log, and in which scopes. */
export interface Written {
  edits: LoggedEdit[];
  scopes: ReadonlySet<string>;
}

/**
 * Works on rows for somebody and writes them, in the transaction that is open.
 * @param wanted the rows that it works on @param work changes them, and says what was done
 * @throws MissingRecord for a row that the writer may not see, NotAllowed, DanglingReference
 */
export function writeRows(
  sql: Sql,
  wanted: { table: Edit['table']; id: string }[],
  { teacherId, kind, heard }: Author,
  { stamp }: Word,
  work: (rows: Rows) => LoggedEdit[],
): Written {
  const rows = new Rows(sql, wanted);
  const writer = new Writer(sql, teacherId, stamp.at);
  const hidden = wanted.find(({ table, id }) => {
    const row = rows.get(table, id);
    return row && !writer.mayRead(table, row.scopeId);
  });
  if (hidden) throw new MissingRecord(hidden.table, hidden.id);
  const edits = work(rows);
  const dangling = rows.danglingReference(writer);
  if (dangling) throw new DanglingReference(dangling);
  const scopes = rows.write(writer);
  for (const other of tellBeside(sql, teacherId, scopes, { kind, changeId: stamp.by })) heard?.add(other);
  return { edits, scopes };
}

/** Lays edits over the rows that somebody may write. @throws as `writeRows` */
export function writeEdits(sql: Sql, wanted: Edit[], author: Author, word: Word): Written {
  return writeRows(sql, wanted, author, word, (rows) => applyToRows(rows, wanted, author.teacherId, word));
}
