import path from 'node:path';
import { Problem } from '../../http/problem';
import { route } from '../../http/route';
import type { Services } from '../../services';
import { NotBrought, writeInBulk } from '../../changes/bulk';
import { tellPages } from '../../scopes/tellPages';
import { dropOldBackups, listBackups } from './backups';

const dataFolderOf = ({ database }: Services) => path.dirname(database.file);

async function makeBackup(services: Services): Promise<void> {
  const dataFolder = dataFolderOf(services);
  const { refused } = await services.jobs.run('backUp', { dataFolder, now: services.clock() });
  if (refused !== null)
    throw new Problem(500, 'No backup', `${refused} The records are as they were; earlier backups too.`);
  dropOldBackups(dataFolder);
}

async function readIt(services: Services, name: string, teacherId: string) {
  const read = await services.jobs.run('readBackup', {
    dataFolder: dataFolderOf(services),
    name,
    teacherId,
  });
  if ('refused' in read) throw new Problem(422, 'Not gone back', `${read.refused} Nothing was changed.`);
  return read;
}

export const backupRoutes = [
  route('backups', {
    allow: 'keeper',
    handle: ({ services }) => Promise.resolve({ backups: listBackups(dataFolderOf(services)) }),
  }),
  route('makeBackup', {
    allow: 'keeper',
    async handle({ services }) {
      await makeBackup(services);
      return { backups: listBackups(dataFolderOf(services)) };
    },
  }),
  route('previewReturn', {
    allow: 'keeper',
    async handle({ services, params, teacherId }) {
      const { asThen, backAgain, gone } = await readIt(services, params.name, teacherId);
      return { asThen, backAgain, gone };
    },
  }),
  route('returnToBackup', {
    allow: 'keeper',
    async handle({ services, params, teacherId }) {
      // Read first: the backup of now may push the oldest out.
      const { records } = await readIt(services, params.name, teacherId);
      await makeBackup(services);
      const heard = new Set<string>();
      try {
        const { database, clock } = services;
        await writeInBulk({ database, clock, teacherId, heard }, 'archive.goBack', records);
      } catch (error) {
        if (!(error instanceof NotBrought)) throw error;
        const how = 'What came before it was brought back; the backup of a moment ago has all as it was.';
        throw new Problem(422, 'Not all of it', `${error.message} ${how}`);
      } finally {
        tellPages(services, [teacherId, ...heard]);
      }
      return { backups: listBackups(dataFolderOf(services)) };
    },
  }),
];
