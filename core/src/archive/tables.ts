import { z } from 'zod';
import { countsAs } from '../records/schema';

/** `YYYY-MM-DDTHH:MM:SS` in the package's time zone; seconds may be left out. */
const LocalDateTime = z
  .string()
  .regex(
    /^\d{4}-\d{2}-\d{2}T([01]\d|2[0-3]):[0-5]\d(:[0-5]\d)?$/,
    'is no local time like 2026-11-23T10:40:00',
  )
  .refine((value) => z.iso.date().safeParse(value.slice(0, 10)).success, 'is no day of the calendar');
const Day = z.iso.date('is no date like 2026-11-23');
const Flag = z.enum(['true', 'false'], 'is neither true nor false').transform((value) => value === 'true');
const ArchiveId = z
  .string()
  .min(1, 'is empty')
  .max(64, 'is longer than 64 characters')
  .regex(/^\P{Cc}+$/u, 'has control characters');
const Text = z.string();
const emptyIsNull = <S extends z.ZodType>(schema: S) =>
  z.preprocess((value) => (value === '' ? null : value), schema.nullable());

/** A file of the archive: its columns, which of them make a row one of a kind, and where they point. */
export interface ArchiveTable<S extends z.ZodObject = z.ZodObject> {
  row: S;
  key: string[];
  pointsAt: Record<string, ArchiveTableName>;
}

/** The tables that attendance is made of; a column of the format that is missing counts as empty. */
export const archiveTables = {
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
      counts_as: z.enum(countsAs, `is not one of ${countsAs.join(', ')}`),
      credit: z
        .string()
        .regex(/^(0(\.\d+)?|1(\.0+)?|\.\d+)$/, 'is no number from 0 to 1')
        .transform(Number),
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
} as const satisfies Record<string, { row: z.ZodObject; key: string[]; pointsAt: Record<string, string> }>;

export type ArchiveTableName = keyof typeof archiveTables;
/** One row as it is understood, with the line of its file on which it begins. */
export type ArchiveRow<T extends ArchiveTableName> = z.output<(typeof archiveTables)[T]['row']> & {
  line: number;
};
/** What an archive says, by table; in the order of its files. */
export type Archive = { [T in ArchiveTableName]: ArchiveRow<T>[] };
