import type { AnswerOf } from '@slate-path/core/api/contract';
import { recordEntities } from '../../database/entities';
import { nameFile } from '../../files/nameFile';
import { readerOf, route } from '../../http/route';
import { checkRange } from '../../http/range';
import { readable } from '../../scopes/access';

export const rollRoutes = [
  route('standingUse', {
    allow: 'member',
    cached: 'per-teacher',
    async handle({ services, teacherId }) {
      const use = await services.database.read
        .getRepository(recordEntities.mark)
        .createQueryBuilder('mark')
        .innerJoin('lesson', 'lesson', 'lesson.id = mark.lessonId AND NOT lesson.removed')
        .select('mark.standingId', 'standingId')
        .addSelect('COUNT(*)', 'marks')
        .addSelect('COUNT(DISTINCT lesson.sectionId)', 'sections')
        .where(readable('mark').replace('?', ':teacherId'), { teacherId })
        .andWhere('NOT mark.removed AND mark.standingId IS NOT NULL')
        .groupBy('mark.standingId')
        .getRawMany<AnswerOf<'standingUse'>['use'][number]>();
      return { use };
    },
  }),
  route('totals', {
    allow: 'member',
    cached: 'per-teacher',
    async handle({ query, teacherId, services }) {
      checkRange(query);
      const { file } = services.database;
      const now = services.clock();
      const found = await services.jobs.run('totals', { file, teacherId, sectionId: null, now, ...query });
      return { rows: found.map((row) => ({ ...row, totals: { ...row.totals } })) };
    },
  }),
  route('rollFile', {
    allow: readerOf('section', 'sectionId'),
    async handle({ params: { sectionId }, query, teacherId, services, response }) {
      checkRange(query);
      const { file } = services.database;
      const now = services.clock();
      const bytes = await services.jobs.run('rollFile', { file, teacherId, sectionId, now, ...query });
      nameFile(response, `roll-${query.from}-to-${query.to}`, query.format);
      return bytes;
    },
  }),
];
