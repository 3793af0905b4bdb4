import { z } from 'zod';
import { largestFileBytes } from '../formats/table';
import { Email, Id, LocalDate, recordFields } from '../records/schema';
import { tableNames } from '../records/tables';
import { columnRoles } from '../people/roster/columnRoles';
import { changedFields, fates } from '../people/roster/mergeRoster';
import { MailSettings, MailToSet } from '../people/messages/mailSettings';
import { Bytes, Done, rows, type Endpoint } from './endpoint';
import { Letter } from './letter';
import { noteRows } from './notes';

const Role = z.enum(columnRoles);
/** In an address, between commas. */
const Roles = z
  .string()
  .transform((text) => text.split(','))
  .pipe(z.array(Role).max(200));

const AtSchool = z.object({ id: z.string(), taught: z.string() });

const RosterRow = z.object({
  line: z.int(),
  fate: z.enum(fates),
  studentId: z.string().nullable(),
  candidates: z.array(z.string()),
  atSchool: z.array(AtSchool),
  givenName: z.string(),
  familyName: z.string(),
  called: z.string(),
  email: z.string(),
  grade: z.string(),
  cohort: z.string(),
  schoolId: z.string(),
  guardians: z.array(z.object({ name: z.string(), email: z.string() })),
  doubts: z.array(z.object({ column: z.int().nullable(), reason: z.string(), mild: z.boolean() })),
  changes: z.array(z.object({ field: z.enum(changedFields), before: z.string(), after: z.string() })),
});

const DayOffFound = z.object({ name: z.string(), startsOn: z.iso.date(), endsOn: z.iso.date() });

const OfStudent = z.object({ studentId: Id });
const Counted = z.array(z.object({ table: z.enum(tableNames), count: z.int() }));
const Erasure = z.object({
  name: z.string(),
  gone: Counted,
  cleaned: Counted,
  lines: z.int(),
  shared: z.array(z.string()),
  letters: z.int(),
  /** The records are gone, but bytes of them are left in the file until it can be packed. */
  unfinished: z.boolean(),
  /** How many backups on the server were made before, and when the last of them; they keep everything. */
  backups: z.int(),
  lastBackup: z.iso.datetime().nullable(),
});

const OneLetter = z.object({ letterId: z.string().max(200) });

export const peopleEndpoints = {
  studentPath: {
    summary: 'One student’s marks in all classes, and what was written about them.',
    params: OfStudent,
    answer: z.object({
      mark: rows('mark'),
      message: rows('message'),
      checkIn: rows('checkIn'),
      otherCheckIn: rows('otherCheckIn'),
      sweep: rows('sweep'),
      tally: rows('tally'),
      tallying: rows('tallying'),
      step: rows('step'),
      nod: rows('nod'),
      game: rows('game'),
      gamePoint: rows('gamePoint'),
      observationPlan: rows('observationPlan'),
      observation: rows('observation'),
      observationEvent: rows('observationEvent'),
      pathSummary: rows('pathSummary'),
      work: rows('work'),
      handIn: rows('handIn'),
      /** What was done elsewhere, day by day, in the classes that the caller may read of. */
      elsewhere: z.array(z.object({ day: LocalDate, count: z.int() })),
      ...noteRows,
    }),
  },
  readRoster: {
    summary: 'How a roster file would be understood for a class: every row’s fate. Nothing is saved.',
    params: z.object({ sectionId: Id }),
    query: z.object({ roles: Roles.optional() }),
    fileUpTo: largestFileBytes,
    answer: z.object({
      columns: z.object({ roles: z.array(Role), header: z.int(), titles: z.array(z.string()) }),
      rows: z.array(RosterRow),
    }),
  },
  atSchool: {
    summary:
      'Who in colleagues’ classes may be the same as somebody who is about to be added to a class. Nothing is saved.',
    params: z.object({ sectionId: Id }),
    body: recordFields.student.pick({ givenName: true, familyName: true, email: true, schoolId: true }),
    answer: z.object({ found: z.array(AtSchool) }),
  },
  readDaysOff: {
    summary: 'Which days off an iCalendar file holds. Nothing is saved.',
    fileUpTo: 1_000_000,
    answer: z.object({
      days: z.array(DayOffFound),
      leftOut: z.array(z.object({ name: z.string(), reason: z.string() })),
    }),
  },
  previewErasure: {
    summary: 'What erasing a student would take away; nothing is changed.',
    params: OfStudent,
    answer: Erasure,
  },
  erase: {
    summary:
      'Erases all of a student for good: records, log, search index and copies of letters. It cannot be taken back.',
    params: OfStudent,
    /** The name, typed out, so that nobody is erased by a slip. */
    body: z.strictObject({ name: z.string() }),
    answer: Erasure,
  },
  outbox: {
    summary:
      'What was written to students, guardians and colleagues, and how each letter stands: to one address each.',
    answer: z.object({
      message: rows('message'),
      letters: z.array(Letter),
      /** Whether a mail server is set up: without one letters are only kept. */
      isSent: z.boolean(),
    }),
  },
  letterFile: {
    summary: 'One letter as it goes out (RFC 5322).',
    params: OneLetter,
    answer: Bytes,
    answersWith: ['message/rfc822'],
  },
  lettersFile: {
    summary: 'Everything that was written in one go as it goes out: a ZIP of a file (RFC 5322) a letter.',
    params: z.object({ noticeId: Id }),
    answer: Bytes,
    answersWith: ['application/zip'],
  },
  sendLetterAgain: {
    summary: 'Sends the words of a letter once more, to the same address or to one that was set right.',
    params: OneLetter,
    body: z.strictObject({ address: Email }),
    answer: z.object({ id: z.string() }),
  },
  mail: {
    summary: 'How letters leave the server. The password is told to nobody.',
    answer: z.object({
      settings: MailSettings.nullable(),
      hasPassword: z.boolean(),
      by: z.enum(['environment', 'desk']).nullable(),
      /** Why nothing goes out; null where all is well. */
      trouble: z
        .object({
          words: z.string(),
          said: z.string(),
          since: z.iso.datetime(),
          nextAt: z.iso.datetime(),
        })
        .nullable(),
    }),
  },
  setMail: {
    summary: 'Sets up a mail server. What waits is tried at once.',
    body: MailToSet,
    answer: Done,
  },
  endMail: {
    summary: 'Sends nothing any more: letters are only kept.',
    answer: Done,
  },
  testMail: {
    summary: 'Sends a letter over the mail server that is set up.',
    body: z.strictObject({ address: Email }),
    /** Why it was not taken; null: it was. */
    answer: z.object({ words: z.string().nullable(), said: z.string() }),
  },
} satisfies Record<string, Endpoint>;
