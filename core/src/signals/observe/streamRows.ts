import type { ArchiveFields, ArchiveTableName } from '../../archive/tables';

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
/** What the streams are made of: an archive is one such, and of a database no more has to be read. */
export type StreamRows = { readonly [T in StreamTable]: readonly StreamRow<T>[] };
