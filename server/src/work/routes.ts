import { Between, In, IsNull, MoreThan } from '../database/conditions';
import { load } from '../database/load';
import { readerOf, route } from '../http/route';
import { readActivity, readStudentDay } from './readActivity';

export const workRoutes = [
  route('classWork', {
    allow: readerOf('section', 'sectionId', 'activity'),
    cached: 'per-teacher',
    async handle({ params: { sectionId }, query, teacherId, services: { database } }) {
      const { read, lookUp } = database;
      const dueAt = [Between(query.from, `${query.to}U`), MoreThan(`${query.to}U`), IsNull()];
      const work = (
        await Promise.all(dueAt.map((when) => load(read, 'work', teacherId, { sectionId, dueAt: when })))
      ).flat();
      const ofThem = { workId: In(work.map(({ id }) => id)) };
      const handIn = await load(read, 'handIn', teacherId, ofThem);
      return { work, handIn, ...readActivity(lookUp, { sectionId, ...query }) };
    },
  }),
  route('studentDay', {
    allow: readerOf('section', 'sectionId', 'activity'),
    cached: 'per-teacher',
    handle: ({ params, services: { database } }) => Promise.resolve(readStudentDay(database.lookUp, params)),
  }),
];
