import { z } from 'zod';
import { Id, LocalDate, LocalMoment } from '../records/values';
import { handInStatuses } from '../records/workFields';
import { workRoles } from '../work/bring/headingRoles';
import { workLimits } from '../work/bring/limits';
import { workSheets } from '../work/workTables';
import { Day, fileAnswer, Paper, Range, rows, type Endpoint } from './endpoint';

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

const Said = z.array(z.object({ line: z.int(), reason: z.string() }));
const OrNull = LocalMoment.nullable();
const dateOrders = ['day_first', 'month_first'] as const;

/** How a file is understood; of its actions only what they come to. */
export const WorkFileReading = z.object({
  shape: z.enum(['activity', 'hand_ins', 'pieces', 'grade_book']),
  columns: z.array(z.object({ heading: z.string(), role: z.enum(workRoles).nullable() })),
  people: z.array(
    z.object({
      written: z.string(),
      name: z.string(),
      email: z.string(),
      schoolId: z.string(),
      lines: z.array(z.int()),
      actions: z.int(),
    }),
  ),
  actions: z.object({
    count: z.int(),
    from: LocalDate.nullable(),
    to: LocalDate.nullable(),
    kinds: z.array(Counted),
  }),
  pieces: z.array(
    z.object({ title: z.string(), assignedAt: OrNull, dueAt: OrNull, points: z.number().nullable() }),
  ),
  handIns: z.array(
    z.object({
      person: z.int(),
      piece: z.int(),
      status: z.enum(handInStatuses),
      handedInAt: OrNull,
      handedBackAt: OrNull,
      score: z.number().nullable(),
      written: z.string().optional(),
      share: z.number().optional(),
      line: z.int(),
    }),
  ),
  onlyKnown: z.boolean().optional(),
  /** The first of them; how many there are in all. */
  leftOut: Said,
  leftOutCount: z.int(),
  told: Said,
  toldCount: z.int(),
  order: z.enum(dateOrders),
  orderUnsure: z.boolean(),
});

export const workEndpoints = {
  workFile: {
    summary:
      'The same as a file: XLSX with a sheet for each subject, one of them as CSV, or the class without names, to print or as PDF.',
    params: z.object({ sectionId: Id }),
    query: Range.extend({
      format: z.enum(['csv', 'xlsx', 'html', 'pdf']).default('xlsx'),
      sheet: z.enum(workSheets).default('students'),
      ...Paper,
      order: z.enum(['given', 'family']).default('given'),
    }),
    ...fileAnswer(['xlsx', 'csv', 'html', 'pdf']),
  },
  readWork: {
    summary:
      'How a file about work or activity is understood: a table, a grade book, or xAPI statements. Nothing is saved.',
    params: z.object({ sectionId: Id }),
    query: z.object({ order: z.enum(dateOrders).optional() }),
    fileUpTo: workLimits.bytes,
    answer: WorkFileReading,
  },
  bringActivity: {
    summary:
      'Takes in the actions of a file, of everybody who is known or was answered about. What is there already stays; all of it is taken back by one change.',
    params: z.object({ sectionId: Id }),
    query: z.object({ order: z.enum(dateOrders).optional(), name: z.string().max(200).optional() }),
    fileUpTo: workLimits.bytes,
    answer: z.object({
      /** Null where nothing was new. */
      changeId: z.string().nullable(),
      added: z.int(),
      known: z.int(),
      ofNobody: z.int(),
    }),
  },
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
