import { z } from 'zod';
import { Saying } from '../attendance/checkIn/saying';
import { largestFileBytes } from '../formats/table';
import { Id } from '../records/schema';
import { Day, Done, fileAnswer, fileFormats, Paper, Range, rows, type Endpoint } from './endpoint';
import { noteRows } from './notes';

const Month = z.string().regex(/^(?:19|20|21)\d{2}-(0[1-9]|1[0-2])$/, 'A month looks like 2026-11');

const LessonsWithMarks = z.object({
  lesson: rows('lesson'),
  mark: rows('mark'),
  checkIn: rows('checkIn'),
  otherCheckIn: rows('otherCheckIn'),
  sweep: rows('sweep'),
});

/** What a change did, as a history tells it. */
const HistoryLine = z.object({
  id: z.string(),
  kind: z.string(),
  device: z.string(),
  madeAt: z.iso.datetime(),
  receivedAt: z.iso.datetime(),
  edits: z.array(
    z.object({
      table: z.string(),
      id: z.string(),
      before: z.record(z.string(), z.unknown()).nullable(),
      after: z.record(z.string(), z.unknown()),
      overruled: z.array(z.string()),
    }),
  ),
});

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

/** Every number of a student's totals; the share is null where nothing was taken. */
const Totals = z.object({
  lessons: z.number(),
  taken: z.number(),
  notTaken: z.number(),
  here: z.number(),
  late: z.number(),
  leftEarly: z.number(),
  away: z.number(),
  excused: z.number(),
  setAside: z.number(),
  marked: z.number(),
  minutesThere: z.number(),
  minutesMissed: z.number(),
  minutesLate: z.number(),
  days: z.number(),
  awayByLates: z.number(),
  credit: z.number(),
  percent: z.number().nullable(),
});

const ByToken = z.object({ token: z.string().max(100) });
const OfSection = z.object({ sectionId: Id });

export const attendanceEndpoints = {
  day: {
    summary: 'All lessons of one day somebody wrote about, with all that was marked, said and seen.',
    params: z.object({ date: Day }),
    answer: LessonsWithMarks.extend({
      tallying: rows('tallying'),
      tally: rows('tally'),
      circle: rows('circle'),
      circleMember: rows('circleMember'),
      turn: rows('turn'),
      game: rows('game'),
      gamePoint: rows('gamePoint'),
      roomTone: rows('roomTone'),
      observation: rows('observation'),
      observationEvent: rows('observationEvent'),
      ...noteRows,
    }),
  },
  lessons: {
    summary: 'All lessons of a range of days (at most 400) somebody wrote about, with their marks.',
    query: Range.refine(
      ({ from, to }) => from <= to && Date.parse(to) - Date.parse(from) <= 400 * 86_400_000,
      { message: 'A range is in order and at most 400 days', path: ['to'] },
    ),
    answer: LessonsWithMarks,
  },
  month: {
    summary: 'A class’s lessons of one month with their marks.',
    params: OfSection.extend({ month: Month }),
    answer: LessonsWithMarks,
  },
  lessonHistory: {
    summary: 'Who changed what in a lesson, and when; what was overruled by a later word is said.',
    params: z.object({ lessonId: Id }),
    answer: z.object({ lines: z.array(HistoryLine) }),
  },
  standingUse: {
    summary: 'How many marks each attendance kind has, and in how many classes: what a merge would touch.',
    answer: z.object({
      use: z.array(z.object({ standingId: z.string(), marks: z.number(), sections: z.number() })),
    }),
  },
  totals: {
    summary: 'Every student’s totals in every class over a range of days, both included.',
    query: Range,
    answer: z.object({
      rows: z.array(
        z.object({ sectionId: z.string(), studentId: z.string(), cohort: z.string(), totals: Totals }),
      ),
    }),
  },
  rollFile: {
    summary:
      'The roll of a class over a range of days as CSV (RFC 4180), XLSX, PDF or a page to print: a student a row, a lesson a column, all totals.',
    params: OfSection,
    query: Range.extend({
      format: z.enum(fileFormats).default('csv'),
      order: z.enum(['given', 'family']).default('given'),
      /** What a PDF shows: lesson by lesson, or the sums of each student only. */
      detail: z.enum(['lessons', 'totals']).default('lessons'),
      ...Paper,
    }),
    ...fileAnswer(fileFormats),
  },
  readParticipants: {
    summary:
      'Who was in a meeting, as a list or pasted lines say it, each line understood or left out. Nothing is saved.',
    params: OfSection,
    query: z.object({
      lessonDate: Day.optional(),
      order: z.enum(['day_first', 'month_first']).optional(),
    }),
    fileUpTo: largestFileBytes,
    answer: z.object({
      participants: z.array(Participant),
      leftOut: z.array(z.object({ line: z.int(), text: z.string(), reason: z.string() })),
      offset: z.number().nullable(),
      dateOrderUnsure: z.boolean(),
    }),
  },
  makeCheckInLink: {
    summary: 'Makes a link by which the students of a class check in; its token is told once.',
    params: OfSection,
    answer: z.object({ token: z.string() }),
  },
  endCheckInLinks: { summary: 'Ends every check-in link of a class.', params: OfSection, answer: Done },
  checkInDoor: {
    summary:
      'For a student’s phone: the class, whether check-in is open, and the names to choose from. Nobody’s record.',
    params: ByToken,
    answer: z.object({
      className: z.string(),
      open: z.boolean(),
      startsAt: z.string().nullable(),
      closesAt: z.string().nullable(),
      opensAt: z.string().nullable(),
      lunchChoices: z.array(z.string()),
      students: z.array(z.object({ id: z.string(), name: z.string() })),
    }),
  },
  checkIn: {
    summary:
      'A student checks in: a second time from the same device corrects the first, from another one it is kept beside it.',
    params: ByToken,
    body: Saying,
    answer: z.object({
      name: z.string(),
      /** The minute it counts from. */
      at: z.string(),
      late: z.boolean(),
      /** The student had checked in before, from another device: both are kept. */
      again: z.boolean(),
      /** The comment was longer than is kept. */
      shortened: z.boolean(),
    }),
  },
} satisfies Record<string, Endpoint>;
