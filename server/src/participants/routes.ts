import { z } from 'zod';
import { largestFileBytes } from '@slate-path/core/formats/table';
import { Id, LocalDate } from '@slate-path/core/records/schema';
import { Problem } from '../http/problem';
import { ownerOf, route } from '../http/route';

const Moment = z.object({ date: z.string().nullable(), seconds: z.number(), offset: z.number().nullable() });
const Participant = z.object({
  line: z.int(),
  written: z.string(),
  name: z.string(),
  email: z.string(),
  schoolId: z.string(),
  joined: Moment.nullable(),
  left: Moment.nullable(),
});

export const participantRoutes = [
  route({
    method: 'post',
    path: '/api/sections/{sectionId}/participants-reading',
    summary:
      'Who was in a meeting, as a list or pasted lines say it, each line understood or left out. Nothing is saved.',
    allow: ownerOf('section', 'sectionId'),
    params: z.object({ sectionId: Id }),
    query: z.object({
      lessonDate: LocalDate.optional(),
      order: z.enum(['day_first', 'month_first']).optional(),
    }),
    fileUpTo: largestFileBytes,
    answer: z.object({
      participants: z.array(Participant),
      leftOut: z.array(z.object({ line: z.int(), text: z.string(), reason: z.string() })),
      offset: z.number().nullable(),
      dateOrderUnsure: z.boolean(),
    }),
    async handle({ query: { lessonDate = null, order = null }, services, request }) {
      const bytes = request.body instanceof Uint8Array ? request.body : new Uint8Array();
      const reading = await services.jobs.run('readParticipants', { bytes, lessonDate, order });
      if ('refused' in reading) throw new Problem(422, 'No participant list', reading.refused);
      return reading;
    },
  }),
];
