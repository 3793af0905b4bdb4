import { lessonsBetween } from '@slate-path/core/calendar/lessons';
import { localMoment, type LocalMoment } from '@slate-path/core/calendar/zone';
import { groupBy } from '@slate-path/core/records/groupBy';
import type { Section } from '@slate-path/core/records/schema';
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
  from: string;
  to: string;
  /** Milliseconds since the epoch, by the server's clock. */
  now: number;
}

export interface RollReading {
  now: LocalMoment;
  /** The school's. */
  zone: string;
  classes: { section: Section; roll: ClassRoll }[];
}

/** The rolls of a teacher's classes over some days, in ten queries however many students or weeks. */
export function readRolls({ file, teacherId, sectionId, from, to, now }: RollRange): RollReading {
  const reader = new RecordReader(file);
  try {
    const [school] = reader.seenBy(teacherId, 'school', notRemoved);
    const sections = reader.seenBy(teacherId, 'section', notRemoved);
    const recorded = reader.seenBy(teacherId, 'lesson');
    const calendar = {
      terms: reader.seenBy(teacherId, 'term', notRemoved),
      daysOff: reader.seenBy(teacherId, 'dayOff', notRemoved),
      meetings: reader.seenBy(teacherId, 'meeting', notRemoved),
      lessons: recorded,
    };
    const inRange = `NOT "removed" AND "lessonId" IN (SELECT "id" FROM "lesson" WHERE ${readable('lesson')} AND "date" BETWEEN ? AND ?)`;
    const book = rollBookOf({
      marks: reader.all('mark', inRange, [teacherId, from, to]),
      standings: reader.seenBy(teacherId, 'standing'),
      sections,
      school,
    });
    const students = reader.seenBy(teacherId, 'student', notRemoved);
    const lessons = groupBy(lessonsBetween(calendar, from, to), (lesson) => lesson.sectionId);
    const enrolments = groupBy(reader.seenBy(teacherId, 'enrolment', notRemoved), (e) => e.sectionId);
    const wanted = sections.filter(({ id }) => sectionId === null || id === sectionId);
    const zone = school?.zone ?? 'UTC';
    return {
      now: localMoment(now, zone),
      zone,
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
  } finally {
    reader.close();
  }
}
