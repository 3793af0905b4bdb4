import { z } from 'zod';
import { LessonKey } from '../../attendance/roll/changes';
import { changeKind } from '../../changes/kind';
import { Id, recordFields } from '../../records/schema';
import { toneHistory } from './history';

export const toneChanges = {
  'roomTone.set': changeKind(
    z.strictObject({
      lesson: LessonKey,
      id: Id,
      ...recordFields.roomTone.pick({ at: true, level: true }).shape,
    }),
    ({ lesson }) => toneHistory(lesson.id),
  ),
  'roomTone.remove': changeKind(
    z.strictObject({ id: Id, lessonId: Id, removed: z.boolean() }),
    ({ lessonId }) => toneHistory(lessonId),
  ),
};
