import { ensureLesson } from '../../attendance/roll/edits';
import type { EditsByKind } from '../../changes/edit';
import type { sidesChanges } from './changes';

export const sidesEdits: EditsByKind<typeof sidesChanges> = {
  'game.start': ({ lesson, id, ...values }) => [
    ensureLesson(lesson),
    {
      op: 'make',
      table: 'game',
      id,
      values: { ...values, lessonId: lesson.id, endedAt: null, round: 1, clock: null },
    },
  ],
  'game.set': ({ id, lessonId: _lessonId, ...values }) => [{ op: 'set', table: 'game', id, values }],
  'game.remove': ({ id, removed }) => [{ op: 'set', table: 'game', id, values: { removed } }],
  'gamePoint.give': ({ id, lessonId: _lessonId, ...values }) => [
    { op: 'make', table: 'gamePoint', id, values: { ...values, corrections: [] } },
  ],
  'gamePoint.correct': ({ id, corrections }) => [
    { op: 'set', table: 'gamePoint', id, values: { corrections } },
  ],
};
