import { z } from 'zod';
import { Id, LocalDate, LocalMoment } from '../records/values';
import { Day, Range, rows, type Endpoint } from './endpoint';

/** What a student did on a day, all kinds and places that were asked for together. */
export const StudentDay = z.object({
  studentId: Id,
  day: LocalDate,
  count: z.int(),
  seconds: z.number(),
  first: LocalMoment,
  last: LocalMoment,
  /** Bits of the hours in which something was done. */
  hours: z.int(),
});

const Counted = z.object({ name: z.string(), count: z.int() });

export const ActivitySummary = z.object({
  days: z.array(StudentDay),
  /** All that there are in the range, most first, whatever was asked for. */
  kinds: z.array(Counted),
  places: z.array(Counted),
  /** How long before the first day students were seen, and on how many of the eight weeks’ days before it. */
  before: z.array(z.object({ studentId: Id, lastOn: LocalDate.nullable(), days: z.int() })),
  /** The same length of time before: how many were active, with how many actions. */
  earlier: z.object({ active: z.int(), actions: z.int() }),
});

export const workEndpoints = {
  classWork: {
    summary:
      'Work and activity of a class in a range of days: its pieces of work with what was handed in, and what was done, day by day.',
    params: z.object({ sectionId: Id }),
    query: Range.extend({ kind: z.string().max(200).optional(), place: z.string().max(200).optional() }),
    answer: ActivitySummary.extend({ work: rows('work'), handIn: rows('handIn') }),
  },
  studentDay: {
    summary: 'What one student of a class did on a day, action by action.',
    params: z.object({ sectionId: Id, studentId: Id, date: Day }),
    answer: z.object({
      actions: z.array(
        z.object({
          at: LocalMoment,
          kind: z.string(),
          place: z.string(),
          object: z.string(),
          seconds: z.number().nullable(),
        }),
      ),
      /** There are more than one page shows. */
      more: z.boolean(),
    }),
  },
} satisfies Record<string, Endpoint>;
