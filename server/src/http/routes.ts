import fs from 'node:fs/promises';
import path from 'node:path';
import { accountRoutes } from '../accounts/routes';
import { archiveRoutes } from '../keeping/archive/routes';
import { backupRoutes } from '../keeping/backups/routes';
import { checkInRoutes } from '../attendance/checkIn/routes';
import { changeRoutes } from '../changes/routes';
import { messageRoutes } from '../people/messages/routes';
import { erasureRoutes } from '../keeping/erasure/routes';
import { noteRoutes } from '../notes/routes';
import { participantRoutes } from '../attendance/participants/routes';
import { rollRoutes } from '../attendance/roll/routes';
import { rosterRoutes } from '../people/roster/routes';
import { grantRoutes } from '../sharing/grantRoutes';
import { ownViewRoutes } from '../sharing/ownView/routes';
import { paperRoutes } from '../sharing/papers/routes';
import { readerPageRoutes } from '../sharing/readerPages/routes';
import { sharingRoutes } from '../sharing/routes';
import { nodRoutes } from '../nods/routes';
import { closeWatchRoutes } from '../observation/closeWatch/routes';
import { sidesRoutes } from '../observation/sides/routes';
import { sweepRoutes } from '../observation/sweep/routes';
import { syncRoutes } from '../sync/routes';
import { tallyRoutes } from '../observation/tallies/routes';
import { viewRoutes } from '../views/routes';
import { watchRoutes } from '../watch/routes';
import { feedRoutes } from '../work/feed/routes';
import { tickRoutes } from '../ticks/routes';
import { workRoutes } from '../work/routes';
import { openApiDocument } from './openapi';
import { Problem } from './problem';
import { route, type Route } from './route';

const openApi = route('openApi', {
  allow: 'anyone',
  handle: () => Promise.resolve(openApiDocument(routes)),
});

/** With less than this, the next backup or a busy morning may not fit. */
const leastRoomBytes = 50_000_000;

const health = route('health', {
  allow: 'anyone',
  async handle({ services: { database } }) {
    database.lookUp.get('SELECT 1');
    const trouble = database.trouble();
    if (trouble) throw new Problem(503, 'Cannot write', trouble);
    const { bavail, bsize } = await fs.statfs(path.dirname(database.file));
    if (bavail * bsize < leastRoomBytes)
      throw new Problem(503, 'Little room', 'The server’s disk is nearly full. Make room on it.');
    return { ok: true as const };
  },
});

/** Every route there is: what is mounted, documented, and walked by the test of who may do what. */
export const routes: readonly Route[] = [
  health,
  openApi,
  ...accountRoutes,
  ...changeRoutes,
  ...viewRoutes,
  ...tallyRoutes,
  ...sidesRoutes,
  ...closeWatchRoutes,
  ...sweepRoutes,
  ...nodRoutes,
  ...tickRoutes,
  ...noteRoutes,
  ...watchRoutes,
  ...workRoutes,
  ...feedRoutes,
  ...archiveRoutes,
  ...backupRoutes,
  ...erasureRoutes,
  ...rollRoutes,
  ...rosterRoutes,
  ...messageRoutes,
  ...participantRoutes,
  ...checkInRoutes,
  ...sharingRoutes,
  ...grantRoutes,
  ...ownViewRoutes,
  ...paperRoutes,
  ...readerPageRoutes,
  ...syncRoutes,
];
