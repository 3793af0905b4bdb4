import Database from 'better-sqlite3';
import type { RecordLists } from '@slate-path/core/records/records';
import type { RecordOf, TableName } from '@slate-path/core/records/schema';
import { tableNames } from '@slate-path/core/records/tables';
import { recordOfColumns } from './rowSql';

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
    const found = this.rows<Record<string, unknown>>(
      `SELECT "${table}".* FROM "${table}" WHERE ${where}`,
      values,
    );
    return found.map((columns) => recordOfColumns(table, columns));
  }

  /** Everything a teacher has, removed records too. */
  everythingOf(teacherId: string): RecordLists {
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
