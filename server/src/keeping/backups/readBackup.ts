import fs from 'node:fs';
import path from 'node:path';
import { goingBack, type GoingBack } from '@slate-path/core/keeping/archive/goingBack';
import type { RecordLists } from '@slate-path/core/records/records';
import { openDatabase } from '../../database/open';
import { DatabaseError } from '../../database/problems';
import { RecordReader } from '../../database/readRecords';
import { backupFile, newReadingFolder } from './backups';

export interface BackupReadRequest {
  dataFolder: string;
  name: string;
  teacherId: string;
}

interface Seen {
  lists: RecordLists;
  erased: string[];
}

function readAll(file: string, teacherId: string): Seen {
  const reader = new RecordReader(file);
  try {
    const erased = reader.rows<{ id: string }>(
      'SELECT "studentId" AS id FROM "erasure" WHERE "teacherId" = ?',
      [teacherId],
    );
    return { lists: reader.everythingBy(teacherId), erased: erased.map(({ id }) => id) };
  } finally {
    reader.close();
  }
}

/** A teacher's records of a backup, by a copy of it: one of an earlier version is brought to this one's tables. */
async function readThen(dataFolder: string, file: string, teacherId: string): Promise<Seen> {
  const folder = newReadingFolder(dataFolder);
  try {
    fs.copyFileSync(file, path.join(folder, 'slate-path.db'));
    const opened = await openDatabase(folder);
    await opened.close();
    return readAll(opened.file, teacherId);
  } finally {
    fs.rmSync(folder, { recursive: true, force: true });
  }
}

/**
 * What going back to a backup means for one teacher's records.
 * @returns `refused` with a sentence where that cannot be
 */
export async function readBackup({
  dataFolder,
  name,
  teacherId,
}: BackupReadRequest): Promise<{ refused: string } | GoingBack> {
  const file = backupFile(dataFolder, name);
  if (file === null) return { refused: 'This backup is not on the server any more.' };
  try {
    const then = await readThen(dataFolder, file, teacherId);
    if ((then.lists.school ?? []).length === 0)
      return { refused: 'This backup was made before your account was.' };
    const now = readAll(path.join(dataFolder, 'slate-path.db'), teacherId);
    if (now.erased.some((id) => !then.erased.includes(id)))
      return {
        refused:
          'A student was erased for good since. This backup still holds them, so nothing is taken from it.',
      };
    return goingBack(then.lists, now.lists);
  } catch (error) {
    if (error instanceof DatabaseError) return { refused: 'This backup is damaged and cannot be read.' };
    throw error;
  }
}
