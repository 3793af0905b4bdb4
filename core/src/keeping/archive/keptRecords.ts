import { addDays } from '../../calendar/localTime';
import { lessonsBetween } from '../../calendar/lessons';
import { emptyRecords, mergeRecords, type Records } from '../../records/records';
import type { Lesson, RecordOf, TableName } from '../../records/schema';
import { tableNames } from '../../records/tables';

/** Records of a table in the order of their ids, so that the same data give the same file. */
export function inOrder<T extends TableName>(records: Records, table: T): RecordOf<T>[] {
  return Object.values<RecordOf<T>>(records[table]).sort((a, b) => (a.id < b.id ? -1 : 1));
}

/** Tables whose removed records may still be meant by others: retired, not gone. */
const retirable = ['section', 'student', 'standing', 'lookFor', 'topic', 'roomPlan'] as const;

/** A timetable goes on as long as its term says; what is told of it is what somebody could have planned or held. */
const told = { before: 10 * 366, after: 2 * 366 };

/**
 * All lessons from the first day that anything says of to the last, those of the timetable too, as far as
 * they are within some years of today.
 */
export function allLessons(records: Records, today: string): Lesson[] {
  const calendar = {
    terms: inOrder(records, 'term').filter(({ removed }) => !removed),
    daysOff: inOrder(records, 'dayOff').filter(({ removed }) => !removed),
    meetings: inOrder(records, 'meeting').filter(({ removed }) => !removed),
    lessons: inOrder(records, 'lesson'),
  };
  const dates = [
    ...calendar.terms.flatMap(({ startsOn, endsOn }) => [startsOn, endsOn]),
    ...calendar.lessons.map(({ date }) => date),
  ].sort();
  const [earliest, latest] = [dates[0], dates.at(-1)];
  if (earliest === undefined || latest === undefined) return [];
  const first = [earliest, addDays(today, -told.before)].sort().at(-1) ?? earliest;
  const last = [latest, addDays(today, told.after)].sort()[0] ?? latest;
  const found = new Map(lessonsBetween(calendar, first, last).map((lesson) => [lesson.id, lesson]));
  // What somebody wrote about is told, also where the timetable has since moved away from it.
  for (const lesson of calendar.lessons) if (!lesson.removed) found.set(lesson.id, lesson);
  return [...found.values()].sort((a, b) => (placeOf(a) < placeOf(b) ? -1 : 1));
}

/** By time; of two at the same time the one whose roll was taken goes first. */
function placeOf({ date, startsAt, takenAt, id }: Lesson): string {
  return `${date}${startsAt}${takenAt === null ? 'b' : 'a'}${id}`;
}

/**
 * Lessons of the timetable that were taken out of it: a copy without them would hold them again.
 * @param kept ids of the meetings that the copy has
 */
function takenOut(records: Records, kept: ReadonlySet<string>): Lesson[] {
  return inOrder(records, 'lesson').filter(
    ({ id, removed }) => removed && kept.has(id.slice(0, id.lastIndexOf('.'))),
  );
}

/** The tables of records that rows may point at by a field of that name. */
const pointers: Record<string, TableName> = {
  sectionId: 'section',
  studentId: 'student',
  lessonId: 'lesson',
  standingId: 'standing',
  lookForId: 'lookFor',
  topicId: 'topic',
  mergedIntoId: 'topic',
  noteId: 'note',
  workId: 'work',
  circleId: 'circle',
  roomPlanId: 'roomPlan',
  phraseId: 'phrase',
  columnId: 'tickColumn',
  gameId: 'game',
  planId: 'observationPlan',
  observationId: 'observation',
};

/**
 * What an archive is to hold: everything that is not removed, what is retired where it is still meant, and
 * nothing that points at what is gone. Lessons that were taken out of the timetable are told as removed.
 */
export function keptRecords(all: Records, lessons: readonly Lesson[]): Records {
  const lists: Record<string, RecordOf<TableName>[]> = {};
  const known = new Map<string, Set<string>>();
  for (const table of tableNames) {
    const rows = table === 'lesson' ? lessons : inOrder(all, table);
    const keep = (rows as RecordOf<TableName>[]).filter((row) => {
      if (row.removed && !(retirable as readonly string[]).includes(table)) return false;
      return Object.entries(row).every(([field, value]) => {
        const target = pointers[field];
        const ids = target === undefined || target === table ? undefined : known.get(target);
        return value === null || ids === undefined || ids.has(value as string);
      });
    });
    lists[table] = keep;
    known.set(table, new Set(keep.map(({ id }) => id)));
  }
  lists['lesson'] = [...(lists['lesson'] ?? []), ...takenOut(all, known.get('meeting') ?? new Set())];
  const meant = new Set<string>();
  for (const [table, rows] of Object.entries(lists))
    for (const row of rows)
      for (const [field, value] of Object.entries(row))
        if (field in pointers && pointers[field] !== table && typeof value === 'string') meant.add(value);
  for (const table of retirable)
    lists[table] = (lists[table] ?? []).filter(({ id, removed }) => !removed || meant.has(id));
  return mergeRecords(emptyRecords(), lists);
}
