import type { TableName } from '../records/schema';
import { tableNames } from '../records/tables';

/**
 * What a person is in a scope. Of a person's own scope: `own`, and `colleague` for whoever teaches a class with them.
 * Of a school: its `keeper`, or a `member`. Of a class, and of each student in it: `teacher`, `assistant`, or `cover`
 * while standing in for a day or a range of days.
 */
export const accessRoles = ['own', 'keeper', 'teacher', 'cover', 'assistant', 'member', 'colleague'] as const;
export type AccessRole = (typeof accessRoles)[number];

interface Right {
  reads: readonly AccessRole[];
  writes: readonly AccessRole[];
}

const inClass: AccessRole[] = ['teacher', 'cover', 'assistant'];
const inSchool: AccessRole[] = ['keeper', 'member'];

const ofSchool: Right = { reads: inSchool, writes: ['keeper'] };
/** Only the person's own. */
const ofPerson: Right = { reads: ['own'], writes: ['own'] };
/** What is set up for a class: whoever stands in front of it reads it, its teachers write it. */
const setUp: Right = { reads: inClass, writes: ['teacher'] };
/** What is recorded in the lesson. */
const recorded: Right = { reads: inClass, writes: inClass };
/** What teachers write and judge: of the class, or, without one, a person's own. */
const judged: Right = { reads: ['own', 'teacher'], writes: ['own', 'teacher'] };
/** Words for what is observed: they are named wherever something was recorded with them. */
const observed: Right = {
  reads: ['own', 'keeper', 'member', ...inClass, 'colleague'],
  writes: ['own', 'keeper', 'teacher'],
};

/** Who reads and who writes the records of a table, by what they are in the record's scope. */
export const rights: Record<TableName, Right> = {
  school: ofSchool,
  term: ofSchool,
  dayOff: ofSchool,
  standing: ofSchool,

  section: setUp,
  meeting: setUp,
  enrolment: setUp,
  student: setUp,
  guardian: judged,
  checkInSetting: setUp,
  roomPlan: setUp,
  seating: setUp,
  seatWish: setUp,
  studentGroup: setUp,

  lesson: recorded,
  mark: recorded,
  checkIn: recorded,
  otherCheckIn: recorded,
  tallying: recorded,
  circle: recorded,
  circleMember: recorded,
  tally: recorded,
  turn: recorded,
  sweep: recorded,
  game: recorded,
  gamePoint: recorded,
  roomTone: recorded,
  // An assistant may be the second observer; what is watched, and what is said of it, is the teachers'.
  observationPlan: setUp,
  observationPhase: setUp,
  observation: recorded,
  observationEvent: recorded,
  participantAnswer: recorded,

  lookFor: observed,
  focus: observed,
  topic: { reads: ['own', 'colleague'], writes: ['own'] },

  note: judged,
  noteStudent: judged,
  noteTopic: judged,
  followUp: judged,
  step: judged,
  quiet: judged,
  watchSetting: judged,
  countComment: judged,
  observationComment: judged,
  work: judged,
  handIn: judged,
  activity: judged,

  levelNames: ofPerson,
  passedWord: ofPerson,
  message: ofPerson,
  pathSummary: ofPerson,

  nodReason: { reads: ['own', ...inSchool], writes: ['own', 'keeper'] },
  nodTelling: setUp,
  nod: { reads: ['own', ...inClass], writes: ['own', ...inClass] },
  // Of the whole school: its list says of every child how many nods they have.
  draw: { reads: ['keeper', ...inClass], writes: ['keeper', ...inClass] },

  // An assistant collects slips and fees too; what is collected, its teachers say.
  tickColumn: setUp,
  tick: recorded,

  // One that is shared is also changed by whoever wrote it (`server/src/scopes/writer.ts`).
  phrase: { reads: ['own', ...inSchool], writes: ['own', 'keeper'] },
  phraseUse: ofPerson,
};

/** May somebody read a table's records in a scope where they are this? */
export function reads(role: AccessRole | null, table: TableName): boolean {
  return role !== null && rights[table].reads.includes(role);
}

/** May somebody write a table's records in a scope where they are this? */
export function writes(role: AccessRole | null, table: TableName): boolean {
  return role !== null && rights[table].writes.includes(role);
}

/** Tables of which a former colleague's records are named, but not offered any more. */
export const namedOnly: readonly TableName[] = tableNames.filter((table) =>
  rights[table].reads.includes('colleague'),
);
