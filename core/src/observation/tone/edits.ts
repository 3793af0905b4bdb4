import { ensureLesson } from '../../attendance/roll/edits';
import type { EditsByKind } from '../../changes/edit';
import type { toneChanges } from './changes';

export const toneEdits: EditsByKind<typeof toneChanges> = {
  'roomTone.set': ({ lesson, id, at, level }) => [
    ensureLesson(lesson),
    { op: 'make', table: 'roomTone', id, values: { lessonId: lesson.id, at, level } },
  ],
  'roomTone.remove': ({ id, removed }) => [{ op: 'set', table: 'roomTone', id, values: { removed } }],
};
