import path from 'node:path';
import { z } from 'zod';
import { Problem } from '../http/problem';
import { route } from '../http/route';
import type { Services } from '../services';
import { dropOldBackups, listBackups } from './backups';

const Backups = z.object({
  backups: z.array(z.object({ name: z.string(), madeAt: z.string(), bytes: z.int() })),
});

const dataFolderOf = ({ database }: Services) => path.dirname(database.file);

export const backupRoutes = [
  route({
    method: 'get',
    path: '/api/backups',
    summary: 'The backups of the whole database that lie on the server, the latest first.',
    allow: 'teacher',
    answer: Backups,
    handle: ({ services }) => Promise.resolve({ backups: listBackups(dataFolderOf(services)) }),
  }),
  route({
    method: 'post',
    path: '/api/backups',
    summary:
      'Makes a backup of the whole database on the server, as it stands, while others may go on writing.',
    allow: 'teacher',
    answer: Backups,
    async handle({ services }) {
      const dataFolder = dataFolderOf(services);
      const { refused } = await services.jobs.run('backUp', { dataFolder, now: services.clock() });
      if (refused !== null)
        throw new Problem(500, 'No backup', `${refused} The records are as they were; earlier backups too.`);
      dropOldBackups(dataFolder);
      return { backups: listBackups(dataFolder) };
    },
  }),
];
