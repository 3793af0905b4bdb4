import { z } from 'zod';
import { Id } from '@slate-path/core/records/schema';
import { recordEntities } from '../database/entities';
import { fileAnswer, nameFile } from '../files/nameFile';
import { ownerOf, route } from '../http/route';
import { checkRange, Range } from '../http/range';
import { rollFormats } from './rollFile';

const StandingUse = z.object({
  standingId: z.string(),
  marks: z.number(),
  sections: z.number(),
});

const Totals = z.record(z.string(), z.number().nullable());
export const rollRoutes = [
  route({
    method: 'get',
    path: '/api/standings/use',
    summary: 'How many marks each attendance kind has, and in how many classes: what a merge would touch.',
    allow: 'teacher',
    cached: 'per-teacher',
    answer: z.object({ use: z.array(StandingUse) }),
    async handle({ services, teacherId }) {
      const use = await services.database.read
        .getRepository(recordEntities.mark)
        .createQueryBuilder('mark')
        .innerJoin('lesson', 'lesson', 'lesson.id = mark.lessonId AND NOT lesson.removed')
        .select('mark.standingId', 'standingId')
        .addSelect('COUNT(*)', 'marks')
        .addSelect('COUNT(DISTINCT lesson.sectionId)', 'sections')
        .where('mark.teacherId = :teacherId AND NOT mark.removed AND mark.standingId IS NOT NULL')
        .setParameters({ teacherId })
        .groupBy('mark.standingId')
        .getRawMany<z.infer<typeof StandingUse>>();
      return { use };
    },
  }),
  route({
    method: 'get',
    path: '/api/totals',
    summary: 'Every student’s totals in every class over a range of days, both included.',
    allow: 'teacher',
    cached: 'per-teacher',
    query: Range,
    answer: z.object({
      rows: z.array(
        z.object({ sectionId: z.string(), studentId: z.string(), cohort: z.string(), totals: Totals }),
      ),
    }),
    async handle({ query, teacherId, services }) {
      checkRange(query);
      const { file } = services.database;
      const now = services.clock();
      const found = await services.jobs.run('totals', { file, teacherId, sectionId: null, now, ...query });
      return { rows: found.map((row) => ({ ...row, totals: { ...row.totals } })) };
    },
  }),
  route({
    method: 'get',
    path: '/api/sections/{sectionId}/roll',
    summary:
      'The roll of a class over a range of days as CSV (RFC 4180), XLSX or a page to print: a student a row, a lesson a column, all totals.',
    allow: ownerOf('section', 'sectionId'),
    params: z.object({ sectionId: Id }),
    query: Range.extend({
      format: z.enum(rollFormats).default('csv'),
      order: z.enum(['given', 'family']).default('given'),
    }),
    ...fileAnswer,
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
