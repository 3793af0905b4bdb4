import { reads } from '@slate-path/core/scopes/rights';
import { nameFile } from '../../files/nameFile';
import { nobodyWaits } from '../../http/nobodyWaits';
import { Problem } from '../../http/problem';
import { checkRange } from '../../http/range';
import { route } from '../../http/route';
import { roleIn } from '../../scopes/access';
import type { Services } from '../../services';
import { demandMay } from '../readerPages/demandMay';
import { passesOn } from '../readerPages/pages';

/** Only a student's teachers pass on what is recorded of them. */
function demandTeachers({ database }: Services, teacherId: string, studentIds: readonly string[]): void {
  if (!studentIds.every((id) => passesOn(database.lookUp, teacherId, id)))
    throw new Problem(404, 'Not found', 'One of these is no student of yours. Nothing was made.');
}

export const paperRoutes = [
  route('pagePaper', {
    allow: 'member',
    async handle({ body, teacherId, services, response }) {
      const now = services.clock();
      demandMay(services.database.lookUp, teacherId, body.settings, now);
      const { file } = services.database;
      const request = { file, madeBy: teacherId, now, ...body };
      const bytes = await services.jobs.run('pagePaper', request, nobodyWaits(response));
      nameFile(response, 'page', 'pdf');
      return bytes;
    },
  }),
  route('reports', {
    allow: 'member',
    async handle({ body, teacherId, services, response }) {
      demandTeachers(services, teacherId, body.studentIds);
      checkRange(body);
      const { file } = services.database;
      const request = { file, madeBy: teacherId, now: services.clock(), reports: body };
      const bytes = await services.jobs.run('reportsPaper', request, nobodyWaits(response));
      nameFile(response, `reports-${body.from}-to-${body.to}`, 'pdf');
      return bytes;
    },
  }),
  route('workbook', {
    allow: 'member',
    async handle({ query, teacherId, services, response }) {
      checkRange(query);
      const { file, lookUp } = services.database;
      const { sectionId = null, ...rest } = query;
      if (sectionId !== null && !reads(roleIn(lookUp, teacherId, sectionId), 'section'))
        throw new Problem(404, 'Not found', 'There is no such class of yours. Nothing was made.');
      const request = { file, teacherId, sectionId, now: services.clock(), ...rest };
      const bytes = await services.jobs.run('workbook', request, nobodyWaits(response));
      nameFile(response, `classes-${query.from}-to-${query.to}`, 'xlsx');
      return bytes;
    },
  }),
];
