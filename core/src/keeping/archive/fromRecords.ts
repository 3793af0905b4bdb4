import { isWholeDay } from '../../calendar/lessons';
import { datesBetween, daysBetween } from '../../calendar/localTime';
import type { LocalMoment } from '../../calendar/zone';
import { mergeRecords, emptyRecords, type RecordLists, type Records } from '../../records/records';
import type { FieldsOf, Lesson, RecordOf, TableName } from '../../records/schema';
import { tableNames } from '../../records/tables';
import { wasHeld } from '../../attendance/roll/totals';
import { localSeconds } from './localSeconds';
import { allLessons, inOrder, keptRecords } from './keptRecords';
import { addDraws } from './draws';
import { addTicks } from './ticks';
import { dropUnreadable, type Dropped } from './readableRows';
import { ArchiveRows } from './archiveRows';
import type { Archive } from './tables';
import { recordsOfFiles } from './toRecords';

export interface ArchiveClock {
  /** IANA name of the school's zone. */
  zone: string;
  /** The school's present: lessons before it were held. */
  now: LocalMoment;
}

/** Days off for longer are told as what they are, not day by day. */
const longestSpan = 400;

const noTime = (time: string | null, date: string) => (time === null ? null : `${date}T${time}:00`);

function addPeople(writer: ArchiveRows, records: Records): void {
  writer.addAll(
    'sections',
    inOrder(records, 'section').map(({ id, name, subject, room }) => ({ id, name, subject, room })),
  );
  writer.addAll(
    'students',
    inOrder(records, 'student').map((row) => ({
      id: row.id,
      given_name: row.givenName,
      family_name: row.familyName,
      called: row.called,
      email: row.email,
      grade: row.grade,
    })),
  );
  writer.addAll(
    'guardians',
    inOrder(records, 'guardian').map(({ studentId, name, email, phone, relation }) => ({
      student_id: studentId,
      ...{ name, email, phone, relation },
    })),
  );
  writer.addAll(
    'enrolments',
    inOrder(records, 'enrolment').map((row) => ({
      section_id: row.sectionId,
      student_id: row.studentId,
      cohort: row.cohort,
      starts_on: row.startsOn,
      ends_on: row.endsOn,
    })),
  );
}

function addAttendance(
  writer: ArchiveRows,
  records: Records,
  lessons: readonly Lesson[],
  { zone, now }: ArchiveClock,
): void {
  writer.addAll(
    'days_off',
    inOrder(records, 'dayOff')
      .filter((off) => isWholeDay(off) && daysBetween(off.startsOn, off.endsOn) <= longestSpan)
      .flatMap(({ startsOn, endsOn, name }) =>
        datesBetween(startsOn, endsOn).map((date) => ({ date, name })),
      ),
  );
  writer.addAll(
    'lessons',
    lessons.map((lesson) => ({
      id: lesson.id,
      section_id: lesson.sectionId,
      starts_at: `${lesson.date}T${lesson.startsAt}:00`,
      ends_at: `${lesson.date}T${lesson.endsAt}:00`,
      status: lesson.setAside
        ? ('set_aside' as const)
        : wasHeld(lesson, now)
          ? ('held' as const)
          : ('planned' as const),
      label: lesson.label,
    })),
  );
  writer.addAll(
    'standings',
    inOrder(records, 'standing').map(({ id, code, name, countsAs, credit, excused }) => ({
      ...{ id, code, name, credit, excused },
      counts_as: countsAs,
    })),
  );
  const dateOf = new Map(lessons.map(({ id, date }) => [id, date]));
  writer.addAll(
    'roll',
    inOrder(records, 'mark').map((mark) => ({
      lesson_id: mark.lessonId,
      student_id: mark.studentId,
      standing_id: mark.standingId,
      arrived_at: noTime(mark.arrivedAt, dateOf.get(mark.lessonId) ?? ''),
      left_at: noTime(mark.leftAt, dateOf.get(mark.lessonId) ?? ''),
      comment: mark.comment,
      source: mark.source,
    })),
  );
  writer.addAll(
    'taken',
    lessons.flatMap(({ id, takenAt }) =>
      takenAt === null ? [] : [{ lesson_id: id, taken_at: localSeconds(takenAt, zone) }],
    ),
  );
}

function addSeen(writer: ArchiveRows, records: Records, { zone }: ArchiveClock): void {
  writer.addAll(
    'look_fors',
    inOrder(records, 'lookFor').map(({ id, name, measure, tone }) => ({ id, name, measure, tone })),
  );
  writer.addAll(
    'tallies',
    inOrder(records, 'tally').map((row) => ({
      id: row.id,
      lesson_id: row.lessonId,
      student_id: row.studentId,
      look_for_id: row.lookForId,
      at: localSeconds(row.at, zone),
      amount: row.amount,
    })),
  );
  writer.addAll(
    'sweeps',
    inOrder(records, 'sweep').map((row) => ({
      lesson_id: row.lessonId,
      student_id: row.studentId,
      level: row.level,
    })),
  );
  writer.addAll(
    'check_ins',
    inOrder(records, 'checkIn').map((row) => ({
      lesson_id: row.lessonId,
      student_id: row.studentId,
      at: localSeconds(row.at, zone),
      weather: row.weather,
      wants_word: row.wantsWord,
      lunch: row.lunch,
      comment: row.comment,
    })),
  );
}

function addFromElsewhere(writer: ArchiveRows, records: Records): void {
  // Pieces of one student have no place in these files, in which each is everybody's: they are told beside them.
  const work = inOrder(records, 'work').filter(({ studentId }) => studentId === null);
  const ofAll = new Set(work.map(({ id }) => id));
  writer.addAll(
    'work',
    work.map((row) => ({
      id: row.id,
      section_id: row.sectionId,
      title: row.title,
      assigned_at: row.assignedAt,
      due_at: row.dueAt,
      points: row.points,
    })),
  );
  writer.addAll(
    'hand_ins',
    inOrder(records, 'handIn')
      .filter(({ workId }) => ofAll.has(workId))
      .map((row) => ({
        work_id: row.workId,
        student_id: row.studentId,
        status: row.status,
        handed_in_at: row.handedInAt,
        handed_back_at: row.handedBackAt,
        score: row.score,
      })),
  );
  writer.addAll(
    'activity',
    inOrder(records, 'activity').map(({ id, sectionId, studentId, at, kind, place, object, seconds }) => ({
      ...{ id, at, kind, place, object, seconds },
      section_id: sectionId,
      student_id: studentId,
    })),
  );
  writer.addAll(
    'nods',
    inOrder(records, 'nod').map(({ id, studentId, at, reason, place, comment }) => ({
      ...{ id, at, reason, place, comment },
      student_id: studentId,
    })),
  );
}

function addWritten(writer: ArchiveRows, records: Records, { zone }: ArchiveClock): void {
  writer.addAll(
    'topics',
    inOrder(records, 'topic').map(({ id, name, trouble }) => ({ id, name, trouble })),
  );
  writer.addAll(
    'notes',
    inOrder(records, 'note').map(({ id, at, lessonId, text }) => ({
      ...{ id, text },
      at: localSeconds(at, zone),
      lesson_id: lessonId,
    })),
  );
  writer.addAll(
    'note_students',
    inOrder(records, 'noteStudent').map(({ noteId, studentId }) => ({
      note_id: noteId,
      student_id: studentId,
    })),
  );
  writer.addAll(
    'note_topics',
    inOrder(records, 'noteTopic').map(({ noteId, topicId }) => ({ note_id: noteId, topic_id: topicId })),
  );
  writer.addAll(
    'steps',
    inOrder(records, 'step').map((row) => ({
      id: row.id,
      student_id: row.studentId,
      at: localSeconds(row.at, zone),
      kind: row.kind,
      text: row.text,
      look_again_on: row.lookAgainOn,
    })),
  );
}

/** The records that the files made of records would give back under other ids: each beside its own. */
function otherIds(records: Records, lists: RecordLists, dropped: Dropped): Map<string, string> {
  const found = new Map<string, string>();
  for (const [table, file] of [
    ['guardian', 'guardians'],
    ['enrolment', 'enrolments'],
  ] as const) {
    const back = lists[table] ?? [];
    inOrder(records, table)
      .filter((_, place) => !dropped.get(file)?.has(place))
      .forEach(({ id }, index) => found.set(`${table} ${id}`, back[index]?.id ?? id));
  }
  return found;
}

const same = (a: unknown, b: unknown) => JSON.stringify(a) === JSON.stringify(b);

/** For each record, what its files do not say: fields that come out different, or all of it. */
function addMore(writer: ArchiveRows, records: Records, zone: string, dropped: Dropped): void {
  const lists = recordsOfFiles(writer.archive, zone);
  const back = mergeRecords(emptyRecords(), lists);
  const renamed = otherIds(records, lists, dropped);
  for (const table of tableNames)
    // A place has one school.
    for (const record of inOrder(records, table).slice(0, table === 'school' ? 1 : undefined)) {
      const id = renamed.get(`${table} ${record.id}`) ?? record.id;
      const found = (back[table] as Record<string, RecordOf<TableName> | undefined>)[id];
      const other = Object.entries(record).filter(
        ([field, value]) =>
          !found || !same(value, (found as unknown as FieldsOf<TableName> & Record<string, unknown>)[field]),
      );
      const fields = Object.fromEntries(
        found
          ? other
          : other.filter(([field, value]) => field !== 'id' && !(field === 'removed' && value === false)),
      );
      // Whatever its id.
      const placeId = table === 'school' ? 'school' : id;
      if (Object.keys(fields).length > 0 || !found)
        writer.add('more', { table, id: placeId, fields: JSON.stringify(fields) });
    }
}

/**
 * Everything a teacher has as an archive: what the format has a place for in its files, the rest beside
 * them, so that reading it gives the same records again.
 * @param lists all records of one teacher
 */
export function fromRecords(lists: RecordLists, clock: ArchiveClock): Archive {
  const all = mergeRecords(emptyRecords(), lists);
  const lessons = allLessons(all, clock.now.date);
  const records = keptRecords(all, lessons);
  const writer = new ArchiveRows();
  addPeople(writer, records);
  addAttendance(writer, records, lessons, clock);
  addSeen(writer, records, clock);
  addFromElsewhere(writer, records);
  addDraws(writer, records);
  addTicks(writer, records);
  addWritten(writer, records, clock);
  addMore(writer, records, clock.zone, dropUnreadable(writer.archive));
  return writer.archive;
}
