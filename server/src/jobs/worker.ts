import type { JobKinds } from './kinds';

type Job<K extends keyof JobKinds> = (input: JobKinds[K]['input']) => Promise<JobKinds[K]['result']>;

/*
 * Every job loads what it needs when it is first asked for: most days only the watch list is, and what writes
 * workbooks need not lie in memory for it.
 */

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

export const readCandidates: Job<'readCandidates'> = async (asked) =>
  (await import('../notes/candidates')).readCandidates(asked);

export const suggestTopics: Job<'suggestTopics'> = async (range) =>
  (await import('../notes/suggest')).suggest(range);

export const notesFile: Job<'notesFile'> = async (request) =>
  (await import('../notes/notesFile')).notesFile(request);

export const surveyErasure: Job<'surveyErasure'> = async (request) =>
  (await import('../erasure/erase')).surveyErasure(request);

export const eraseRecords: Job<'eraseRecords'> = async (order) =>
  (await import('../erasure/erase')).eraseRecords(order);

export const eraseLog: Job<'eraseLog'> = async (step) => (await import('../erasure/erase')).eraseLog(step);

export const erasePack: Job<'erasePack'> = async (step) => (await import('../erasure/erase')).erasePack(step);

export const archiveFile: Job<'archiveFile'> = async (request) =>
  (await import('../archive/writeFile')).archiveFile(request);

export const backUp: Job<'backUp'> = async ({ dataFolder, now }) => {
  const { newBackupFile } = await import('../backups/backups');
  const { backUp: write } = await import('../database/backup');
  const { DatabaseError } = await import('../database/problems');
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
