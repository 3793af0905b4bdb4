import path from 'node:path';
import { backUp } from '@slate-path/server/database/backup';
import { DatabaseError } from '@slate-path/server/database/open';
import { InputError } from './input';

export interface BackupCommand {
  data: string;
  out: string;
}

/** `slate backup`: a packed copy of the database, also while the server is being written to. */
export function backup({ data, out }: BackupCommand): void {
  try {
    backUp(path.resolve(data), path.resolve(out));
    console.error(`${out} is written.`);
  } catch (error) {
    if (error instanceof DatabaseError) throw new InputError(error.message);
    throw error;
  }
}
