import path from 'node:path';
import Database from 'better-sqlite3';
import { DatabaseError } from './problems';

/** Lets another program have the data folder. */
export type LetGo = () => void;

/**
 * Holds a data folder for this process: a second server on the same data, or a restore under a running one, would
 * undo what the first one does. The system lets go of it when the process ends, however it ends.
 * @throws DatabaseError where another process holds it
 */
export function holdFolder(folder: string): LetGo {
  const lock = new Database(path.join(folder, 'slate-path.lock'), { timeout: 0 });
  try {
    lock.pragma('locking_mode = EXCLUSIVE');
    lock.exec('BEGIN EXCLUSIVE');
  } catch {
    lock.close();
    throw new DatabaseError(
      `${folder}: the server is running on these data. Stop it first; nothing was changed.`,
    );
  }
  return () => {
    lock.close();
  };
}
