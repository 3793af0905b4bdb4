import fs from 'node:fs';
import path from 'node:path';
import { DatabaseError, reasonOf } from '../../database/problems';

/** A packed copy of the database, in the data folder beside it. */
export interface Backup {
  name: string;
  /** ISO moment. */
  madeAt: string;
  bytes: number;
}

/**
 * The last ones are kept, and of each of the last days with any its last: ten made in one afternoon push out nothing
 * that is older. More than these would fill a small server's disk without anybody noticing.
 */
const kept = { backups: 10, days: 30 } as const;

const folderOf = (dataFolder: string) => path.join(dataFolder, 'backups');
/** Colons may not stand in the names of some systems' files. */
const nameAt = (now: number) => `slate-path-${new Date(now).toISOString().replaceAll(':', '-')}.db`;
const named = /^slate-path-(\d{4}-\d\d-\d\dT)(\d\d)-(\d\d)-(\d\d\.\d{3}Z)\.db$/;

/** A file for a backup made now. @param now in milliseconds @throws DatabaseError with one clear line */
export function newBackupFile(dataFolder: string, now: number): string {
  const folder = folderOf(dataFolder);
  try {
    fs.mkdirSync(folder, { recursive: true, mode: 0o700 });
  } catch (error) {
    throw new DatabaseError(`${folder}: the backup could not be written (${reasonOf(error)}).`);
  }
  return path.join(folder, nameAt(now));
}

const reading = 'reading-';

/** A folder to read a backup in: children's records are copied to no place outside the data folder. */
export function newReadingFolder(dataFolder: string): string {
  return fs.mkdtempSync(path.join(folderOf(dataFolder), reading));
}

/** Takes away what a reading left that was broken off. */
export function dropBrokenReadings(dataFolder: string): void {
  const folder = folderOf(dataFolder);
  if (!fs.existsSync(folder)) return;
  for (const name of fs.readdirSync(folder).filter((found) => found.startsWith(reading)))
    fs.rmSync(path.join(folder, name), { recursive: true, force: true });
}

/** A copy that is being written grows; one that has stood still for so long was broken off. */
const stillMs = 60_000;

/** Takes away copies that were broken off while they were written. */
export function dropBrokenCopies(dataFolder: string): void {
  const folder = folderOf(dataFolder);
  if (!fs.existsSync(folder)) return;
  for (const name of fs.readdirSync(folder).filter((found) => /\.part(-journal)?$/.test(found))) {
    const file = path.join(folder, name);
    const { mtimeMs } = fs.statSync(file, { throwIfNoEntry: false }) ?? { mtimeMs: Date.now() };
    if (mtimeMs < Date.now() - stillMs) fs.rmSync(file, { force: true });
  }
}

/** A backup by its name; null where there is none, or where the name is none of ours. */
export function backupFile(dataFolder: string, name: string): string | null {
  const file = path.join(folderOf(dataFolder), name);
  return named.test(name) && fs.existsSync(file) ? file : null;
}

/** The backups there are, the latest first. */
export function listBackups(dataFolder: string): Backup[] {
  const folder = folderOf(dataFolder);
  if (!fs.existsSync(folder)) return [];
  return fs
    .readdirSync(folder)
    .flatMap((name): Backup[] => {
      const [, day, hour, minute, second] = named.exec(name) ?? [];
      if (day === undefined) return [];
      const madeAt = `${day}${hour ?? ''}:${minute ?? ''}:${second ?? ''}`;
      return [{ name, madeAt, bytes: fs.statSync(path.join(folder, name)).size }];
    })
    .sort((a, b) => (a.madeAt < b.madeAt ? 1 : -1));
}

/** Those that are not kept. @param backups the latest first */
export function oldBackups<B extends Pick<Backup, 'madeAt'>>(backups: readonly B[]): B[] {
  const dayOf = ({ madeAt }: B) => madeAt.slice(0, 10);
  const days = [...new Set(backups.map(dayOf))].slice(0, kept.days);
  const lastOfDays = new Set(days.map((day) => backups.find((backup) => dayOf(backup) === day)));
  return backups.filter((backup, index) => index >= kept.backups && !lastOfDays.has(backup));
}

/** Lets old ones go, once the newest is there. */
export function dropOldBackups(dataFolder: string): void {
  dropBrokenCopies(dataFolder);
  for (const { name } of oldBackups(listBackups(dataFolder)))
    fs.rmSync(path.join(folderOf(dataFolder), name), { force: true });
}
