import { TableError } from '@slate-path/core/formats/table';
import type { JobKinds } from './jobs';

type Job<K extends keyof JobKinds> = (input: JobKinds[K]['input']) => Promise<JobKinds[K]['result']>;

/*
 * Every job loads what it needs when it is first asked for: most days only the watch list is, and what writes
 * workbooks need not lie in memory for it.
 */

/** What a file gives, or the sentence that says why it is no table. */
async function orRefused<T>(read: () => Promise<T>): Promise<T | { refused: string }> {
  try {
    return await read();
  } catch (error) {
    if (error instanceof TableError) return { refused: error.message };
    throw error;
  }
}

export const readRoster: Job<'readRoster'> = ({ bytes, roles, sectionId, people }) =>
  orRefused(async () => {
    const { mergeRoster } = await import('@slate-path/core/roster/mergeRoster');
    const { readRosterFile } = await import('@slate-path/core/roster/oneRoster');
    const { readRoster: readRows } = await import('@slate-path/core/roster/readRoster');
    const { columns, rows } = readRows(await readRosterFile(bytes), roles ?? undefined);
    return { columns, rows: mergeRoster(rows, sectionId, people) };
  });

export const readParticipants: Job<'readParticipants'> = ({ bytes, lessonDate, order }) =>
  orRefused(async () => {
    const { readParticipantFile } = await import('@slate-path/core/participants/readParticipantFile');
    const { readParticipants: readList } = await import('@slate-path/core/participants/readParticipants');
    return readList(await readParticipantFile(bytes), lessonDate, order ?? undefined);
  });

export const watch: Job<'watch'> = async (input) => (await import('../watch/readWatch')).readWatch(input);

export const glance: Job<'glance'> = async (request) =>
  (await import('../watch/readGlance')).readGlance(request);

export const watchPreview: Job<'watchPreview'> = async (request) =>
  (await import('../watch/readGlance')).readPreview(request);

export const totals: Job<'totals'> = async (range) => {
  const { classTotals } = await import('@slate-path/core/roll/rollTable');
  const { readRolls } = await import('../roll/readRoll');
  const { now, classes } = readRolls(range);
  return classes.flatMap(({ section, roll }) => classTotals(section.id, roll, now));
};

export const rollFile: Job<'rollFile'> = async (request) =>
  (await import('../roll/rollFile')).rollFile(request);

export const counts: Job<'counts'> = async (range) =>
  (await import('../tallies/readCounts')).readCounts(range);

export const countsFile: Job<'countsFile'> = async (request) =>
  (await import('../tallies/countsFile')).countsFile(request);

export const circleFile: Job<'circleFile'> = async (request) =>
  (await import('../tallies/circleFile')).circleFile(request);

export const suggestTopics: Job<'suggestTopics'> = async (range) =>
  (await import('../notes/suggest')).suggest(range);

export const notesFile: Job<'notesFile'> = async (request) =>
  (await import('../notes/notesFile')).notesFile(request);

export const erase: Job<'erase'> = async (request) => (await import('../erasure/erase')).erase(request);

export const archiveFile: Job<'archiveFile'> = async (request) =>
  (await import('../archive/writeFile')).archiveFile(request);

export const readArchive: Job<'readArchive'> = async (request) =>
  (await import('../archive/readFile')).readArchiveFile(request);

export const backUp: Job<'backUp'> = async ({ dataFolder, now }) => {
  const { newBackupFile } = await import('../backups/backups');
  const { backUp: write } = await import('../database/backup');
  const { DatabaseError } = await import('../database/open');
  try {
    write(dataFolder, newBackupFile(dataFolder, now));
    return { refused: null };
  } catch (error) {
    if (error instanceof DatabaseError) return { refused: error.message };
    throw error;
  }
};

export const readBackup: Job<'readBackup'> = async (request) =>
  (await import('../backups/readBackup')).readBackup(request);
