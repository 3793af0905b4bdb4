import { Between } from '../database/conditions';
import { load } from '../database/load';
import { checkRange } from '../http/range';
import { readerOf, route } from '../http/route';

export const nodRoutes = [
  route('nods', {
    allow: readerOf('section', 'sectionId'),
    cached: 'per-teacher',
    async handle({ params: { sectionId }, query, teacherId, services }) {
      checkRange(query);
      const at = Between(query.from, `${query.to}U`);
      return { nod: await load(services.database.read, 'nod', teacherId, { sectionId, at }) };
    },
  }),
];
