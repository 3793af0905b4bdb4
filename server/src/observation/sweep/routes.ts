import { checkRange } from '../../http/range';
import { readerOf, route } from '../../http/route';
import { loadOfLessonsBetween } from '../../database/load';

export const sweepRoutes = [
  route('sweeps', {
    allow: readerOf('section', 'sectionId'),
    cached: 'per-teacher',
    async handle({ params: { sectionId }, query, teacherId, services }) {
      checkRange(query);
      const span = { personId: teacherId, sectionId, ...query };
      return { sweep: await loadOfLessonsBetween(services.database.read, 'sweep', span) };
    },
  }),
];
