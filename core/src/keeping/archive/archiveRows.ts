import { emptyArchive, type ArchiveFields, type ArchiveTableName } from './tables';

/** An archive that is put together row by row; its rows come from no file and have no line. */
export class ArchiveRows {
  readonly archive = emptyArchive();

  add<T extends ArchiveTableName>(table: T, row: ArchiveFields<T>): void {
    (this.archive[table] as object[]).push({ ...row, line: 0 });
  }

  addAll<T extends ArchiveTableName>(table: T, rows: readonly ArchiveFields<T>[]): void {
    for (const row of rows) this.add(table, row);
  }
}
