import type { TableName } from '../records/schema';

/**
 * Where a record belongs: to the `school`; to the `person` who makes it; as a `vocabulary` to the school where its
 * keeper makes it, else to the person; to a scope of its own (`self`: a class, a student); or where the record that
 * it hangs on belongs.
 */
export type Belonging = 'school' | 'person' | 'vocabulary' | 'self' | { table: TableName; id: string };

const always: Partial<Record<TableName, Belonging & string>> = {
  school: 'school',
  term: 'school',
  dayOff: 'school',
  standing: 'school',
  section: 'self',
  student: 'self',
  levelNames: 'person',
  topic: 'person',
  passedWord: 'person',
  message: 'person',
  pathSummary: 'person',
  nodReason: 'vocabulary',
  phraseUse: 'person',
};

/** The field by which a record hangs on another; where several may be empty, the first that is not decides. */
const hangsOn: Partial<Record<TableName, readonly (readonly [field: string, table: TableName])[]>> = {
  meeting: [['sectionId', 'section']],
  enrolment: [['sectionId', 'section']],
  guardian: [['studentId', 'student']],
  checkInSetting: [['sectionId', 'section']],
  participantAnswer: [['sectionId', 'section']],
  roomPlan: [['sectionId', 'section']],
  seating: [['sectionId', 'section']],
  seatWish: [['sectionId', 'section']],
  studentGroup: [['sectionId', 'section']],
  lesson: [['sectionId', 'section']],
  mark: [['lessonId', 'lesson']],
  checkIn: [['lessonId', 'lesson']],
  otherCheckIn: [['lessonId', 'lesson']],
  tallying: [['lessonId', 'lesson']],
  circle: [['sectionId', 'section']],
  circleMember: [['circleId', 'circle']],
  tally: [['lessonId', 'lesson']],
  turn: [['lessonId', 'lesson']],
  sweep: [['lessonId', 'lesson']],
  game: [['lessonId', 'lesson']],
  gamePoint: [['gameId', 'game']],
  roomTone: [['lessonId', 'lesson']],
  observationPlan: [['sectionId', 'section']],
  observationPhase: [['planId', 'observationPlan']],
  observation: [['lessonId', 'lesson']],
  observationEvent: [['observationId', 'observation']],
  observationComment: [['planId', 'observationPlan']],
  lookFor: [['sectionId', 'section']],
  focus: [['sectionId', 'section']],
  note: [
    ['lessonId', 'lesson'],
    ['sectionId', 'section'],
  ],
  noteStudent: [['noteId', 'note']],
  noteTopic: [['noteId', 'note']],
  followUp: [['noteId', 'note']],
  step: [['sectionId', 'section']],
  quiet: [['sectionId', 'section']],
  watchSetting: [['sectionId', 'section']],
  countComment: [['sectionId', 'section']],
  work: [['sectionId', 'section']],
  handIn: [['workId', 'work']],
  activity: [['sectionId', 'section']],
  nodTelling: [['sectionId', 'section']],
  nod: [['sectionId', 'section']],
  draw: [['sectionId', 'section']],
  tickColumn: [['sectionId', 'section']],
  tick: [['columnId', 'tickColumn']],
};

/** The fields of a table that decide where its records belong. */
export function decidingFields(table: TableName): string[] {
  const fields = (hangsOn[table] ?? []).map(([field]) => field);
  if (table === 'phrase') return ['shared'];
  return table === 'note' ? ['own', ...fields] : fields;
}

/**
 * Where a record belongs, by its own fields.
 * @param record its fields; those that do not decide may be missing
 */
export function belongingOf(table: TableName, record: Readonly<Record<string, unknown>>): Belonging {
  const fixed = always[table];
  if (fixed) return fixed;
  if (table === 'note' && record['own'] === true) return 'person';
  if (table === 'phrase') return record['shared'] === true ? 'school' : 'person';
  for (const [field, target] of hangsOn[table] ?? []) {
    const id = record[field];
    if (typeof id === 'string') return { table: target, id };
  }
  if (table === 'draw') return 'school';
  return table === 'lookFor' || table === 'focus' ? 'vocabulary' : 'person';
}
