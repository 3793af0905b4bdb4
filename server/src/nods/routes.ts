import { Between, In, IsNull } from '../database/conditions';
import { load } from '../database/load';
import { Problem } from '../http/problem';
import { checkRange } from '../http/range';
import { readerOf, route } from '../http/route';
import { dayAtSchool, memberOf } from '../scopes/access';
import { drawnStudents, noddedClasses, noddedStudents, schoolCounts } from './school';

export const nodRoutes = [
  route('nods', {
    allow: readerOf('section', 'sectionId'),
    cached: 'per-teacher',
    async handle({ params: { sectionId }, query, teacherId, services }) {
      checkRange(query);
      const { read } = services.database;
      const at = Between(query.from, `${query.to}U`);
      const enrolled = await load(read, 'enrolment', teacherId, { sectionId });
      const studentId = In(enrolled.map((one) => one.studentId));
      return {
        nod: [
          ...(await load(read, 'nod', teacherId, { sectionId, at })),
          ...(await load(read, 'nod', teacherId, { sectionId: IsNull(), studentId, at })),
        ],
      };
    },
  }),
  route('schoolNods', {
    allow: 'keeper',
    async handle({ query, teacherId, services: { database, clock } }) {
      checkRange(query);
      const days = { personId: teacherId, ...query };
      const today = dayAtSchool(database.lookUp, teacherId, clock());
      const students = noddedStudents(database.lookUp, days, today);
      const here = new Set(students.map(({ id }) => id));
      return {
        ...schoolCounts(database.lookUp, days),
        students,
        formerly: drawnStudents(database.lookUp, teacherId).filter(({ id }) => !here.has(id)),
        classes: noddedClasses(database.lookUp, days),
        draw: await load(database.read, 'draw', teacherId, { sectionId: IsNull() }),
      };
    },
  }),
  route('noddedStudents', {
    allow: 'member',
    handle({ query, teacherId, services: { database, clock } }) {
      checkRange(query);
      if (memberOf(database.lookUp, teacherId)?.role !== 'teacher')
        throw new Problem(403, 'For teachers', 'Only teachers of the school see who had nods.');
      const today = dayAtSchool(database.lookUp, teacherId, clock());
      const students = noddedStudents(database.lookUp, { personId: teacherId, ...query }, today);
      return Promise.resolve({ students });
    },
  }),
];
