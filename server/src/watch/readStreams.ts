import { lessonsBetween } from '@slate-path/core/calendar/lessons';
import { localMoment, type LocalMoment } from '@slate-path/core/calendar/zone';
import type { Lesson } from '@slate-path/core/records/schema';
import { wasHeld } from '@slate-path/core/attendance/roll/totals';
import type {
  ByLesson,
  DoneRow,
  LessonColumn,
  LessonRows,
  LessonTable,
  StreamRow,
  StreamRows,
  StreamTable,
} from '@slate-path/core/watch/signals/observe/streamRows';
import { dateOf, numberOf } from '../database/activity/tables';
import { notRemoved, type RecordReader } from '../database/readRecords';
import { alsoReadable, readable } from '../scopes/access';

export interface ClassQuery {
  teacherId: string;
  sectionId: string;
  zone: string;
  now: LocalMoment;
}

const ofSection = `${notRemoved} AND "sectionId" = ?`;
/** Those who are spoken of, or the topics, of a note. */
const listOf = (table: string, column: string) =>
  `(SELECT json_group_array("${column}") FROM "${table}" WHERE "noteId" = "note"."id" AND NOT "removed")`;
const noteColumns = `"id", "at", "lessonId" AS lesson_id, ${listOf('noteStudent', 'studentId')} AS students, ${listOf('noteTopic', 'topicId')} AS topics`;
/** Notes of the class's lessons, or of no lesson: each by its index, for a scan of all would be one for each class. */
const notesHere = `SELECT ${noteColumns} FROM "note" WHERE ${alsoReadable('note')} AND NOT "removed" AND "lessonId" IN (SELECT "id" FROM "lesson" WHERE "sectionId" = ?) UNION ALL SELECT ${noteColumns} FROM "note" WHERE ${readable('note')} AND NOT "removed" AND "lessonId" IS NULL`;

/** Tables that one statement gives, for a section. */
const statements = {
  students: `SELECT "id", "givenName" AS given_name, "familyName" AS family_name, "called" FROM "student" WHERE ${notRemoved} AND "id" IN (SELECT "studentId" FROM "enrolment" WHERE "sectionId" = ?)`,
  enrolments: `SELECT "sectionId" AS section_id, "studentId" AS student_id, "startsOn" AS starts_on, "endsOn" AS ends_on FROM "enrolment" WHERE ${ofSection}`,
  work: `SELECT "id", "sectionId" AS section_id, "title", "assignedAt" AS assigned_at, "dueAt" AS due_at, "points" FROM "work" WHERE ${ofSection} AND "studentId" IS NULL`,
  hand_ins: `SELECT "workId" AS work_id, "studentId" AS student_id, "status", "handedInAt" AS handed_in_at, "handedBackAt" AS handed_back_at, "score" FROM "handIn" WHERE ${notRemoved} AND "workId" IN (SELECT "id" FROM "work" WHERE "sectionId" = ? AND "studentId" IS NULL)`,
} as const satisfies Partial<Record<Exclude<StreamTable, LessonTable>, string>>;

/** The class, where the teacher may read it: without it there is nothing to observe. */
const sectionHere = `SELECT "id" FROM "section" WHERE ${alsoReadable('section')} AND ${notRemoved} AND "id" = ?`;

/** What was done outside the lessons of a class, or of the teacher's students in no class, day by day. */
const activityHere = `SELECT CASE WHEN "scope" = ${numberOf(':sectionId')} THEN :sectionId END AS section_id, "text" AS student_id, ${dateOf('"day"')} AS "at", "count" FROM "actionTotal" JOIN "activityWord" ON "n" = "student" WHERE "scope" IN (${numberOf(':sectionId')}, ${numberOf(':teacherId')}) ORDER BY "scope", "student", "day"`;

/**
 * The rows of a class's lessons, as one list for each column of each lesson: a third of the time that a row for each
 * record takes; the tables' indices have them in that order. @param columns plain SQL over the tables' columns
 */
function byLesson<T extends LessonTable>(
  records: RecordReader,
  sectionId: string,
  table: string,
  columns: Record<LessonColumn<T>, string>,
): ByLesson<T> {
  const names = Object.keys(columns) as LessonColumn<T>[];
  const lists = names.map((name) => `json_group_array(${columns[name]}) AS "${name}"`).join(', ');
  const rows = records.rows<Record<LessonColumn<T> | 'lesson', string>>(
    `SELECT "lessonId" AS lesson, ${lists} FROM "${table}" WHERE "lessonId" IN (SELECT "id" FROM "lesson" WHERE "sectionId" = ?) AND NOT "removed" GROUP BY "lessonId"`,
    [sectionId],
  );
  return new Map(
    rows.map((row) => [
      row.lesson,
      Object.fromEntries(names.map((name) => [name, JSON.parse(row[name]) as unknown])) as LessonRows<T>,
    ]),
  );
}

/** A time of day of a mark, with its lesson's date; most have none. */
const momentOf = (time: string) =>
  `CASE WHEN "${time}" IS NOT NULL THEN (SELECT "date" FROM "lesson" WHERE "id" = "lessonId") || 'T' || "${time}" || ':00' END`;

/** What was seen in lessons, and who was there. */
function seenIn(records: RecordReader, sectionId: string): Pick<StreamRows, LessonTable> {
  return {
    roll: byLesson<'roll'>(records, sectionId, 'mark', {
      student_id: '"studentId"',
      standing_id: '"standingId"',
      arrived_at: momentOf('arrivedAt'),
      left_at: momentOf('leftAt'),
    }),
    tallies: byLesson<'tallies'>(records, sectionId, 'tally', {
      student_id: '"studentId"',
      look_for_id: '"lookForId"',
      amount: 'COALESCE("amount", 1)',
    }),
    sweeps: byLesson<'sweeps'>(records, sectionId, 'sweep', {
      student_id: '"studentId"',
      level: '"level"',
    }),
    check_ins: byLesson<'check_ins'>(records, sectionId, 'checkIn', {
      student_id: '"studentId"',
      weather: '"weather"',
    }),
  };
}

/** Of a moment only the day at the school is looked at. */
const midnightOf = (instant: string, zone: string) =>
  `${localMoment(Date.parse(instant), zone).date}T00:00:00`;

/** A class's lessons as they are recorded; the label, which no stream needs, is left out. */
function recordedLessons(records: RecordReader, sectionId: string): Lesson[] {
  const rows = records.rows<Omit<Lesson, 'setAside' | 'removed'> & { setAside: number; removed: number }>(
    'SELECT "id", "sectionId", "date", "startsAt", "endsAt", \'\' AS label, "setAside", "takenAt", "removed" FROM "lesson" WHERE "sectionId" = ?',
    [sectionId],
  );
  return rows.map((row) => ({ ...row, setAside: row.setAside === 1, removed: row.removed === 1 }));
}

/** Lessons of the timetable and recorded ones, with when their rolls were taken. */
function lessonsOf(records: RecordReader, { teacherId, sectionId, zone, now }: ClassQuery) {
  const recorded = recordedLessons(records, sectionId);
  const terms = records.seenBy(teacherId, 'term', notRemoved);
  const dates = [...terms.map(({ startsOn }) => startsOn), ...recorded.map(({ date }) => date)].sort();
  const calendar = {
    terms,
    daysOff: records.seenBy(teacherId, 'dayOff', notRemoved),
    meetings: records.all('meeting', ofSection, [sectionId]),
    lessons: recorded,
  };
  const lessons = lessonsBetween(calendar, dates[0] ?? now.date, now.date).filter((lesson) =>
    wasHeld(lesson, now),
  );
  return {
    lessons: lessons.map(({ id, date, startsAt, endsAt, setAside }): StreamRow<'lessons'> => ({
      id,
      section_id: sectionId,
      starts_at: `${date}T${startsAt}:00`,
      ends_at: `${date}T${endsAt}:00`,
      status: setAside ? 'set_aside' : 'held',
      label: '',
    })),
    taken: lessons.flatMap(({ id, takenAt }): StreamRow<'taken'>[] =>
      takenAt === null ? [] : [{ lesson_id: id, taken_at: midnightOf(takenAt, zone) }],
    ),
  };
}

/** Merged topics count as the one they went into, which alone says whether it is trouble. */
function topicsOf(records: RecordReader, teacherId: string): StreamRow<'topics'>[] {
  const topics = records.seenBy(teacherId, 'topic');
  const byId = new Map(topics.map((topic) => [topic.id, topic]));
  return topics.map((topic) => {
    let now = topic;
    for (let steps = 0; now.mergedIntoId !== null && steps < topics.length; steps += 1)
      now = byId.get(now.mergedIntoId) ?? now;
    return { id: topic.id, trouble: now.trouble };
  });
}

/** Notes with their students and topics. */
function notesOf(
  records: RecordReader,
  { teacherId, sectionId, zone }: ClassQuery,
): Pick<StreamRows, 'notes' | 'note_students' | 'note_topics'> {
  const found = records.rows<StreamRow<'notes'> & { students: string; topics: string }>(notesHere, [
    teacherId,
    sectionId,
    teacherId,
  ]);
  const listed = (json: string) => JSON.parse(json) as string[];
  return {
    notes: found.map(({ id, at, lesson_id }) => ({ id, at: midnightOf(at, zone), lesson_id })),
    note_students: found.flatMap(({ id, students }) =>
      listed(students).map((student_id) => ({ note_id: id, student_id })),
    ),
    note_topics: found.flatMap(({ id, topics }) =>
      listed(topics).map((topic_id) => ({ note_id: id, topic_id })),
    ),
  };
}

/**
 * What the streams of one class, which the teacher may read, are made of, in the tables of the open format: only what they need of it,
 * summed up by the database where it can be.
 */
export function readStreams(records: RecordReader, query: ClassQuery): StreamRows {
  const { teacherId, sectionId } = query;
  const read = <T extends keyof typeof statements>(table: T) =>
    records.rows<StreamRow<T>>(statements[table], [sectionId]);
  const lookFors = records.seenBy(teacherId, 'lookFor');
  const standings = records.seenBy(teacherId, 'standing');
  return {
    ...seenIn(records, sectionId),
    ...lessonsOf(records, query),
    ...notesOf(records, query),
    seatings: records.all('seating', ofSection, [sectionId]),
    sections: records.rows<StreamRow<'sections'>>(sectionHere, [teacherId, sectionId]),
    students: read('students'),
    enrolments: read('enrolments'),
    standings: standings.map(({ id, countsAs, credit, excused }) => ({
      id,
      counts_as: countsAs,
      credit,
      excused,
    })),
    look_fors: lookFors.map(({ id, measure, tone }) => ({ id, measure, tone })),
    work: read('work'),
    hand_ins: read('hand_ins'),
    activity: records.rows<DoneRow>(activityHere, [{ sectionId, teacherId }]),
    topics: topicsOf(records, teacherId),
  };
}
