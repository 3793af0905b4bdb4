import { z } from 'zod';
import { LessonMarks } from '../../attendance/roll/changes';
import { changeKind } from '../../changes/kind';
import { Id, LocalDate, recordFields } from '../../records/schema';
import { HandInToSet, OwnPieceToSet } from '../changes';

/** The rolls that follow from the work, recomputed for the days it touches. */
const lessons = z.array(LessonMarks).max(60);

/** As pieces of one student were written before they were pieces of work like others: a device may still have some. */
const Task = z.strictObject({
  id: Id,
  sectionId: Id,
  studentId: Id,
  title: z.string().trim().min(1).max(120),
  doneOn: LocalDate.nullable(),
  minutes: recordFields.handIn.shape.minutes.unwrap(),
});
export type Task = z.output<typeof Task>;

export const ownWorkChanges = {
  // A piece of one student, how it came, and the rolls of the days on which it was and is finished.
  'piece.own': changeKind(
    z.strictObject({ piece: OwnPieceToSet, handIn: HandInToSet.omit({ studentId: true }), lessons }),
    ({ piece }) => piece.studentId,
  ),
  'piece.ownRemove': changeKind(
    z.strictObject({ id: Id, studentId: Id, lessons }),
    ({ studentId }) => studentId,
  ),
  'task.set': changeKind(z.strictObject({ task: Task, lessons }), ({ task }) => task.studentId),
  'task.remove': changeKind(z.strictObject({ id: Id, studentId: Id, lessons }), ({ studentId }) => studentId),
  // Whether days of finished work count as attended, and from how many minutes one is whole; the days so far are
  // counted anew.
  'section.wholeDay': changeKind(
    z.strictObject({
      id: Id,
      // Before it was asked for, they did.
      attendedByWork: recordFields.section.shape.attendedByWork.unwrap().default(true),
      wholeDayMinutes: recordFields.section.shape.wholeDayMinutes,
      lessons: z.array(LessonMarks).max(400),
    }),
    ({ id }) => id,
  ),
};
