import { z } from 'zod';
import { changeKind } from '../../changes/kind';
import { Id, recordFields } from '../../records/schema';
import { LessonKey } from '../../attendance/roll/changes';
import { turnHistory } from './history';

export const turnChanges = {
  // With the seed and everyone's chances, so that the draw can be checked.
  'turn.draw': changeKind(
    z.strictObject({
      lesson: LessonKey,
      id: Id,
      ...recordFields.turn.pick({ studentId: true, at: true, seed: true, chances: true }).shape,
    }),
    ({ lesson }) => turnHistory(lesson.id),
  ),
  'turn.settle': changeKind(
    z.strictObject({ id: Id, lessonId: Id, outcome: recordFields.turn.shape.outcome }),
    ({ lessonId }) => turnHistory(lessonId),
  ),
};
