import { checkRange } from '../http/range';
import { ownerOf, route } from '../http/route';
import { loadOfLessonsBetween } from '../views/load';

export const sweepRoutes = [
  route('sweeps', {
    allow: ownerOf('section', 'sectionId'),
    cached: 'per-teacher',
    async handle({ params: { sectionId }, query, teacherId, services }) {
      checkRange(query);
      const span = { teacherId, sectionId, ...query };
      return { sweep: await loadOfLessonsBetween(services.database.read, 'sweep', span) };
    },
  }),
];
