import fs from 'node:fs';
import path from 'node:path';
import { leaveOut } from '@slate-path/core/keeping/erasure/leaveOut';
import type { RecordLists } from '@slate-path/core/records/records';
import { many } from '@slate-path/core/words/many';
import { bringArchive } from '@slate-path/server/keeping/archive/bring';
import { NotBrought } from '@slate-path/server/changes/bulk';
import { readArchiveFile } from '@slate-path/server/keeping/archive/readFile';
import { archiveFile } from '@slate-path/server/keeping/archive/writeFile';
import type { OpenDatabase } from '@slate-path/server/database/open';
import { DatabaseError } from '@slate-path/server/database/problems';
import { comeBack, erasedStudents } from '@slate-path/server/keeping/erasure/erased';
import { restore as restoreBackup } from '@slate-path/server/database/restore';
import { InputError, readInput } from './input';
import { teacherOf, teacherOrNew, withDatabase } from './teacher';

interface Place {
  data: string;
  teacher?: string;
}

/** `slate export`: everything a teacher has, as an archive. */
export async function exportArchive({ data, teacher, out }: Place & { out: string }): Promise<void> {
  if (fs.existsSync(out)) throw new InputError(`${out}: there is a file already; it was left as it is.`);
  if (!fs.existsSync(path.join(data, 'slate-path.db')))
    throw new InputError(`${data}: there is no database here.`);
  const bytes = await withDatabase(data, async (database) => {
    const teacherId = await teacherOf(database, teacher);
    return archiveFile({ file: database.file, teacherId, now: Date.now() });
  });
  fs.writeFileSync(out, bytes, { mode: 0o600 });
  console.error(`${out} is written.`);
}

export type OfErased = 'leave-out' | 'bring-back';

/** Students in an archive who were erased here come back only when that is said. @throws InputError when it is not */
async function settleErased(
  database: OpenDatabase,
  teacherId: string,
  records: RecordLists,
  wanted: OfErased | undefined,
): Promise<RecordLists> {
  const known = new Set(erasedStudents(database.lookUp, teacherId));
  const ids = (records.student ?? []).map(({ id }) => id).filter((id) => known.has(id));
  if (ids.length === 0) return records;
  if (wanted === undefined)
    throw new InputError(
      `${many(ids.length, 'student')} in this archive were erased here. Say --erased leave-out or --erased bring-back. Nothing was brought in.`,
    );
  if (wanted === 'leave-out') return leaveOut(records, ids);
  await comeBack(database, teacherId, ids);
  return records;
}

/** `slate import`: an archive into a data folder; with anything wrong in it, nothing. */
export async function importArchive(
  file: string,
  { data, teacher, erased }: Place & { erased?: OfErased },
): Promise<void> {
  const zone = Intl.DateTimeFormat().resolvedOptions().timeZone;
  const read = readArchiveFile({ bytes: readInput(file), zone });
  if ('refused' in read) throw new InputError(`${file}: ${read.refused}`);
  for (const note of read.notes) console.error(`${file}: ${note}`);
  if (read.errors.length > 0)
    throw new InputError(
      [...read.errors.map((line) => `${file}: ${line}`), 'Nothing was brought in.'].join('\n'),
    );
  await withDatabase(data, async (database) => {
    const teacherId = await teacherOrNew(database, teacher, read.zone);
    const records = await settleErased(database, teacherId, read.records, erased);
    try {
      const place = { database, clock: Date.now, teacherId };
      const brought = await bringArchive(place, { ...read, records });
      console.error(`${brought.records} records of ${file} are in ${data}.`);
    } catch (error) {
      if (error instanceof NotBrought) throw new InputError(`${file}: ${error.message}`);
      throw error;
    }
  });
}

/** `slate restore`: a backup in the place of a data folder's database, which is kept beside it. */
export function restore(file: string, { data }: Pick<Place, 'data'>): void {
  try {
    const stamp = new Date().toISOString().replace(/[:.]/g, '-');
    const aside = restoreBackup(path.resolve(file), path.resolve(data), stamp);
    console.error(`${file} is in place in ${data}.${aside ? ` What was there is kept as ${aside}.` : ''}`);
  } catch (error) {
    if (error instanceof DatabaseError) throw new InputError(error.message);
    throw error;
  }
}
