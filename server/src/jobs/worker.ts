import type { MessagePort } from 'node:worker_threads';
import { giveWay } from './giveWay';
import type { JobKinds, ReadingKind } from './kinds';

/** What is done in a worker; files are read in processes of their own. */
export type WorkKind = Exclude<keyof JobKinds, ReadingKind>;

type Job<K extends keyof JobKinds> = (input: JobKinds[K]['input']) => Promise<JobKinds[K]['result']>;

giveWay();

/*
 * Every job loads what it needs when it is first asked for: most days only the watch list is, and what writes
 * workbooks need not lie in memory for it.
 */

const watch: Job<'watch'> = async (input) => (await import('../watch/readWatch')).readWatch(input);

const glance: Job<'glance'> = async (request) => (await import('../watch/readGlance')).readGlance(request);

const watchPreview: Job<'watchPreview'> = async (request) =>
  (await import('../watch/readGlance')).readPreview(request);

const totals: Job<'totals'> = async (range) => {
  const { classTotals } = await import('@slate-path/core/attendance/roll/rollTable');
  const { readRolls } = await import('../attendance/roll/readRoll');
  const { now, classes } = readRolls(range);
  return classes.flatMap(({ section, roll }) => classTotals(section.id, roll, now));
};

const rollFile: Job<'rollFile'> = async (request) =>
  (await import('../attendance/roll/rollFile')).rollFile(request);

const counts: Job<'counts'> = async (range) =>
  (await import('../observation/tallies/readCounts')).readCounts(range);

const workFile: Job<'workFile'> = async (request) => (await import('../work/workFile')).workFile(request);

const ticksFile: Job<'ticksFile'> = async (request) =>
  (await import('../ticks/ticksFile')).ticksFile(request);

const receipts: Job<'receipts'> = async (request) => (await import('../ticks/receipts')).receipts(request);

const clipboardPages: Job<'clipboardPages'> = async (request) =>
  (await import('../ticks/clipboardPages')).clipboardPages(request);

const readerPage: Job<'readerPage'> = async (request) =>
  (await import('../sharing/readerPages/readFacts')).readFacts(request);

const ownPage: Job<'ownPage'> = async (request) =>
  (await import('../sharing/ownView/readOwnFacts')).readOwnFacts(request);

const cardSheets: Job<'cardSheets'> = async (request) =>
  (await import('../sharing/ownView/cardSheets')).cardSheets(request);

const workbook: Job<'workbook'> = async (request) =>
  (await import('../sharing/workbook/workbookFile')).workbookFile(request);

const pagePaper: Job<'pagePaper'> = async (request) =>
  (await import('../sharing/papers/papers')).pagePaper(request);

const reportsPaper: Job<'reportsPaper'> = async (request) =>
  (await import('../sharing/papers/papers')).reportsPaper(request);

const countsFile: Job<'countsFile'> = async (request) =>
  (await import('../observation/tallies/countsFile')).countsFile(request);

const circleFile: Job<'circleFile'> = async (request) =>
  (await import('../observation/tallies/circleFile')).circleFile(request);

const readCandidates: Job<'readCandidates'> = async (asked) =>
  (await import('../notes/candidates')).readCandidates(asked);

const suggestTopics: Job<'suggestTopics'> = async (range) =>
  (await import('../notes/suggest')).suggest(range);

const notesFile: Job<'notesFile'> = async (request) =>
  (await import('../notes/notesFile')).notesFile(request);

const surveyErasure: Job<'surveyErasure'> = async (request) =>
  (await import('../keeping/erasure/erase')).surveyErasure(request);

const eraseRecords: Job<'eraseRecords'> = async (order) =>
  (await import('../keeping/erasure/erase')).eraseRecords(order);

const eraseLog: Job<'eraseLog'> = async (step) => (await import('../keeping/erasure/erase')).eraseLog(step);

const erasePack: Job<'erasePack'> = async (step) =>
  (await import('../keeping/erasure/erase')).erasePack(step);

const archiveFile: Job<'archiveFile'> = async (request) =>
  (await import('../keeping/archive/writeFile')).archiveFile(request);

const backUp: Job<'backUp'> = async ({ dataFolder, now }) => {
  const { newBackupFile } = await import('../keeping/backups/backups');
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

const readBackup: Job<'readBackup'> = async (request) =>
  (await import('../keeping/backups/readBackup')).readBackup(request);

const jobs: { [K in WorkKind]: Job<K> } = {
  watch,
  glance,
  watchPreview,
  totals,
  rollFile,
  counts,
  countsFile,
  workFile,
  ticksFile,
  receipts,
  clipboardPages,
  readerPage,
  ownPage,
  cardSheets,
  workbook,
  pagePaper,
  reportsPaper,
  circleFile,
  readCandidates,
  suggestTopics,
  notesFile,
  surveyErasure,
  eraseRecords,
  eraseLog,
  erasePack,
  archiveFile,
  backUp,
  readBackup,
};

/** What a worker is asked for. */
export interface Work<K extends WorkKind = WorkKind> {
  kind: K;
  input: JobKinds[K]['input'];
  /** Hears when it is begun: a job's time counts from then, not from when it had to wait for others. */
  begun: MessagePort;
}

export default function work<K extends WorkKind>({ kind, input, begun }: Work<K>) {
  begun.postMessage('begun');
  begun.close();
  return jobs[kind](input);
}
