import { lessonsBetween } from '@slate-path/core/calendar/lessons';
import { localMoment, type LocalMoment } from '@slate-path/core/calendar/zone';
import { groupBy } from '@slate-path/core/records/groupBy';
import type { Section } from '@slate-path/core/records/schema';
import { rollBookOf } from '@slate-path/core/roll/book';
import type { ClassRoll } from '@slate-path/core/roll/rollTable';
import { RecordReader } from '../database/readRecords';

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
  classes: { section: Section; roll: ClassRoll }[];
}

/** The rolls of a teacher's classes over some days, in ten queries however many students or weeks. */
export function readRolls({ file, teacherId, sectionId, from, to, now }: RollRange): RollReading {
  const reader = new RecordReader(file);
  try {
    const own = '"teacherId" = ? AND NOT "removed"';
    const school = reader.all('school', own, [teacherId])[0];
    const sections = reader.all('section', own, [teacherId]);
    const recorded = reader.all('lesson', '"teacherId" = ?', [teacherId]);
    const calendar = {
      terms: reader.all('term', own, [teacherId]),
      daysOff: reader.all('dayOff', own, [teacherId]),
      meetings: reader.all('meeting', own, [teacherId]),
      lessons: recorded,
    };
    const inRange =
      '"teacherId" = ? AND NOT "removed" AND "lessonId" IN (SELECT "id" FROM "lesson" WHERE "teacherId" = ? AND "date" BETWEEN ? AND ?)';
    const book = rollBookOf({
      marks: reader.all('mark', inRange, [teacherId, teacherId, from, to]),
      standings: reader.all('standing', '"teacherId" = ?', [teacherId]),
      sections,
      school,
    });
    const students = reader.all('student', own, [teacherId]);
    const lessons = groupBy(lessonsBetween(calendar, from, to), (lesson) => lesson.sectionId);
    const enrolments = groupBy(reader.all('enrolment', own, [teacherId]), (e) => e.sectionId);
    const wanted = sections.filter(({ id }) => sectionId === null || id === sectionId);
    return {
      now: localMoment(now, school?.zone ?? 'UTC'),
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
