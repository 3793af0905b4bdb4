import Database from 'better-sqlite3';
import { clearNoteIndex, rebuildNoteIndex } from './noteIndex';
import { Sql } from './sql';

/** What is erased is deleted, and the file then packed, by a connection of its own: a process beside the server's has it. */
export class ErasingFile {
  readonly sql: Sql;

  private constructor(private readonly database: Database.Database) {
    this.sql = new Sql(database);
  }

  /** Does some work with a file, and closes it. @param readonly for a preview, which holds no lock */
  static with<T>(file: string, { readonly }: { readonly: boolean }, work: (opened: ErasingFile) => T): T {
    const database = new Database(file, { fileMustExist: true, readonly });
    try {
      database.pragma('busy_timeout = 10000');
      if (!readonly) {
        database.pragma('foreign_keys = ON');
        // What is deleted is overwritten at once; packing then leaves nothing of what was moved about before.
        database.pragma('secure_delete = ON');
      }
      return work(new ErasingFile(database));
    } finally {
      database.close();
    }
  }

  /** Reads the rows as they are at one moment, while others may write. */
  atOneMoment<T>(work: () => T): T {
    return this.database.transaction(work)();
  }

  /** Writes all of it or nothing; a row may go before what points at it, for that is checked at the end. */
  atOnce<T>(work: () => T): T {
    return this.sql.atOnce(() => {
      this.database.pragma('defer_foreign_keys = ON');
      return work();
    });
  }

  /** Packs the file, so that nothing of what was deleted is left in it. The journal still has it. */
  pack(): void {
    // The index has the old words in pages of its own; rows have other numbers when the file is packed.
    this.database.exec(clearNoteIndex);
    try {
      this.database.exec('VACUUM');
    } finally {
      // Also where there was no room to pack: notes are found all the same.
      this.database.exec(rebuildNoteIndex);
    }
  }

  /** Empties the journal. @returns false while somebody still reads what it holds */
  emptyJournal(): boolean {
    const [result] = this.database.pragma('wal_checkpoint(TRUNCATE)') as { busy: number }[];
    return result?.busy === 0;
  }
}
