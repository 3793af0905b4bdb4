import path from 'node:path';
import Database from 'better-sqlite3';
import { DatabaseError, reasonOf } from './problems';

/** Lets another program have the data folder. */
export type LetGo = () => void;

/** The lock file's version: any but 0, so that it is not empty. */
const written = 1;

/**
 * Holds a data folder for this process: a second server on the same data, or a restore under a running one, would
 * undo what the first one does. The system lets go of it when the process ends, however it ends.
 * @throws DatabaseError where another process holds it, or the folder cannot be used
 */
export function holdFolder(folder: string): LetGo {
  let lock: Database.Database | null = null;
  try {
    lock = new Database(path.join(folder, 'slate-path.lock'), { timeout: 0 });
    lock.pragma('locking_mode = EXCLUSIVE');
    // An empty file would be written by each that takes the lock, for which a full disk has no room.
    if (lock.pragma('user_version', { simple: true }) !== written) lock.pragma(`user_version = ${written}`);
    lock.exec('BEGIN EXCLUSIVE');
  } catch (error) {
    lock?.close();
    const isHeld = (error as { code?: unknown }).code === 'SQLITE_BUSY';
    throw new DatabaseError(
      isHeld
        ? `${folder}: the server is running on these data. Stop it first; nothing was changed.`
        : `${folder} cannot be used (${reasonOf(error)}). Nothing was changed.`,
    );
  }
  const held = lock;
  return () => {
    held.close();
  };
}
