import { z } from 'zod';
import { countsAs, lookForMeasures, lookForTones } from '../../records/schema';
import { localMomentShape } from '../../records/values';

/** `YYYY-MM-DDTHH:MM:SS` in the package's time zone; seconds may be left out. */
const LocalDateTime = z
  .string()
  .regex(localMomentShape, 'is no local time like 2026-11-23T10:40:00')
  .refine((value) => z.iso.date().safeParse(value.slice(0, 10)).success, 'is no day of the calendar')
  .meta({ type: 'datetime', format: '%Y-%m-%dT%H:%M:%S' });
const Day = z.iso.date('is no date like 2026-11-23').meta({ type: 'date' });
const Flag = z
  .enum(['true', 'false'], 'is neither true nor false')
  .transform((value) => value === 'true')
  .meta({ type: 'boolean' });
const ArchiveId = z
  .string()
  .min(1, 'is empty')
  .max(64, 'is longer than 64 characters')
  .regex(/^\P{Cc}+$/u, 'has control characters');
/** Some records are named by two or three others. */
const JoinedId = z
  .string()
  .min(1, 'is empty')
  .max(200, 'is longer than 200 characters')
  .regex(/^\P{Cc}+$/u, 'has control characters');
const Text = z.string();
const emptyIsNull = <S extends z.ZodType>(schema: S) =>
  z.preprocess((value) => (value === '' ? null : value), schema.nullable()).meta(schema.meta() ?? {});
const oneOf = <const V extends readonly string[]>(values: V) =>
  z.enum(values, `is not one of ${values.join(', ')}`);
const numeric = (type: 'number' | 'integer', pattern: RegExp, message: string) =>
  z.string().regex(pattern, message).transform(Number).meta({ type });
const Credit = numeric('number', /^(0(\.\d+)?|1(\.0+)?|\.\d+)$/, 'is no number from 0 to 1');
const Decimal = numeric('number', /^-?(\d+(\.\d+)?|\.\d+)$/, 'is no number');
const Whole = numeric('integer', /^-?\d{1,9}$/, 'is no whole number');
const Level = numeric('integer', /^[0-3]$/, 'is no level from 0 to 3');
const Weather = numeric('integer', /^[1-5]$/, 'is no weather from 1 to 5');

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
