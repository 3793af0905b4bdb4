import { Problem } from '../../http/problem';
import { route, writerOf } from '../../http/route';
import { load } from '../../views/load';

function bytesOf(body: unknown): Uint8Array {
  return body instanceof Uint8Array ? body : new Uint8Array();
}

export const rosterRoutes = [
  route('readRoster', {
    allow: writerOf('section', 'sectionId'),
    async handle({ params: { sectionId }, query, teacherId, services, request }) {
      const from = services.database.read;
      const present = { removed: false };
      const reading = await services.jobs.run('readRoster', {
        bytes: bytesOf(request.body),
        roles: query.roles ?? null,
        sectionId,
        people: {
          students: await load(from, 'student', teacherId, present),
          guardians: await load(from, 'guardian', teacherId, present),
          enrolments: await load(from, 'enrolment', teacherId, present),
        },
      });
      if ('refused' in reading) throw new Problem(422, 'No roster', reading.refused);
      return reading;
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
