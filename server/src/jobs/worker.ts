import { TableError } from '@slate-path/core/formats/table';
import { mergeRoster } from '@slate-path/core/roster/mergeRoster';
import { readRosterFile } from '@slate-path/core/roster/oneRoster';
import { readRoster as readRosterRows } from '@slate-path/core/roster/readRoster';
import { classTotals } from '@slate-path/core/roll/rollTable';
import { watchList } from '@slate-path/core/watch/watchList';
import { readRolls } from '../roll/readRoll';
import { rollFile as writeRollFile } from '../roll/rollFile';
import type { JobKinds } from './jobs';

type Job<K extends keyof JobKinds> = (input: JobKinds[K]['input']) => Promise<JobKinds[K]['result']>;

export const readRoster: Job<'readRoster'> = async ({ bytes, roles, sectionId, people }) => {
  try {
    const { columns, rows } = readRosterRows(await readRosterFile(bytes), roles ?? undefined);
    return { columns, rows: mergeRoster(rows, sectionId, people) };
  } catch (error) {
    if (error instanceof TableError) return { refused: error.message };
    throw error;
  }
};

export const watch: Job<'watch'> = (input) => Promise.resolve(watchList(input));

export const totals: Job<'totals'> = (range) => {
  const { now, classes } = readRolls(range);
  return Promise.resolve(classes.flatMap(({ section, roll }) => classTotals(section.id, roll, now)));
};

export const rollFile: Job<'rollFile'> = (request) => writeRollFile(request);
