import { wholeDay } from '../../calendar/lessons';
import { groupBy } from '../../records/groupBy';
import { handInId } from '../../work/handInId';
import { linkId } from '../../notes/linkId';
import { markSources, recordSchema, type RecordOf, type TableName } from '../../records/schema';
import type { RecordLists } from '../../records/records';
import { tableNames } from '../../records/tables';
import { markId } from '../../attendance/roll/markId';
import { drawsOf } from './draws';
import { ticksOf } from './ticks';
import { derivedId, within } from './derivedId';
import { instantOfLocal } from './localSeconds';
import { withMore, type RecordProblem } from './withMore';
import type { Archive } from './tables';

const kept = { removed: false } as const;
const datePart = (moment: string) => moment.slice(0, 10);
const timePart = (moment: string | null) => (moment === null ? null : moment.slice(11, 16));

function people(archive: Archive): RecordLists {
  const numbered = new Map<string, number>();
  return {
    section: archive.sections.map(({ id, name, subject, room }) => ({
      ...kept,
      id,
      name: name || id,
      subject,
      room,
      graceMinutes: null,
      awayFromShare: null,
      latesPerAbsence: null,
      creditBy: 'standing',
      halfDayMinutes: null,
      taughtWithId: null,
      attendedByWork: false,
      wholeDayMinutes: null,
      lessonModes: [],
    })),
    student: archive.students.map((row) => ({
      ...kept,
      id: row.id,
      givenName: row.given_name,
      familyName: row.family_name,
      called: row.called,
      email: row.email,
      grade: row.grade,
      schoolId: '',
    })),
    guardian: archive.guardians.map(({ student_id: studentId, name, email, phone, relation }) => {
      const index = numbered.get(studentId) ?? 0;
      numbered.set(studentId, index + 1);
      return { ...kept, id: derivedId.guardian(studentId, index), studentId, name, email, phone, relation };
    }),
    enrolment: archive.enrolments.map((row) => ({
      ...kept,
      id: derivedId.enrolment(row),
      sectionId: row.section_id,
      studentId: row.student_id,
      cohort: row.cohort,
      startsOn: row.starts_on,
      endsOn: row.ends_on,
    })),
  };
}

function attendance(archive: Archive, zone: string): RecordLists {
  const takenAt = new Map(archive.taken.map((row) => [row.lesson_id, row.taken_at]));
  return {
    dayOff: archive.days_off.map(({ date, name }) => ({
      ...kept,
      id: within(derivedId.dayOff(date, name)),
      startsOn: date,
      endsOn: date,
      name,
      ...wholeDay,
    })),
    standing: archive.standings.map(({ id, code, name, counts_as: countsAs, credit, excused }, position) => ({
      ...kept,
      ...{ id, code: code || '?', name: name || code || id, countsAs, credit, excused, position },
      mergedIntoId: null,
    })),
    lesson: archive.lessons.map((row) => ({
      ...kept,
      id: row.id,
      sectionId: row.section_id,
      date: datePart(row.starts_at),
      startsAt: row.starts_at.slice(11, 16),
      endsAt: row.ends_at.slice(11, 16),
      label: row.label,
      setAside: row.status === 'set_aside',
      takenAt: takenAt.has(row.id) ? instantOfLocal(takenAt.get(row.id) ?? row.starts_at, zone) : null,
    })),
    mark: archive.roll.map((row) => ({
      ...kept,
      id: markId(row.lesson_id, row.student_id),
      lessonId: row.lesson_id,
      studentId: row.student_id,
      standingId: row.standing_id,
      arrivedAt: timePart(row.arrived_at),
      leftAt: timePart(row.left_at),
      comment: row.comment,
      source: markSources.find((source) => source === row.source) ?? 'tap',
    })),
  };
}

function inLessons(archive: Archive, zone: string): RecordLists {
  const startOf = new Map(archive.lessons.map((row) => [row.id, row.starts_at]));
  const at = (moment: string | null, lessonId: string) =>
    instantOfLocal(moment ?? startOf.get(lessonId) ?? '1970-01-01T00:00:00', zone);
  const ids = (row: { lesson_id: string; student_id: string }) => ({
    id: markId(row.lesson_id, row.student_id),
    lessonId: row.lesson_id,
    studentId: row.student_id,
  });
  const observed = groupBy(archive.tallies, (row) => row.lesson_id);
  return {
    lookFor: archive.look_fors.map(({ id, name, measure, tone }, position) => ({
      ...kept,
      ...{
        id,
        name: name || id,
        measure,
        tone,
        sign: tone === 'unwanted' ? 'cloud' : 'flag',
        sectionId: null,
        position,
      },
    })),
    tallying: [...observed.keys()].map((lessonId) => ({
      ...kept,
      id: lessonId,
      lessonId,
      onAt: at(null, lessonId),
      offAt: null,
      focusId: null,
    })),
    tally: archive.tallies.map((row) => ({
      ...kept,
      id: row.id,
      lessonId: row.lesson_id,
      studentId: row.student_id,
      lookForId: row.look_for_id,
      at: at(row.at, row.lesson_id),
      amount: row.amount,
      circleId: null,
      correctedFrom: null,
      unsure: false,
    })),
    sweep: archive.sweeps.map((row) => ({ ...kept, ...ids(row), level: row.level })),
    checkIn: archive.check_ins.map((row) => ({
      ...kept,
      ...ids(row),
      at: at(row.at, row.lesson_id),
      weather: row.weather,
      wantsWord: row.wants_word ?? false,
      lunch: row.lunch,
      comment: row.comment,
      device: '',
      sameDevice: false,
    })),
  };
}

function fromElsewhere(archive: Archive): RecordLists {
  return {
    work: archive.work.map((row) => ({
      ...kept,
      id: row.id,
      sectionId: row.section_id,
      title: row.title,
      assignedAt: row.assigned_at,
      dueAt: row.due_at,
      points: row.points,
      studentId: null,
    })),
    handIn: archive.hand_ins.map((row) => ({
      ...kept,
      id: handInId(row.work_id, row.student_id),
      workId: row.work_id,
      studentId: row.student_id,
      status: row.status,
      handedInAt: row.handed_in_at,
      handedBackAt: row.handed_back_at,
      score: row.score,
      written: null,
      minutes: null,
    })),
    activity: archive.activity.map(
      ({ id, section_id: sectionId, student_id: studentId, at, kind, place, object, seconds }) => ({
        ...kept,
        ...{ id, sectionId, studentId, at, kind, place, object, seconds },
      }),
    ),
    nod: archive.nods.map(({ id, student_id: studentId, at, reason, place, comment }) => ({
      ...kept,
      ...{ id, studentId, at, reason, place, comment, sectionId: null },
    })),
  };
}

function written(archive: Archive, zone: string): RecordLists {
  const sectionOf = new Map(archive.lessons.map((row) => [row.id, row.section_id]));
  return {
    topic: archive.topics.map(({ id, name, trouble }) => ({
      ...kept,
      ...{ id, name: name || id, trouble, alsoCalled: [], mergedIntoId: null },
    })),
    note: archive.notes.map(({ id, at, lesson_id: lessonId, text }) => ({
      ...kept,
      ...{ id, text, at: instantOfLocal(at, zone), happenedAt: null, lessonId },
      sectionId: lessonId === null ? null : (sectionOf.get(lessonId) ?? null),
      place: '',
      own: false,
      doubts: [],
    })),
    noteStudent: archive.note_students.map(({ note_id: noteId, student_id: studentId }) => ({
      ...kept,
      ...{ id: linkId(noteId, studentId), noteId, studentId, spans: [] },
    })),
    noteTopic: archive.note_topics.map(({ note_id: noteId, topic_id: topicId }) => ({
      ...kept,
      ...{ id: linkId(noteId, topicId), noteId, topicId, spans: [] },
    })),
    step: archive.steps.map((row) => ({
      ...kept,
      id: row.id,
      studentId: row.student_id,
      sectionId: null,
      concern: null,
      at: instantOfLocal(row.at, zone),
      kind: row.kind || 'step',
      text: row.text,
      lookAgainOn: row.look_again_on,
      contact: null,
    })),
  };
}

/** What the files of the format alone say, as records. */
export function recordsOfFiles(archive: Archive, zone: string): RecordLists {
  return {
    ...people(archive),
    ...attendance(archive, zone),
    ...inLessons(archive, zone),
    ...fromElsewhere(archive),
    draw: drawsOf(archive),
    ...ticksOf(archive),
    ...written(archive, zone),
  };
}

/** The file in which a kind of record stands, for those who look for what is wrong with it. */
const fileOf: Partial<Record<TableName, string>> = {
  section: 'sections.csv',
  student: 'students.csv',
  guardian: 'guardians.csv',
  enrolment: 'enrolments.csv',
  standing: 'standings.csv',
  lesson: 'lessons.csv',
  mark: 'roll.csv',
  lookFor: 'look_fors.csv',
  tally: 'tallies.csv',
  checkIn: 'check_ins.csv',
  work: 'work.csv',
  handIn: 'hand_ins.csv',
  activity: 'activity.csv',
  topic: 'topics.csv',
  note: 'notes.csv',
  step: 'steps.csv',
  nod: 'nods.csv',
  draw: 'draws.csv',
  tickColumn: 'tick_columns.csv',
  tick: 'ticks.csv',
};

/**
 * All records of an archive, each as the application would have it.
 * @param zone the school's, in which the archive's local times are
 * @returns the records, and those that cannot be (a name too long, a text that is none) with their place
 */
export function toRecords(
  archive: Archive,
  zone: string,
): { records: RecordLists; problems: RecordProblem[] } {
  const problems: RecordProblem[] = [];
  const records = withMore(recordsOfFiles(archive, zone), archive, problems);
  for (const table of tableNames) {
    const schema = recordSchema(table);
    for (const record of (records[table] ?? []) as RecordOf<TableName>[]) {
      const read = schema.safeParse(record);
      const [issue] = read.error?.issues ?? [];
      if (issue)
        problems.push({
          file: fileOf[table] ?? 'more.csv',
          line: null,
          reason: `${record.id}: ${issue.path.join('.')}: ${issue.message}`,
        });
    }
  }
  return { records, problems };
}
