import { readTable, TableError } from '@slate-path/core/formats/table';
import { readParticipants as readList } from '@slate-path/core/participants/readParticipants';
import { mergeRoster } from '@slate-path/core/roster/mergeRoster';
import { readRosterFile } from '@slate-path/core/roster/oneRoster';
import { readRoster as readRosterRows } from '@slate-path/core/roster/readRoster';
import { classTotals } from '@slate-path/core/roll/rollTable';
import { readArchiveFile } from '../archive/readFile';
import { archiveFile as writeArchiveFile } from '../archive/writeFile';
import { erase as eraseStudent } from '../erasure/erase';
import { notesFile as writeNotesFile } from '../notes/notesFile';
import { suggest } from '../notes/suggest';
import { readRolls } from '../roll/readRoll';
import { rollFile as writeRollFile } from '../roll/rollFile';
import { circleFile as writeCircleFile } from '../tallies/circleFile';
import { countsFile as writeCountsFile } from '../tallies/countsFile';
import { readCounts } from '../tallies/readCounts';
import { readGlance, readPreview } from '../watch/readGlance';
import { readWatch } from '../watch/readWatch';
import type { JobKinds } from './jobs';

type Job<K extends keyof JobKinds> = (input: JobKinds[K]['input']) => Promise<JobKinds[K]['result']>;

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
    const { columns, rows } = readRosterRows(await readRosterFile(bytes), roles ?? undefined);
    return { columns, rows: mergeRoster(rows, sectionId, people) };
  });

export const readParticipants: Job<'readParticipants'> = ({ bytes, lessonDate, order }) =>
  orRefused(async () => readList(await readTable(bytes), lessonDate, order ?? undefined));

export const watch: Job<'watch'> = (input) => Promise.resolve(readWatch(input));

export const glance: Job<'glance'> = (request) => Promise.resolve(readGlance(request));

export const watchPreview: Job<'watchPreview'> = (request) => Promise.resolve(readPreview(request));

export const totals: Job<'totals'> = (range) => {
  const { now, classes } = readRolls(range);
  return Promise.resolve(classes.flatMap(({ section, roll }) => classTotals(section.id, roll, now)));
};

export const rollFile: Job<'rollFile'> = (request) => writeRollFile(request);

export const counts: Job<'counts'> = (range) => Promise.resolve(readCounts(range));

export const countsFile: Job<'countsFile'> = (request) => writeCountsFile(request);

export const circleFile: Job<'circleFile'> = (request) => writeCircleFile(request);

export const suggestTopics: Job<'suggestTopics'> = (range) => Promise.resolve(suggest(range));

export const notesFile: Job<'notesFile'> = (request) => writeNotesFile(request);

export const erase: Job<'erase'> = (request) => Promise.resolve(eraseStudent(request));

export const archiveFile: Job<'archiveFile'> = (request) => Promise.resolve(writeArchiveFile(request));

export const readArchive: Job<'readArchive'> = (request) => Promise.resolve(readArchiveFile(request));
