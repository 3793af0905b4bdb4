import path from 'node:path';
import { dropOldBackups, newBackupFile } from '@slate-path/server/keeping/backups/backups';
import { backUp } from '@slate-path/server/database/backup';
import { DatabaseError } from '@slate-path/server/database/problems';
import { InputError } from './input';

export interface BackupCommand {
  data: string;
  /** A new file; without one, beside the database. */
  out?: string;
}

/** `slate backup`: a packed copy of the database, also while the server is being written to. */
export function backup({ data, out }: BackupCommand): void {
  try {
    const folder = path.resolve(data);
    const file = out === undefined ? newBackupFile(folder, Date.now()) : path.resolve(out);
    backUp(folder, file);
    if (out === undefined) dropOldBackups(folder);
    console.error(`${out ?? file} is written.`);
  } catch (error) {
    if (error instanceof DatabaseError) throw new InputError(error.message);
    throw error;
  }
}
