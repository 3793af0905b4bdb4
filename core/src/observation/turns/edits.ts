import type { EditsByKind } from '../../changes/edit';
import { ensureLesson } from '../../attendance/roll/edits';
import type { turnChanges } from './changes';

export const turnEdits: EditsByKind<typeof turnChanges> = {
  'turn.draw': ({ lesson, id, ...values }) => [
    ensureLesson(lesson),
    { op: 'make', table: 'turn', id, values: { ...values, lessonId: lesson.id, outcome: 'drawn' } },
  ],
  'turn.settle': ({ id, outcome }) => [{ op: 'set', table: 'turn', id, values: { outcome } }],
};
