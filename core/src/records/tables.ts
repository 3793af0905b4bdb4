import type { TableName } from './schema';

/** Parents before children, so that a whole set can be written in this order. */
export const tableNames = [
  'school',
  'term',
  'dayOff',
  'section',
  'meeting',
  'student',
  'guardian',
  'enrolment',
  'standing',
  'lesson',
  'mark',
  'message',
  'participantAnswer',
  'checkInSetting',
  'checkIn',
  'task',
] as const satisfies readonly TableName[];

/** Which fields of a table point at which other table. */
export const references: { [T in TableName]?: Record<string, TableName> } = {
  meeting: { sectionId: 'section' },
  guardian: { studentId: 'student' },
  enrolment: { sectionId: 'section', studentId: 'student' },
  lesson: { sectionId: 'section' },
  section: { taughtWithId: 'section' },
  standing: { mergedIntoId: 'standing' },
  mark: { lessonId: 'lesson', studentId: 'student', standingId: 'standing' },
  message: { studentId: 'student' },
  checkInSetting: { sectionId: 'section' },
  checkIn: { lessonId: 'lesson', studentId: 'student' },
  task: { sectionId: 'section', studentId: 'student' },
  participantAnswer: { sectionId: 'section', studentId: 'student' },
};
