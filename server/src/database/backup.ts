import fs from 'node:fs';
import path from 'node:path';
import Database from 'better-sqlite3';
import { rebuildNoteIndex } from './noteIndex';
import { DatabaseError, reasonOf } from './problems';

/**
 * Writes a copy of a data folder's database to a new file, as it stands at one moment, while the server
 * may go on writing. The copy is packed: nothing that was deleted is in it.
 * @throws DatabaseError with one clear line
 */
export function backUp(folder: string, out: string): void {
  const file = path.join(folder, 'slate-path.db');
  if (!fs.existsSync(file)) throw new DatabaseError(`${folder}: there is no database here.`);
  if (fs.existsSync(out)) throw new DatabaseError(`${out}: there is a file already; it was left as it is.`);
  const part = `${out}.part`;
  fs.rmSync(part, { force: true });
  try {
    const from = new Database(file, { readonly: true });
    from.pragma('busy_timeout = 10000');
    from.prepare('VACUUM INTO ?').run(part);
    from.close();
    // Rows have other numbers in a packed file.
    const copy = new Database(part);
    copy.exec(rebuildNoteIndex);
    copy.close();
    fs.chmodSync(part, 0o600);
    fs.renameSync(part, out);
  } catch (error) {
    fs.rmSync(part, { force: true });
    throw new DatabaseError(`${out}: the backup could not be written (${reasonOf(error)}).`);
  }
}
