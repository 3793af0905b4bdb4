import fs from 'node:fs';
import path from 'node:path';
import Database from 'better-sqlite3';
import { holdFolder } from './hold';
import { DatabaseError, reasonOf } from './problems';

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

const journals = ['-wal', '-shm'];
/** It is there from before a backup takes the place of the data until nothing of the data before is beside it. */
const marker = 'slate-path.restoring';

/**
 * Finishes a restore that was broken off, as by a loss of power. Either the backup had taken the place of the data:
 * then the journal of the data before must not be laid over it. Or it had not, and all is as it was.
 */
export function finishRestore(folder: string): void {
  const file = path.join(folder, 'slate-path.db');
  if (!fs.existsSync(path.join(folder, marker))) return;
  if (fs.existsSync(`${file}.part`)) fs.rmSync(`${file}.part`);
  else for (const journal of journals) fs.rmSync(file + journal, { force: true });
  fs.rmSync(path.join(folder, marker));
}

/**
 * A link that was ended since the backup was made must not open again: readers' pages and cards all end. And a letter
 * that waited then may have gone since: none of them goes by itself.
 */
function endWhatWasOpen(file: string): void {
  const database = new Database(file);
  try {
    const exists = database.prepare('SELECT 1 FROM sqlite_master WHERE name = ?');
    for (const table of ['readerPage', 'studentCard'].filter((name) => exists.get(name)))
      database.exec(
        `UPDATE "${table}" SET "endedAt" = strftime('%Y-%m-%dT%H:%M:%fZ', 'now') WHERE "endedAt" IS NULL`,
      );
    if (exists.get('letter'))
      database.exec(
        `UPDATE "letter" SET "state" = 'given_up', "reason" = 'restored', "subject" = NULL, "body" = NULL, "nextAt" = NULL WHERE "state" = 'waiting'`,
      );
  } finally {
    database.close();
  }
}

function sync(file: string): void {
  const handle = fs.openSync(file, 'r');
  fs.fsyncSync(handle);
  fs.closeSync(handle);
}

/** Keeps what is there under another name, journal and all: it may be damaged, and is then looked at in peace. */
function keepAside(file: string, aside: string): void {
  fs.linkSync(file, aside);
  if (fs.existsSync(`${file}-wal`)) fs.linkSync(`${file}-wal`, `${aside}-wal`);
}

/**
 * Puts a backup in the place of a data folder's database, in one step. The one that was there, sound or damaged, is
 * kept beside it with its journal.
 * @param stamp goes into its name @returns the name of the one that was there; null where there was none
 * @throws DatabaseError with one clear line; then nothing was changed
 */
export function restore(backup: string, folder: string, stamp: string): string | null {
  if (!fs.existsSync(backup)) throw new DatabaseError(`${backup}: there is no such file.`);
  check(backup);
  fs.mkdirSync(folder, { recursive: true, mode: 0o700 });
  const letGo = holdFolder(folder);
  try {
    finishRestore(folder);
    return replace(backup, path.join(folder, 'slate-path.db'), stamp);
  } finally {
    letGo();
  }
}

/** Copies the backup beside the data first, so that it takes their place by one renaming. */
function replace(backup: string, file: string, stamp: string): string | null {
  const folder = path.dirname(file);
  const part = `${file}.part`;
  const aside = fs.existsSync(file) ? `${file}.before-${stamp}` : null;
  try {
    fs.copyFileSync(backup, part);
    fs.chmodSync(part, 0o600);
    check(part);
    endWhatWasOpen(part);
    sync(part);
    if (aside) keepAside(file, aside);
    fs.writeFileSync(path.join(folder, marker), '');
    sync(folder);
  } catch (error) {
    // The marker first: beside it a copy that is missing would mean that the backup took the place of the data.
    const begun = [path.join(folder, marker), part, ...(aside ? [aside, `${aside}-wal`] : [])];
    for (const name of begun) fs.rmSync(name, { force: true });
    if (error instanceof DatabaseError) throw error;
    throw new DatabaseError(
      `${file}: the backup was not restored (${reasonOf(error)}). Nothing was changed.`,
    );
  }
  fs.renameSync(part, file);
  sync(folder);
  finishRestore(folder);
  return aside;
}
