import fs from 'node:fs';
import path from 'node:path';
import Database from 'better-sqlite3';
import { DatabaseError } from './open';

/** Is a file a database of ours, and whole? @throws DatabaseError with one clear line */
function check(file: string): void {
  let database: Database.Database | null = null;
  try {
    database = new Database(file, { readonly: true, fileMustExist: true });
    const [found] = database.pragma('integrity_check(1)') as { integrity_check: string }[];
    if (found?.integrity_check !== 'ok') throw new Error(found?.integrity_check ?? 'it cannot be checked');
    const tables = database
      .prepare(`SELECT count(*) AS n FROM sqlite_master WHERE name IN ('teacher', 'change')`)
      .get();
    if ((tables as { n: number }).n !== 2) throw new Error('it is no backup of Slate Path');
  } catch (error) {
    throw new DatabaseError(
      `${file}: this cannot be restored (${(error as Error).message}). Nothing was changed.`,
    );
  } finally {
    database?.close();
  }
}

/** Writes what still lies in the journal into the file, which only works where nobody else has it open. */
function closeJournal(file: string): void {
  const database = new Database(file);
  try {
    const mode = database.pragma('journal_mode = DELETE', { simple: true });
    if (mode !== 'delete') throw new Error('in use');
  } catch {
    throw new DatabaseError(
      `${file}: the server is running on these data. Stop it first; nothing was changed.`,
    );
  } finally {
    database.close();
  }
}

/**
 * Puts a backup in the place of a data folder's database. The one that was there is kept beside it.
 * @param stamp goes into its name @returns the name of the one that was there; null where there was none
 * @throws DatabaseError with one clear line; then nothing was changed
 */
export function restore(backup: string, folder: string, stamp: string): string | null {
  if (!fs.existsSync(backup)) throw new DatabaseError(`${backup}: there is no such file.`);
  check(backup);
  fs.mkdirSync(folder, { recursive: true });
  const file = path.join(folder, 'slate-path.db');
  const part = `${file}.part`;
  fs.copyFileSync(backup, part);
  check(part);
  fs.chmodSync(part, 0o600);
  const aside = fs.existsSync(file) ? `${file}.before-${stamp}` : null;
  try {
    if (aside) {
      closeJournal(file);
      fs.renameSync(file, aside);
    }
    fs.renameSync(part, file);
  } catch (error) {
    fs.rmSync(part, { force: true });
    throw error;
  }
  return aside;
}
