import { z } from 'zod';
import { changeKind } from '../../changes/kind';
import { Id, recordFields } from '../../records/schema';
import { LessonMarks } from '../../attendance/roll/changes';

export const TaskFields = recordFields.task.extend({ id: Id });
/** The rolls that follow from the work, recomputed for the days it touches. */
const lessons = z.array(LessonMarks).max(60);

export const workChanges = {
  'task.set': changeKind(z.strictObject({ task: TaskFields, lessons }), ({ task }) => task.studentId),
  'task.remove': changeKind(z.strictObject({ id: Id, studentId: Id, lessons }), ({ studentId }) => studentId),
  // From how many minutes a day of work is a whole one; the days so far are counted anew.
  'section.wholeDay': changeKind(
    z.strictObject({
      id: Id,
      wholeDayMinutes: recordFields.section.shape.wholeDayMinutes,
      lessons: z.array(LessonMarks).max(400),
    }),
    ({ id }) => id,
  ),
};
