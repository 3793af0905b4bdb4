import { z } from 'zod';
import { In } from 'typeorm';
import { Id, recordSchema } from '@slate-path/core/records/schema';
import { countGroupings } from '@slate-path/core/tallies/countsTable';
import { fileAnswer, nameFile } from '../files/nameFile';
import { checkRange, Range } from '../http/range';
import { ownerOf, route } from '../http/route';
import { load } from '../views/load';

const OfSection = z.object({ sectionId: Id });
const ofLesson = { lessonId: z.string(), studentId: z.string() };

export const tallyRoutes = [
  route({
    method: 'get',
    path: '/api/sections/{sectionId}/counts',
    summary:
      'What was seen in a class over a range of days: counts by lesson, student and look-for, and for how many minutes each student was observed.',
    allow: ownerOf('section', 'sectionId'),
    cached: 'per-teacher',
    params: OfSection,
    query: Range,
    answer: z.object({
      lessons: z.array(z.object({ id: z.string(), date: z.string(), startsAt: z.string() })),
      counts: z.array(
        z.object({
          ...ofLesson,
          studentId: z.string().nullable(),
          lookForId: z.string(),
          amount: z.number(),
        }),
      ),
      exposures: z.array(z.object({ ...ofLesson, minutes: z.number() })),
      spoke: z.array(z.object(ofLesson)),
      countComment: z.array(recordSchema('countComment')),
    }),
    async handle({ params: { sectionId }, query, teacherId, services }) {
      checkRange(query);
      const { file, read } = services.database;
      const now = services.clock();
      const { seen, spoke } = await services.jobs.run('counts', {
        file,
        teacherId,
        sectionId,
        now,
        ...query,
      });
      return { ...seen, spoke, countComment: await load(read, 'countComment', { sectionId }) };
    },
  }),
  route({
    method: 'get',
    path: '/api/sections/{sectionId}/counts-file',
    summary:
      'The same as a file: CSV (RFC 4180) by student, lesson or week, or XLSX with a sheet of each; sums, and rates per observed hour.',
    allow: ownerOf('section', 'sectionId'),
    params: OfSection,
    query: Range.extend({
      format: z.enum(['csv', 'xlsx']).default('csv'),
      by: z.enum(countGroupings).default('student'),
      order: z.enum(['given', 'family']).default('given'),
    }),
    ...fileAnswer,
    async handle({ params: { sectionId }, query, teacherId, services, response }) {
      checkRange(query);
      const { file } = services.database;
      const now = services.clock();
      const bytes = await services.jobs.run('countsFile', { file, teacherId, sectionId, now, ...query });
      nameFile(response, `counts-${query.from}-to-${query.to}`, query.format);
      return bytes;
    },
  }),
  route({
    method: 'get',
    path: '/api/sections/{sectionId}/circles',
    summary: 'All circles of a class with who was in them and what each said.',
    allow: ownerOf('section', 'sectionId'),
    cached: 'per-teacher',
    params: OfSection,
    answer: z.object({
      circle: z.array(recordSchema('circle')),
      circleMember: z.array(recordSchema('circleMember')),
      tally: z.array(recordSchema('tally')),
    }),
    async handle({ params, services }) {
      const { read } = services.database;
      const circle = await load(read, 'circle', params);
      const ofThem = { circleId: In(circle.map(({ id }) => id)) };
      const circleMember = await load(read, 'circleMember', ofThem);
      return { circle, circleMember, tally: await load(read, 'tally', ofThem) };
    },
  }),
  route({
    method: 'get',
    path: '/api/circles/{circleId}/file',
    summary:
      'One circle as CSV (RFC 4180), XLSX or a page to print: a student a row, moves, goals, feedback.',
    allow: ownerOf('circle', 'circleId'),
    params: z.object({ circleId: Id }),
    query: z.object({ format: z.enum(['csv', 'xlsx', 'html']).default('csv') }),
    ...fileAnswer,
    async handle({ params: { circleId }, query: { format }, teacherId, services, response }) {
      const { file } = services.database;
      const bytes = await services.jobs.run('circleFile', { file, teacherId, circleId, format });
      nameFile(response, 'circle', format);
      return bytes;
    },
  }),
];
