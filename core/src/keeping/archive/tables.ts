import { z } from 'zod';
import { drawChances, drawRests } from '../../records/nodFields';
import { countsAs, lookForMeasures, lookForTones } from '../../records/schema';
import {
  LocalDateTime,
  Day,
  Flag,
  ArchiveId,
  JoinedId,
  Text,
  emptyIsNull,
  oneOf,
  Credit,
  Decimal,
  Whole,
  Level,
  Weather,
} from './cells';
import { tickTables } from './tickTables';

/** A file of the archive: its columns, which of them (if any) make a row one of a kind, and where they point. */
export interface ArchiveTable<S extends z.ZodObject = z.ZodObject> {
  row: S;
  key: string[];
  pointsAt: Record<string, ArchiveTableName>;
}

const people = {
  sections: {
    row: z.object({ id: ArchiveId, name: Text, subject: Text, room: Text }),
    key: ['id'],
    pointsAt: {},
  },
  students: {
    row: z.object({
      id: ArchiveId,
      given_name: Text,
      family_name: Text,
      called: Text,
      email: Text,
      grade: Text,
    }),
    key: ['id'],
    pointsAt: {},
  },
  guardians: {
    row: z.object({ student_id: ArchiveId, name: Text, email: Text, phone: Text, relation: Text }),
    key: [],
    pointsAt: { student_id: 'students' },
  },
  enrolments: {
    row: z.object({
      section_id: ArchiveId,
      student_id: ArchiveId,
      cohort: Text,
      starts_on: emptyIsNull(Day),
      ends_on: emptyIsNull(Day),
    }),
    key: ['section_id', 'student_id', 'starts_on'],
    pointsAt: { section_id: 'sections', student_id: 'students' },
  },
} as const;

const attendance = {
  days_off: { row: z.object({ date: Day, name: Text }), key: ['date', 'name'], pointsAt: {} },
  lessons: {
    row: z.object({
      id: ArchiveId,
      section_id: ArchiveId,
      starts_at: LocalDateTime,
      ends_at: LocalDateTime,
      status: z.enum(['planned', 'held', 'set_aside'], 'is not planned, held or set_aside'),
      label: Text,
    }),
    key: ['id'],
    pointsAt: { section_id: 'sections' },
  },
  standings: {
    row: z.object({
      id: ArchiveId,
      code: Text,
      name: Text,
      counts_as: oneOf(countsAs),
      credit: Credit,
      excused: Flag,
    }),
    key: ['id'],
    pointsAt: {},
  },
  roll: {
    row: z.object({
      lesson_id: ArchiveId,
      student_id: ArchiveId,
      standing_id: emptyIsNull(ArchiveId),
      arrived_at: emptyIsNull(LocalDateTime),
      left_at: emptyIsNull(LocalDateTime),
      comment: Text,
      source: Text,
    }),
    key: ['lesson_id', 'student_id'],
    pointsAt: { lesson_id: 'lessons', student_id: 'students', standing_id: 'standings' },
  },
  taken: {
    row: z.object({ lesson_id: ArchiveId, taken_at: emptyIsNull(LocalDateTime) }),
    key: ['lesson_id'],
    pointsAt: { lesson_id: 'lessons' },
  },
} as const;

const seenInLessons = {
  look_fors: {
    row: z.object({
      id: ArchiveId,
      name: Text,
      measure: oneOf(lookForMeasures),
      tone: oneOf(lookForTones),
    }),
    key: ['id'],
    pointsAt: {},
  },
  tallies: {
    row: z.object({
      id: ArchiveId,
      lesson_id: ArchiveId,
      student_id: emptyIsNull(ArchiveId),
      look_for_id: ArchiveId,
      at: emptyIsNull(LocalDateTime),
      amount: emptyIsNull(Whole),
    }),
    key: ['id'],
    pointsAt: { lesson_id: 'lessons', student_id: 'students', look_for_id: 'look_fors' },
  },
  sweeps: {
    row: z.object({ lesson_id: ArchiveId, student_id: ArchiveId, level: emptyIsNull(Level) }),
    key: ['lesson_id', 'student_id'],
    pointsAt: { lesson_id: 'lessons', student_id: 'students' },
  },
  check_ins: {
    row: z.object({
      lesson_id: ArchiveId,
      student_id: ArchiveId,
      at: emptyIsNull(LocalDateTime),
      weather: emptyIsNull(Weather),
      wants_word: emptyIsNull(Flag),
      lunch: Text,
      comment: Text,
    }),
    key: ['lesson_id', 'student_id'],
    pointsAt: { lesson_id: 'lessons', student_id: 'students' },
  },
} as const;

const workAndActivity = {
  work: {
    row: z.object({
      id: ArchiveId,
      section_id: ArchiveId,
      title: Text,
      assigned_at: emptyIsNull(LocalDateTime),
      due_at: emptyIsNull(LocalDateTime),
      points: emptyIsNull(Decimal),
    }),
    key: ['id'],
    pointsAt: { section_id: 'sections' },
  },
  hand_ins: {
    row: z.object({
      work_id: ArchiveId,
      student_id: ArchiveId,
      status: oneOf(['handed_in', 'missing', 'excused']),
      handed_in_at: emptyIsNull(LocalDateTime),
      handed_back_at: emptyIsNull(LocalDateTime),
      score: emptyIsNull(Decimal),
    }),
    key: ['work_id', 'student_id'],
    pointsAt: { work_id: 'work', student_id: 'students' },
  },
  activity: {
    row: z.object({
      id: ArchiveId,
      section_id: emptyIsNull(ArchiveId),
      student_id: ArchiveId,
      at: LocalDateTime,
      kind: Text,
      place: Text,
      object: Text,
      seconds: emptyIsNull(Decimal),
    }),
    key: ['id'],
    pointsAt: { section_id: 'sections', student_id: 'students' },
  },
} as const;

const written = {
  topics: { row: z.object({ id: ArchiveId, name: Text, trouble: Flag }), key: ['id'], pointsAt: {} },
  notes: {
    row: z.object({
      id: ArchiveId,
      at: LocalDateTime,
      lesson_id: emptyIsNull(ArchiveId),
      text: z.string().min(1, 'is empty'),
    }),
    key: ['id'],
    pointsAt: { lesson_id: 'lessons' },
  },
  note_students: {
    row: z.object({ note_id: ArchiveId, student_id: ArchiveId }),
    key: ['note_id', 'student_id'],
    pointsAt: { note_id: 'notes', student_id: 'students' },
  },
  note_topics: {
    row: z.object({ note_id: ArchiveId, topic_id: ArchiveId }),
    key: ['note_id', 'topic_id'],
    pointsAt: { note_id: 'notes', topic_id: 'topics' },
  },
  steps: {
    row: z.object({
      id: ArchiveId,
      student_id: ArchiveId,
      at: LocalDateTime,
      kind: Text,
      text: Text,
      look_again_on: emptyIsNull(Day),
    }),
    key: ['id'],
    pointsAt: { student_id: 'students' },
  },
  nods: {
    row: z.object({
      id: ArchiveId,
      student_id: ArchiveId,
      at: LocalDateTime,
      reason: Text,
      place: Text,
      comment: Text,
    }),
    key: ['id'],
    pointsAt: { student_id: 'students' },
  },
  draws: {
    row: z.object({
      id: ArchiveId,
      section_id: emptyIsNull(ArchiveId),
      group: Text,
      at: LocalDateTime,
      starts_on: Day,
      ends_on: Day,
      chances: oneOf(drawChances),
      rest: oneOf(drawRests),
      rest_weeks: emptyIsNull(Whole),
      wanted: Whole,
      seed: Whole,
      tickets: Whole,
      resting_tickets: Whole,
    }),
    key: ['id'],
    pointsAt: { section_id: 'sections' },
  },
  draw_entries: {
    row: z.object({
      draw_id: ArchiveId,
      student_id: ArchiveId,
      rests: Flag,
      first_ticket: Whole,
      tickets: Whole,
      drawn: emptyIsNull(Whole),
    }),
    key: ['draw_id', 'student_id'],
    pointsAt: { draw_id: 'draws', student_id: 'students' },
  },
} as const;

/**
 * What the format has no place for, so that nothing is lost on the way out and in again: fields of a
 * record beyond its columns, and records of kinds that the format does not know. Ours alone.
 */
const more = {
  more: { row: z.object({ table: Text, id: JoinedId, fields: Text }), key: ['table', 'id'], pointsAt: {} },
} as const;

/** Every file of the archive; a file that is missing counts as empty. Parents stand before children. */
export const archiveTables = {
  ...people,
  ...attendance,
  ...seenInLessons,
  ...workAndActivity,
  ...written,
  ...tickTables,
  ...more,
} as const satisfies Record<string, { row: z.ZodObject; key: readonly string[]; pointsAt: object }>;

/** What stands before a sign that could begin a formula, as a package says that it does (`formulaGuard`). */
export const formulaGuard = "'";

/** Whether a column holds text, in which anything may stand. */
export function isText(cell: z.ZodType): boolean {
  return cell.meta()?.['type'] === undefined;
}

export type ArchiveTableName = keyof typeof archiveTables;
export const archiveTableNames = Object.keys(archiveTables) as ArchiveTableName[];
/** One row as it is understood. */
export type ArchiveFields<T extends ArchiveTableName> = z.output<(typeof archiveTables)[T]['row']>;
/** The same with the line of its file on which it begins; 0 where it came from no file. */
export type ArchiveRow<T extends ArchiveTableName> = ArchiveFields<T> & { line: number };
/** What an archive says, by table; in the order of its files. */
export type Archive = { [T in ArchiveTableName]: ArchiveRow<T>[] };

/** An archive in which nothing stands. */
export function emptyArchive(): Archive {
  return Object.fromEntries(archiveTableNames.map((name) => [name, []])) as unknown as Archive;
}
