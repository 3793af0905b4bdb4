import { whoAtSchool } from '@slate-path/core/people/roster/atSchool';
import { Problem } from '../../http/problem';
import { route, writerOf } from '../../http/route';
import { studentsElsewhere, withTeachers } from './elsewhere';
import { load } from '../../database/load';

function bytesOf(body: unknown): Uint8Array {
  return body instanceof Uint8Array ? body : new Uint8Array();
}

export const rosterRoutes = [
  route('readRoster', {
    allow: writerOf('section', 'sectionId'),
    async handle({ params: { sectionId }, query, teacherId, services, request }) {
      const { read: from, lookUp } = services.database;
      const present = { removed: false };
      const reading = await services.jobs.run('readRoster', {
        bytes: bytesOf(request.body),
        roles: query.roles ?? null,
        sectionId,
        people: {
          students: await load(from, 'student', teacherId, present),
          guardians: await load(from, 'guardian', teacherId, present),
          enrolments: await load(from, 'enrolment', teacherId, present),
          elsewhere: studentsElsewhere(lookUp, teacherId),
        },
      });
      if ('refused' in reading) throw new Problem(422, 'No roster', reading.refused);
      const { columns, rows } = reading;
      return { columns, rows: rows.map((row) => ({ ...row, atSchool: withTeachers(lookUp, row.atSchool) })) };
    },
  }),
  route('atSchool', {
    allow: writerOf('section', 'sectionId'),
    handle({ body, teacherId, services: { database } }) {
      const { found } = whoAtSchool(body, studentsElsewhere(database.lookUp, teacherId));
      return Promise.resolve({ found: withTeachers(database.lookUp, found) });
    },
  }),
  route('readDaysOff', {
    allow: 'member',
    async handle({ request, services }) {
      const reading = await services.jobs.run('readDaysOff', { bytes: bytesOf(request.body) });
      if ('refused' in reading) throw new Problem(422, 'No calendar', reading.refused);
      return reading;
    },
  }),
];
