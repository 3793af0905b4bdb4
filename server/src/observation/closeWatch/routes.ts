import { Between, In } from '../../database/conditions';
import { load, loadOfLessonsBetween } from '../../database/load';
import { checkRange } from '../../http/range';
import { readerOf, route } from '../../http/route';
import { withEvents } from './readObservations';

export const closeWatchRoutes = [
  route('observations', {
    allow: readerOf('section', 'sectionId'),
    cached: 'per-teacher',
    async handle({ params: { sectionId }, query, teacherId, services }) {
      checkRange(query);
      const { read } = services.database;
      const observationPlan = await load(read, 'observationPlan', teacherId, { sectionId });
      const ofPlans = { planId: In(observationPlan.map(({ id }) => id)) };
      const sessions = await loadOfLessonsBetween(read, 'observation', {
        ...{ personId: teacherId, sectionId, ...query },
      });
      return {
        lesson: await load(read, 'lesson', teacherId, { sectionId, date: Between(query.from, query.to) }),
        observationPlan,
        observationPhase: await load(read, 'observationPhase', teacherId, ofPlans),
        observationComment: await load(read, 'observationComment', teacherId, ofPlans),
        ...(await withEvents(read, teacherId, sessions)),
      };
    },
  }),
];
