import Database from 'better-sqlite3';
import type { RecordLists } from '@slate-path/core/records/records';
import type { RecordOf, TableName } from '@slate-path/core/records/schema';
import { tableNames } from '@slate-path/core/records/tables';
import { alsoReadable, readable } from '../scopes/access';
import { colleaguesSql, retired } from '../scopes/retired';
import { recordOfColumns } from './rowSql';

/** The condition of records that were not removed. */
export const notRemoved = 'NOT "removed"';

/**
 * Reads records in a worker, by a connection of its own that cannot write: a year of marks is loaded
 * without the server's requests waiting for it.
 */
export class RecordReader {
  private readonly database: Database.Database;
  /** A teacher's classes are asked for the same, one after the other. */
  private readonly statements = new Map<string, Database.Statement>();

  constructor(file: string) {
    this.database = new Database(file, { readonly: true, fileMustExist: true });
  }

  /** @param where plain SQL over the table's columns, with `?` for the values */
  all<T extends TableName>(table: T, where: string, values: unknown[]): RecordOf<T>[] {
    return this.columns(table, where, values).map((columns) => recordOfColumns(table, columns));
  }

  private columns(table: TableName, where: string, values: unknown[]): Record<string, unknown>[] {
    return this.rows(`SELECT "${table}".* FROM "${table}" WHERE ${where}`, values);
  }

  /**
   * Records that somebody may read. What a colleague calls something is named where it was used, as what is removed
   * is, but not offered.
   * @param where more conditions, with `?` for the values
   */
  seenBy<T extends TableName>(
    personId: string,
    table: T,
    where = '',
    values: readonly unknown[] = [],
  ): RecordOf<T>[] {
    const byScope = where === '' || where === notRemoved;
    const condition = [byScope ? readable(table) : alsoReadable(table), where].filter(Boolean).join(' AND ');
    const found = this.columns(table, condition, [personId, ...values]);
    const colleagues = () =>
      this.rows<{ scopeId: string }>(colleaguesSql, [personId]).map(({ scopeId }) => scopeId);
    return retired(table, found, colleagues).map((columns) => recordOfColumns(table, columns));
  }

  /** Everything that somebody may read, removed records too. */
  everythingFor(personId: string): RecordLists {
    const lists = tableNames.map((table) => [table, this.seenBy(personId, table)]);
    return Object.fromEntries(lists) as RecordLists;
  }

  /** Everything that somebody wrote, removed records too. */
  everythingBy(teacherId: string): RecordLists {
    const lists = tableNames.map((table) => [table, this.all(table, '"teacherId" = ?', [teacherId])]);
    return Object.fromEntries(lists) as RecordLists;
  }

  /** Rows as the statement gives them, for what is summed up by the database. */
  rows<T>(statement: string, values: unknown[]): T[] {
    return this.prepared(statement).all(...values) as T[];
  }

  private prepared(statement: string): Database.Statement {
    const known = this.statements.get(statement) ?? this.database.prepare(statement);
    this.statements.set(statement, known);
    return known;
  }

  close(): void {
    this.database.close();
  }
}
