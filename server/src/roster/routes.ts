import { Problem } from '../http/problem';
import { ownerOf, route } from '../http/route';
import { load } from '../views/load';

function bytesOf(body: unknown): Uint8Array {
  return body instanceof Uint8Array ? body : new Uint8Array();
}

export const rosterRoutes = [
  route('readRoster', {
    allow: ownerOf('section', 'sectionId'),
    async handle({ params: { sectionId }, query, teacherId, services, request }) {
      const from = services.database.read;
      const present = { teacherId, removed: false };
      const reading = await services.jobs.run('readRoster', {
        bytes: bytesOf(request.body),
        roles: query.roles ?? null,
        sectionId,
        people: {
          students: await load(from, 'student', present),
          guardians: await load(from, 'guardian', present),
          enrolments: await load(from, 'enrolment', present),
        },
      });
      if ('refused' in reading) throw new Problem(422, 'No roster', reading.refused);
      return reading;
    },
  }),
  route('readDaysOff', {
    allow: 'teacher',
    async handle({ request, services }) {
      const reading = await services.jobs.run('readDaysOff', { bytes: bytesOf(request.body) });
      if ('refused' in reading) throw new Problem(422, 'No calendar', reading.refused);
      return reading;
    },
  }),
];
