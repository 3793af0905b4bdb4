import { z } from 'zod';
import { Id, recordSchema } from '@slate-path/core/records/schema';
import { checkRange, Range } from '../http/range';
import { ownerOf, route } from '../http/route';
import { loadOfLessonsBetween } from '../views/load';

export const sweepRoutes = [
  route({
    method: 'get',
    path: '/api/sections/{sectionId}/sweeps',
    summary: 'The engagement levels of a class over a range of days.',
    allow: ownerOf('section', 'sectionId'),
    cached: 'per-teacher',
    params: z.object({ sectionId: Id }),
    query: Range,
    answer: z.object({ sweep: z.array(recordSchema('sweep')) }),
    async handle({ params: { sectionId }, query, teacherId, services }) {
      checkRange(query);
      const span = { teacherId, sectionId, ...query };
      return { sweep: await loadOfLessonsBetween(services.database.read, 'sweep', span) };
    },
  }),
];
