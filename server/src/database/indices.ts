import type { TableName } from '@slate-path/core/records/schema';

/**
 * What views look rows up by, besides the scope. Those by lesson that name more columns hold all that the watch
 * list reads, so that it opens no row.
 */
export const indices: Partial<Record<TableName, string[][]>> = {
  lesson: [
    ['scopeId', 'date'],
    ['sectionId', 'date'],
  ],
  mark: [['lessonId', 'removed', 'studentId', 'standingId', 'arrivedAt', 'leftAt'], ['studentId']],
  enrolment: [['sectionId'], ['studentId']],
  guardian: [['studentId']],
  meeting: [['sectionId']],
  message: [['studentId']],
  participantAnswer: [['sectionId']],
  checkInSetting: [['sectionId']],
  checkIn: [['lessonId', 'removed', 'studentId', 'weather'], ['studentId']],
  otherCheckIn: [['lessonId'], ['studentId']],
  tallying: [['lessonId']],
  tally: [['lessonId', 'removed', 'studentId', 'lookForId', 'amount'], ['studentId']],
  countComment: [['sectionId']],
  circle: [['sectionId'], ['lessonId']],
  circleMember: [['circleId']],
  turn: [['lessonId']],
  roomPlan: [['sectionId']],
  seating: [['sectionId']],
  seatWish: [['sectionId']],
  sweep: [['lessonId', 'removed', 'studentId', 'level'], ['studentId']],
  note: [['scopeId', 'at'], ['at'], ['lessonId']],
  noteStudent: [['noteId'], ['studentId']],
  noteTopic: [['noteId'], ['topicId']],
  followUp: [['scopeId', 'dueOn'], ['noteId']],
  step: [['studentId']],
  quiet: [['studentId']],
  watchSetting: [['sectionId']],
  pathSummary: [['studentId']],
  work: [['sectionId'], ['studentId']],
  handIn: [['workId'], ['studentId']],
  nodTelling: [['sectionId']],
  nod: [['studentId'], ['sectionId', 'at']],
  draw: [['sectionId']],
  tickColumn: [['sectionId']],
  tick: [['columnId'], ['studentId']],
  phraseUse: [['phraseId']],
};
