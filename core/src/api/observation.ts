import { z } from 'zod';
import { Id } from '../records/schema';
import { countGroupings } from '../observation/tallies/countsTable';
import { fileAnswer, fileFormats, Paper, Range, rows, type Endpoint } from './endpoint';

const OfSection = z.object({ sectionId: Id });
const ofLesson = { lessonId: z.string(), studentId: z.string() };

export const observationEndpoints = {
  counts: {
    summary:
      'What was seen in a class over a range of days: counts by lesson, student and look-for, and for how many minutes each student was observed.',
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
      countComment: rows('countComment'),
    }),
  },
  countsFile: {
    summary:
      'The same as a file: CSV (RFC 4180) by student, lesson or week, XLSX with a sheet of each, or PDF with a chart; sums, and rates per observed hour.',
    params: OfSection,
    query: Range.extend({
      format: z.enum(['csv', 'xlsx', 'pdf']).default('csv'),
      by: z.enum(countGroupings).default('student'),
      order: z.enum(['given', 'family']).default('given'),
      /** The one that a PDF is about; all of them otherwise. */
      lookForId: Id.optional(),
      ...Paper,
    }),
    ...fileAnswer(['csv', 'xlsx', 'pdf']),
  },
  circles: {
    summary: 'All circles of a class with who was in them and what each said.',
    params: OfSection,
    answer: z.object({ circle: rows('circle'), circleMember: rows('circleMember'), tally: rows('tally') }),
  },
  circleFile: {
    summary:
      'One circle as CSV (RFC 4180), XLSX or a page to print: a student a row, moves, goals, feedback; or as slips of feedback, four to a sheet (PDF).',
    params: z.object({ circleId: Id }),
    query: z.object({ format: z.enum(fileFormats).default('csv'), ...Paper }),
    ...fileAnswer(fileFormats),
  },
  sweeps: {
    summary: 'The engagement levels of a class over a range of days.',
    params: OfSection,
    query: Range,
    answer: z.object({ sweep: rows('sweep') }),
  },
  played: {
    summary: 'The games of a class over a range of days with all points given, and how its tone went.',
    params: OfSection,
    query: Range,
    answer: z.object({
      lesson: rows('lesson'),
      game: rows('game'),
      gamePoint: rows('gamePoint'),
      roomTone: rows('roomTone'),
    }),
  },
  observations: {
    summary:
      'What is watched closely in a class, with the sessions of a range of days and all that was seen in them.',
    params: OfSection,
    query: Range,
    answer: z.object({
      lesson: rows('lesson'),
      observationPlan: rows('observationPlan'),
      observationPhase: rows('observationPhase'),
      observationComment: rows('observationComment'),
      observation: rows('observation'),
      observationEvent: rows('observationEvent'),
    }),
  },
} satisfies Record<string, Endpoint>;
