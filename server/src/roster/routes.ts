import { z } from 'zod';
import { largestFileBytes } from '@slate-path/core/formats/table';
import { Id } from '@slate-path/core/records/schema';
import { columnRoles } from '@slate-path/core/roster/columns';
import { fates } from '@slate-path/core/roster/mergeRoster';
import { Problem } from '../http/problem';
import { ownerOf, route } from '../http/route';
import { load } from '../views/load';

const Role = z.enum(columnRoles);
const Roles = z
  .string()
  .transform((text) => text.split(','))
  .pipe(z.array(Role).max(200));

const Row = z.object({
  line: z.int(),
  fate: z.enum(fates),
  studentId: z.string().nullable(),
  candidates: z.array(z.string()),
  givenName: z.string(),
  familyName: z.string(),
  called: z.string(),
  email: z.string(),
  grade: z.string(),
  cohort: z.string(),
  schoolId: z.string(),
  guardians: z.array(z.object({ name: z.string(), email: z.string() })),
  doubts: z.array(z.object({ column: z.int().nullable(), reason: z.string(), mild: z.boolean() })),
  changes: z.array(z.object({ field: z.string(), before: z.string(), after: z.string() })),
});

const DayOffFound = z.object({ name: z.string(), startsOn: z.iso.date(), endsOn: z.iso.date() });

function bytesOf(body: unknown): Uint8Array {
  return body instanceof Uint8Array ? body : new Uint8Array();
}

export const rosterRoutes = [
  route({
    method: 'post',
    path: '/api/sections/{sectionId}/roster-reading',
    summary: 'How a roster file would be understood for a class: every row’s fate. Nothing is saved.',
    allow: ownerOf('section', 'sectionId'),
    params: z.object({ sectionId: Id }),
    query: z.object({ roles: Roles.optional() }),
    fileUpTo: largestFileBytes,
    answer: z.object({
      columns: z.object({ roles: z.array(Role), header: z.int(), titles: z.array(z.string()) }),
      rows: z.array(Row),
    }),
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
  route({
    method: 'post',
    path: '/api/days-off-reading',
    summary: 'Which days off an iCalendar file holds. Nothing is saved.',
    allow: 'teacher',
    fileUpTo: 1_000_000,
    answer: z.object({
      days: z.array(DayOffFound),
      leftOut: z.array(z.object({ name: z.string(), reason: z.string() })),
    }),
    async handle({ request, services }) {
      const reading = await services.jobs.run('readDaysOff', { bytes: bytesOf(request.body) });
      if ('refused' in reading) throw new Problem(422, 'No calendar', reading.refused);
      return reading;
    },
  }),
];
