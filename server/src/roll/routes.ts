import { Between, In } from 'typeorm';
import { z } from 'zod';
import { lessonsBetween } from '@slate-path/core/calendar/lessons';
import { monthSpan } from '@slate-path/core/calendar/localTime';
import { localMoment } from '@slate-path/core/calendar/zone';
import { writeCsv } from '@slate-path/core/formats/csv';
import { Id } from '@slate-path/core/records/schema';
import { rollBookOf } from '@slate-path/core/roll/book';
import { monthTable } from '@slate-path/core/roll/monthTable';
import { ownerOf, route } from '../http/route';
import { load } from '../views/load';

export const rollRoutes = [
  route({
    method: 'get',
    path: '/api/sections/{sectionId}/months/{month}/roll.csv',
    summary: 'A month of a class as CSV (RFC 4180, UTF-8): a student a row, a lesson a column, all totals.',
    allow: ownerOf('section', 'sectionId'),
    params: z.object({ sectionId: Id, month: z.string().regex(/^\d{4}-(0[1-9]|1[0-2])$/) }),
    query: z.object({ bom: z.enum(['yes', 'no']).default('no') }),
    answer: z.string(),
    answersWith: 'text/csv; charset=utf-8',
    async handle({ params: { sectionId, month }, query, teacherId, services, response }) {
      const from = services.database.read;
      const span = monthSpan(month);
      const present = { teacherId, removed: false };
      const recorded = await load(from, 'lesson', { sectionId, date: Between(span.from, span.to) });
      const calendar = {
        terms: await load(from, 'term', present),
        daysOff: await load(from, 'dayOff', present),
        meetings: await load(from, 'meeting', { ...present, sectionId }),
        lessons: recorded,
      };
      const lessons = lessonsBetween(calendar, span.from, span.to);
      const enrolments = await load(from, 'enrolment', { ...present, sectionId });
      const school = (await load(from, 'school', present))[0];
      const book = rollBookOf({
        marks: await load(from, 'mark', { lessonId: In(recorded.map(({ id }) => id)), removed: false }),
        standings: await load(from, 'standing', { teacherId }),
        sections: await load(from, 'section', { teacherId }),
        school,
      });
      const students = await load(from, 'student', present);
      const now = localMoment(services.clock(), school?.zone ?? 'UTC');
      response.setHeader('Content-Disposition', `attachment; filename="roll-${month}.csv"`);
      return writeCsv(monthTable({ students, enrolments, lessons, book }, now), query.bom === 'yes');
    },
  }),
];
