import { Between } from '../../database/conditions';
import { load, loadOfLessonsBetween } from '../../database/load';
import { checkRange } from '../../http/range';
import { readerOf, route } from '../../http/route';
import { withPoints } from './readGames';

export const sidesRoutes = [
  route('played', {
    allow: readerOf('section', 'sectionId'),
    cached: 'per-teacher',
    async handle({ params: { sectionId }, query, teacherId, services }) {
      checkRange(query);
      const { read } = services.database;
      const span = { personId: teacherId, sectionId, ...query };
      return {
        lesson: await load(read, 'lesson', teacherId, { sectionId, date: Between(query.from, query.to) }),
        ...(await withPoints(read, teacherId, await loadOfLessonsBetween(read, 'game', span))),
        roomTone: await loadOfLessonsBetween(read, 'roomTone', span),
      };
    },
  }),
];
