import { z } from 'zod';
import { changeKind } from '../../changes/kind';
import { Id, recordFields } from '../../records/schema';
import { LessonKey } from '../../attendance/roll/changes';
import { sweepHistory } from './history';

export const sweepChanges = {
  // One student, or everyone at once; null takes a level away.
  'sweep.set': changeKind(
    z.strictObject({
      lesson: LessonKey,
      levels: z
        .array(recordFields.sweep.pick({ studentId: true, level: true }))
        .min(1)
        .max(500),
    }),
    ({ lesson }) => sweepHistory(lesson.id),
  ),
  'levelNames.set': changeKind(recordFields.levelNames.extend({ id: Id }).strict(), () => 'levels'),
};
