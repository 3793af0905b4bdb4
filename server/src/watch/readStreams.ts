import {
  emptyArchive,
  type Archive,
  type ArchiveFields,
  type ArchiveTableName,
} from '@slate-path/core/archive/tables';
import { lessonsBetween } from '@slate-path/core/calendar/lessons';
import { localMoment, type LocalMoment } from '@slate-path/core/calendar/zone';
import { wasHeld } from '@slate-path/core/roll/totals';
import type { RecordReader } from '../database/readRecords';

export interface ClassQuery {
  teacherId: string;
  sectionId: string;
  zone: string;
  now: LocalMoment;
}

const own = '"teacherId" = ? AND NOT "removed"';
const ofSection = `${own} AND "sectionId" = ?`;
const inLessons = (table: string) =>
  `FROM "${table}" JOIN "lesson" ON "lesson"."id" = "${table}"."lessonId" WHERE "lesson"."sectionId" = ? AND NOT "${table}"."removed"`;
/** Notes of the class's lessons, or of no lesson. */
const notesHere = `SELECT "note"."id" FROM "note" LEFT JOIN "lesson" ON "lesson"."id" = "note"."lessonId" WHERE "note"."teacherId" = ? AND NOT "note"."removed" AND ("note"."lessonId" IS NULL OR "lesson"."sectionId" = ?)`;

/** Tables that one statement gives as the format has them. */
const statements: Partial<Record<ArchiveTableName, { sql: string; of: 'teacher' | 'both' }>> = {
  sections: {
    sql: `SELECT "id", "name", "subject", "room" FROM "section" WHERE ${own} AND "id" = ?`,
    of: 'both',
  },
  students: {
    sql: `SELECT "id", "givenName" AS given_name, "familyName" AS family_name, "called", '' AS email, '' AS grade FROM "student" WHERE ${own} AND "id" IN (SELECT "studentId" FROM "enrolment" WHERE "sectionId" = ?)`,
    of: 'both',
  },
  enrolments: {
    sql: `SELECT "sectionId" AS section_id, "studentId" AS student_id, '' AS cohort, "startsOn" AS starts_on, "endsOn" AS ends_on FROM "enrolment" WHERE ${ofSection}`,
    of: 'both',
  },
  look_fors: {
    sql: `SELECT "id", '' AS name, "measure", "tone" FROM "lookFor" WHERE "teacherId" = ?`,
    of: 'teacher',
  },
  work: {
    sql: `SELECT "id", "sectionId" AS section_id, "title", "assignedAt" AS assigned_at, "dueAt" AS due_at, "points" FROM "work" WHERE ${ofSection}`,
    of: 'both',
  },
  hand_ins: {
    sql: `SELECT "workId" AS work_id, "studentId" AS student_id, "status", "handedInAt" AS handed_in_at, "handedBackAt" AS handed_back_at, "score" FROM "handIn" WHERE ${own} AND "workId" IN (SELECT "id" FROM "work" WHERE "sectionId" = ?)`,
    of: 'both',
  },
  activity: {
    sql: `SELECT '' AS id, "sectionId" AS section_id, "studentId" AS student_id, "at" FROM "activity" WHERE ${own} AND ("sectionId" IS NULL OR "sectionId" = ?)`,
    of: 'both',
  },
  note_students: {
    sql: `SELECT "noteId" AS note_id, "studentId" AS student_id FROM "noteStudent" WHERE NOT "removed" AND "noteId" IN (${notesHere})`,
    of: 'both',
  },
  note_topics: {
    sql: `SELECT "noteId" AS note_id, "topicId" AS topic_id FROM "noteTopic" WHERE NOT "removed" AND "noteId" IN (${notesHere})`,
    of: 'both',
  },
};

/** Of every lesson, the students of a table's records and up to two columns more, each as one list. */
interface PerLesson {
  lesson_id: string;
  students: string;
  values: string;
  others: string;
}

/**
 * What there is much of in a lesson, read as one row a lesson: a third of the time that a row for each record
 * takes. @param values, others plain SQL over the table's columns
 */
function perLesson<Row>(
  records: RecordReader,
  sectionId: string,
  { table, values, others = 'NULL' }: { table: string; values: string; others?: string },
  rowOf: (lesson_id: string, student_id: string, value: unknown, other: unknown) => Row,
): Row[] {
  const lessons = records.rows<PerLesson>(
    `SELECT "lesson"."id" AS lesson_id, json_group_array("${table}"."studentId") AS students, json_group_array(${values}) AS "values", json_group_array(${others}) AS others ${inLessons(table)} GROUP BY "lesson"."id"`,
    [sectionId],
  );
  const found: Row[] = [];
  for (const { lesson_id, ...lists } of lessons) {
    const [students, own, more] = [lists.students, lists.values, lists.others].map(
      (list) => JSON.parse(list) as unknown[],
    );
    students?.forEach((id, at) => found.push(rowOf(lesson_id, id as string, own?.[at], more?.[at])));
  }
  return found;
}

/** What was seen in lessons. The time of a tally and of a check-in, which no stream needs, is left out. */
function seenIn(records: RecordReader, sectionId: string): Pick<Archive, 'tallies' | 'sweeps' | 'check_ins'> {
  const line = 0;
  return {
    tallies: perLesson(
      records,
      sectionId,
      { table: 'tally', values: 'COALESCE("amount", 1)', others: '"lookForId"' },
      (lesson_id, student_id, amount, look_for_id) => ({
        id: '',
        lesson_id,
        student_id,
        look_for_id: look_for_id as string,
        at: null,
        amount: amount as number,
        line,
      }),
    ),
    sweeps: perLesson(
      records,
      sectionId,
      { table: 'sweep', values: '"level"' },
      (lesson_id, student_id, level) => ({ lesson_id, student_id, level: level as number, line }),
    ),
    check_ins: perLesson(
      records,
      sectionId,
      { table: 'checkIn', values: '"weather"' },
      (lesson_id, student_id, weather) => ({
        lesson_id,
        student_id,
        at: null,
        weather: weather as number | null,
        wants_word: false,
        lunch: '',
        comment: '',
        line,
      }),
    ),
  };
}

/** Of a moment only the day at the school is looked at. */
const midnightOf = (instant: string, zone: string) =>
  `${localMoment(Date.parse(instant), zone).date}T00:00:00`;

/** Lessons of the timetable and recorded ones, with when their rolls were taken. */
function lessonsOf(records: RecordReader, { teacherId, sectionId, zone, now }: ClassQuery) {
  const recorded = records.all('lesson', '"teacherId" = ? AND "sectionId" = ?', [teacherId, sectionId]);
  const terms = records.all('term', own, [teacherId]);
  const dates = [...terms.map(({ startsOn }) => startsOn), ...recorded.map(({ date }) => date)].sort();
  const calendar = {
    terms,
    daysOff: records.all('dayOff', own, [teacherId]),
    meetings: records.all('meeting', ofSection, [teacherId, sectionId]),
    lessons: recorded,
  };
  const lessons = lessonsBetween(calendar, dates[0] ?? now.date, now.date).filter((lesson) =>
    wasHeld(lesson, now),
  );
  return {
    lessons: lessons.map(({ id, date, startsAt, endsAt, setAside }): ArchiveFields<'lessons'> => ({
      id,
      section_id: sectionId,
      starts_at: `${date}T${startsAt}:00`,
      ends_at: `${date}T${endsAt}:00`,
      status: setAside ? 'set_aside' : 'held',
      label: '',
    })),
    taken: lessons.flatMap(({ id, takenAt }): ArchiveFields<'taken'>[] =>
      takenAt === null ? [] : [{ lesson_id: id, taken_at: midnightOf(takenAt, zone) }],
    ),
  };
}

interface MarkRow {
  lesson_id: string;
  student_id: string;
  standing_id: string | null;
  arrived: string | null;
  left: string | null;
  date: string;
}

function rollOf(records: RecordReader, sectionId: string): Archive['roll'] {
  const marks = records.rows<MarkRow>(
    `SELECT "mark"."lessonId" AS lesson_id, "mark"."studentId" AS student_id, "standingId" AS standing_id, "arrivedAt" AS arrived, "leftAt" AS left, "lesson"."date" AS date ${inLessons('mark')}`,
    [sectionId],
  );
  return marks.map(({ lesson_id, student_id, standing_id, arrived, left, date }) => ({
    lesson_id,
    student_id,
    standing_id,
    arrived_at: arrived === null ? null : `${date}T${arrived}:00`,
    left_at: left === null ? null : `${date}T${left}:00`,
    comment: '',
    source: '',
    line: 0,
  }));
}

/** Merged topics count as the one they went into, which alone says whether it is trouble. */
function topicsOf(records: RecordReader, teacherId: string): ArchiveFields<'topics'>[] {
  const topics = records.all('topic', '"teacherId" = ?', [teacherId]);
  const byId = new Map(topics.map((topic) => [topic.id, topic]));
  return topics.map((topic) => {
    let now = topic;
    for (let steps = 0; now.mergedIntoId !== null && steps < topics.length; steps += 1)
      now = byId.get(now.mergedIntoId) ?? now;
    return { id: topic.id, name: topic.name, trouble: now.trouble };
  });
}

interface NoteRow {
  id: string;
  at: string;
  lesson_id: string | null;
}

/**
 * What the streams of one class are made of, in the tables of the open format: only what they need of it,
 * summed up by the database where it can be.
 */
export function readStreams(records: RecordReader, query: ClassQuery): Archive {
  const { teacherId, sectionId, zone } = query;
  const archive: Archive = emptyArchive();
  const values = { teacher: [teacherId], both: [teacherId, sectionId] };
  for (const [table, { sql, of }] of Object.entries(statements) as [
    ArchiveTableName,
    { sql: string; of: keyof typeof values },
  ][])
    (archive as Record<string, unknown>)[table] = records.rows(sql, values[of]);
  Object.assign(archive, seenIn(records, sectionId));
  const line = 0;
  const { lessons, taken } = lessonsOf(records, query);
  archive.lessons = lessons.map((row) => ({ ...row, line }));
  archive.taken = taken.map((row) => ({ ...row, line }));
  archive.roll = rollOf(records, sectionId);
  archive.topics = topicsOf(records, teacherId).map((row) => ({ ...row, line }));
  archive.standings = records
    .all('standing', '"teacherId" = ?', [teacherId])
    .map(({ id, code, name, countsAs, credit, excused }) => ({
      id,
      code,
      name,
      counts_as: countsAs,
      credit,
      excused,
      line,
    }));
  archive.notes = records
    .rows<NoteRow>(`SELECT "id", "at", "lessonId" AS lesson_id FROM "note" WHERE "id" IN (${notesHere})`, [
      teacherId,
      sectionId,
    ])
    .map(({ at, ...note }) => ({ ...note, at: midnightOf(at, zone), text: '', line }));
  return archive;
}
