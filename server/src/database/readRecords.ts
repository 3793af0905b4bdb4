import Database from 'better-sqlite3';
import type { RecordOf, TableName } from '@slate-path/core/records/schema';
import { recordOfColumns } from './rowSql';

/**
 * Reads records in a worker, by a connection of its own that cannot write: a year of marks is loaded
 * without the server's requests waiting for it.
 */
export class RecordReader {
  private readonly database: Database.Database;

  constructor(file: string) {
    this.database = new Database(file, { readonly: true, fileMustExist: true });
  }

  /** @param where plain SQL over the table's columns, with `?` for the values */
  all<T extends TableName>(table: T, where: string, values: unknown[]): RecordOf<T>[] {
    const found = this.database
      .prepare(`SELECT "${table}".* FROM "${table}" WHERE ${where}`)
      .all(...values) as Record<string, unknown>[];
    return found.map((columns) => recordOfColumns(table, columns));
  }

  /** Rows as the statement gives them, for what is summed up by the database. */
  rows<T>(statement: string, values: unknown[]): T[] {
    return this.database.prepare(statement).all(...values) as T[];
  }

  close(): void {
    this.database.close();
  }
}
