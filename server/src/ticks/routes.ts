import { reads } from '@slate-path/core/scopes/rights';
import { nameFile } from '../files/nameFile';
import { nobodyWaits } from '../http/nobodyWaits';
import { Problem } from '../http/problem';
import { readerOf, route } from '../http/route';
import { roleIn } from '../scopes/access';

const nothingPaid = new Problem(
  404,
  'Nothing paid',
  'Nothing was paid of this, so that there is no receipt.',
);

export const tickRoutes = [
  route('ticksFile', {
    allow: readerOf('section', 'sectionId', 'tickColumn'),
    async handle({ params: { sectionId }, query, teacherId, services, response }) {
      const { file } = services.database;
      const request = { file, teacherId, sectionId, now: services.clock(), ...query };
      const bytes = await services.jobs.run('ticksFile', request, nobodyWaits(response));
      nameFile(response, 'tick-sheet', query.format);
      return bytes;
    },
  }),
  route('receipts', {
    allow: readerOf('tickColumn', 'columnId'),
    async handle({ params: { columnId }, query, teacherId, services, response }) {
      const { file, lookUp } = services.database;
      const { studentId = null, ...rest } = query;
      const column = lookUp.get<{ sectionId: string }>(
        'SELECT "sectionId" FROM "tickColumn" WHERE "id" = ?',
        columnId,
      );
      const sectionId = column?.sectionId ?? '';
      const request = { file, teacherId, sectionId, columnId, studentId, now: services.clock(), ...rest };
      const bytes = await services.jobs.run('receipts', request, nobodyWaits(response));
      if (!bytes) throw nothingPaid;
      nameFile(response, 'receipts', 'pdf');
      return bytes;
    },
  }),
  route('clipboardPages', {
    allow: 'member',
    async handle({ body: wish, teacherId, services, response }) {
      const { file, lookUp } = services.database;
      if (!wish.sectionIds.every((id) => reads(roleIn(lookUp, teacherId, id), 'section')))
        throw new Problem(404, 'Not found', 'One of these is no class of yours. Nothing was made.');
      const request = { file, teacherId, now: services.clock(), wish };
      const made = await services.jobs.run('clipboardPages', request, nobodyWaits(response));
      if ('refused' in made) throw new Problem(422, 'Too many boxes', made.refused);
      nameFile(response, 'clipboard', 'pdf');
      return made;
    },
  }),
];
