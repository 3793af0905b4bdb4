import type { Archive, ArchiveFields, ArchiveTableName } from '../../../keeping/archive/tables';
import { recordFields } from '../../../records/schema';
import type { ClassSeating } from '../streams';

/** Columns of the open format that the streams are made of, by table. */
interface StreamColumns {
  sections: 'id';
  students: 'id' | 'given_name' | 'family_name' | 'called';
  enrolments: 'section_id' | 'student_id' | 'starts_on' | 'ends_on';
  lessons: 'id' | 'section_id' | 'starts_at' | 'ends_at' | 'status' | 'label';
  taken: 'lesson_id' | 'taken_at';
  standings: 'id' | 'counts_as' | 'credit' | 'excused';
  roll: 'lesson_id' | 'student_id' | 'standing_id' | 'arrived_at' | 'left_at';
  look_fors: 'id' | 'measure' | 'tone';
  tallies: 'lesson_id' | 'student_id' | 'look_for_id' | 'amount';
  sweeps: 'lesson_id' | 'student_id' | 'level';
  check_ins: 'lesson_id' | 'student_id' | 'weather';
  work: 'id' | 'section_id' | 'title' | 'assigned_at' | 'due_at' | 'points';
  hand_ins: 'work_id' | 'student_id' | 'status' | 'handed_in_at' | 'handed_back_at' | 'score';
  activity: 'section_id' | 'student_id' | 'at';
  topics: 'id' | 'trouble';
  notes: 'id' | 'at' | 'lesson_id';
  note_students: 'note_id' | 'student_id';
  note_topics: 'note_id' | 'topic_id';
}

export type StreamTable = keyof StreamColumns & ArchiveTableName;
export type StreamRow<T extends StreamTable> = Pick<
  ArchiveFields<T>,
  StreamColumns[T] & keyof ArchiveFields<T>
>;

/** The tables in which nearly every student of a lesson has a row. */
export type LessonTable = 'roll' | 'tallies' | 'sweeps' | 'check_ins';
export type LessonColumn<T extends LessonTable> = Exclude<StreamColumns[T], 'lesson_id'> & keyof StreamRow<T>;
/** The rows of one lesson, column by column: of a year's tallies no row has to be made. */
export type LessonRows<T extends LessonTable> = {
  readonly [C in LessonColumn<T>]: readonly StreamRow<T>[C][];
};
export type ByLesson<T extends LessonTable> = ReadonlyMap<string, LessonRows<T>>;

/** An action, or so many of a day. */
export type DoneRow = StreamRow<'activity'> & { count?: number };

/** What the streams are made of: of an archive or a database no more has to be read. */
export type StreamRows = {
  readonly [T in Exclude<StreamTable, LessonTable | 'activity'>]: readonly StreamRow<T>[];
} & { readonly activity: readonly DoneRow[] } & { readonly [T in LessonTable]: ByLesson<T> } & {
  readonly seatings: readonly SeatingRow[];
};

/** How a class sat from a day on; the open format has no file for it, so it stands in `more.csv`. */
export interface SeatingRow extends ClassSeating {
  sectionId: string;
}

const ArchivedSeating = recordFields.seating;

/** Seatings that an archive has; what is none is told of where it is brought in. */
function seatingsOf({ more }: Archive): SeatingRow[] {
  return more.flatMap(({ table, fields }) => {
    if (table !== 'seating') return [];
    try {
      const read = ArchivedSeating.safeParse(JSON.parse(fields));
      return read.success ? [read.data] : [];
    } catch {
      return [];
    }
  });
}

function byLesson<T extends LessonTable>(
  rows: readonly (StreamRow<T> & { lesson_id: string })[],
  names: readonly LessonColumn<T>[],
): ByLesson<T> {
  const found = new Map<string, Record<LessonColumn<T>, unknown[]>>();
  for (const row of rows) {
    const columns =
      found.get(row.lesson_id) ??
      (Object.fromEntries(names.map((name) => [name, []])) as unknown as Record<LessonColumn<T>, unknown[]>);
    found.set(row.lesson_id, columns);
    for (const name of names) columns[name].push(row[name]);
  }
  return found as unknown as ByLesson<T>;
}

/** What the streams of an archive's classes are made of. */
export function streamRowsOf(archive: Archive): StreamRows {
  return {
    ...archive,
    seatings: seatingsOf(archive),
    roll: byLesson<'roll'>(archive.roll, ['student_id', 'standing_id', 'arrived_at', 'left_at']),
    tallies: byLesson<'tallies'>(archive.tallies, ['student_id', 'look_for_id', 'amount']),
    sweeps: byLesson<'sweeps'>(archive.sweeps, ['student_id', 'level']),
    check_ins: byLesson<'check_ins'>(archive.check_ins, ['student_id', 'weather']),
  };
}
