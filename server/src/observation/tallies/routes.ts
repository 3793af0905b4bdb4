import { In } from '../../database/conditions';
import { nameFile } from '../../files/nameFile';
import { checkRange } from '../../http/range';
import { readerOf, route } from '../../http/route';
import { load } from '../../database/load';

export const tallyRoutes = [
  route('counts', {
    allow: readerOf('section', 'sectionId'),
    cached: 'per-teacher',
    async handle({ params: { sectionId }, query, teacherId, services }) {
      checkRange(query);
      const { file, read } = services.database;
      const now = services.clock();
      const { seen, spoke } = await services.jobs.run('counts', {
        file,
        teacherId,
        sectionId,
        now,
        ...query,
      });
      return { ...seen, spoke, countComment: await load(read, 'countComment', teacherId, { sectionId }) };
    },
  }),
  route('countsFile', {
    allow: readerOf('section', 'sectionId'),
    async handle({ params: { sectionId }, query, teacherId, services, response }) {
      checkRange(query);
      const { file } = services.database;
      const now = services.clock();
      const bytes = await services.jobs.run('countsFile', { file, teacherId, sectionId, now, ...query });
      nameFile(response, `counts-${query.from}-to-${query.to}`, query.format);
      return bytes;
    },
  }),
  route('circles', {
    allow: readerOf('section', 'sectionId'),
    cached: 'per-teacher',
    async handle({ params: { sectionId }, teacherId, services }) {
      const { read } = services.database;
      const circle = await load(read, 'circle', teacherId, { sectionId });
      const ofThem = { circleId: In(circle.map(({ id }) => id)) };
      const circleMember = await load(read, 'circleMember', teacherId, ofThem);
      return { circle, circleMember, tally: await load(read, 'tally', teacherId, ofThem) };
    },
  }),
  route('circleFile', {
    allow: readerOf('circle', 'circleId'),
    async handle({ params: { circleId }, query, teacherId, services, response }) {
      const { file } = services.database;
      const bytes = await services.jobs.run('circleFile', { file, teacherId, circleId, ...query });
      nameFile(response, 'circle', query.format);
      return bytes;
    },
  }),
];
