import type { TableName } from '@slate-path/core/records/schema';

/** One, and several, of what can be erased. */
const words: Partial<Record<TableName, [one: string, several: string]>> = {
  student: ['student', 'students'],
  guardian: ['guardian', 'guardians'],
  enrolment: ['time in a class', 'times in classes'],
  mark: ['mark on a roll', 'marks on rolls'],
  message: ['message', 'messages'],
  participantAnswer: ['answer about a participant list', 'answers about participant lists'],
  checkIn: ['check-in', 'check-ins'],
  otherCheckIn: ['check-in from another device', 'check-ins from other devices'],
  tally: ['tally', 'tallies'],
  countComment: ['comment on counts', 'comments on counts'],
  circleMember: ['place in a circle', 'places in circles'],
  studentGroup: ['saved group', 'saved groups'],
  roomPlan: ['room plan', 'room plans'],
  seating: ['seating of the class', 'seatings of the class'],
  turn: ['turn', 'turns'],
  sweep: ['engagement level', 'engagement levels'],
  note: ['note', 'notes'],
  noteStudent: ['tie of a note', 'ties of notes'],
  noteTopic: ['topic of a note', 'topics of notes'],
  followUp: ['day to look again', 'days to look again'],
  lesson: ['lesson', 'lessons'],
};

export function erasedWords({ table, count }: { table: TableName; count: number }): string {
  return words[table]?.[count === 1 ? 0 : 1] ?? (count === 1 ? 'record' : 'records');
}
