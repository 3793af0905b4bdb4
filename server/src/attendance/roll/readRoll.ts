import { lessonsBetween } from '@slate-path/core/calendar/lessons';
import { localMoment, type LocalMoment } from '@slate-path/core/calendar/zone';
import { groupBy } from '@slate-path/core/records/groupBy';
import type { Enrolment, Section, Student } from '@slate-path/core/records/schema';
import { rollBookOf } from '@slate-path/core/attendance/roll/book';
import type { ClassRoll } from '@slate-path/core/attendance/roll/rollTable';
import { notRemoved, RecordReader } from '../../database/readRecords';
import { readable } from '../../scopes/access';

/** Which rolls are asked for. */
export interface RollRange {
  file: string;
  teacherId: string;
  /** Null: of every class. */
  sectionId: string | null;
  /** Where only these are asked for: nothing of others is read. */
  studentIds?: readonly string[];
  from: string;
  to: string;
  /** Milliseconds since the epoch, by the server's clock. */
  now: number;
}

export interface RollReading {
  now: LocalMoment;
  /** The school's. */
  zone: string;
  school: string;
  classes: { section: Section; roll: ClassRoll }[];
}

const among = (column: string) => `"${column}" IN (SELECT "value" FROM json_each(?))`;

/** The rolls of a teacher's classes over some days, in ten queries however many students or weeks. */
export function readRolls({ file, ...range }: RollRange): RollReading {
  const reader = new RecordReader(file);
  try {
    return rollsOf(reader, range);
  } finally {
    reader.close();
  }
}

/** The same by a connection that is open. */
export function rollsOf(
  reader: RecordReader,
  { teacherId, sectionId, studentIds, from, to, now }: Omit<RollRange, 'file'>,
): RollReading {
  const of = studentIds && JSON.stringify(studentIds);
  const ofThem = (table: 'enrolment' | 'student', column: string) =>
    of === undefined
      ? reader.seenBy(teacherId, table, notRemoved)
      : reader.seenBy(teacherId, table, `${notRemoved} AND ${among(column)}`, [of]);
  const enrolled = ofThem('enrolment', 'studentId') as Enrolment[];
  const [school] = reader.seenBy(teacherId, 'school', notRemoved);
  const theirs = new Set(enrolled.map((one) => one.sectionId));
  const sections = reader
    .seenBy(teacherId, 'section', notRemoved)
    .filter(({ id }) => of === undefined || theirs.has(id));
  const recorded =
    of === undefined
      ? reader.seenBy(teacherId, 'lesson')
      : reader.seenBy(teacherId, 'lesson', among('sectionId'), [JSON.stringify([...theirs])]);
  const calendar = {
    terms: reader.seenBy(teacherId, 'term', notRemoved),
    daysOff: reader.seenBy(teacherId, 'dayOff', notRemoved),
    meetings: reader
      .seenBy(teacherId, 'meeting', notRemoved)
      .filter((meeting) => of === undefined || theirs.has(meeting.sectionId)),
    lessons: recorded,
  };
  const inRange = `NOT "removed" AND "lessonId" IN (SELECT "id" FROM "lesson" WHERE ${readable('lesson')} AND "date" BETWEEN ? AND ?)`;
  const book = rollBookOf({
    marks:
      of === undefined
        ? reader.all('mark', inRange, [teacherId, from, to])
        : reader.all('mark', `${among('studentId')} AND ${inRange}`, [of, teacherId, from, to]),
    standings: reader.seenBy(teacherId, 'standing'),
    sections,
    school,
  });
  const students = ofThem('student', 'id') as Student[];
  const lessons = groupBy(lessonsBetween(calendar, from, to), (lesson) => lesson.sectionId);
  const enrolments = groupBy(enrolled, (e) => e.sectionId);
  const wanted = sections.filter(({ id }) => sectionId === null || id === sectionId);
  const zone = school?.zone ?? 'UTC';
  return {
    now: localMoment(now, zone),
    zone,
    school: school?.name ?? '',
    classes: wanted.map((section) => ({
      section,
      roll: {
        students,
        enrolments: enrolments.get(section.id) ?? [],
        lessons: lessons.get(section.id) ?? [],
        book,
      },
    })),
  };
}
