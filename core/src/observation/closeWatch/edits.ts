import { ensureLesson } from '../../attendance/roll/edits';
import type { Edit, EditsByKind } from '../../changes/edit';
import type { FieldsOf, TableName } from '../../records/schema';
import type { observationChanges } from './changes';

/** Makes a record, or sets it where it is there already. */
const put = <T extends TableName>(table: T, id: string, values: FieldsOf<T>) =>
  [
    { op: 'make', table, id, values },
    { op: 'set', table, id, values },
  ] as Edit[];

export const observationEdits: EditsByKind<typeof observationChanges> = {
  'observationPlan.set': ({ id, ...values }) => put('observationPlan', id, values),
  'observationPlan.remove': ({ id, removed }) => [
    { op: 'set', table: 'observationPlan', id, values: { removed } },
  ],
  'observationPhase.set': ({ id, ...values }) => put('observationPhase', id, values),
  'observationPhase.remove': ({ id, removed }) => [
    { op: 'set', table: 'observationPhase', id, values: { removed } },
  ],
  'observationComment.set': ({ id, ...values }) => put('observationComment', id, values),
  'observation.start': ({ lesson, id, endedAt = null, ...values }) => [
    ensureLesson(lesson),
    {
      op: 'make',
      table: 'observation',
      id,
      values: { ...values, lessonId: lesson.id, endedAt, pauses: [], lost: [] },
    },
  ],
  'observation.set': ({ id, lessonId: _lessonId, ...values }) => [
    { op: 'set', table: 'observation', id, values },
  ],
  'observation.remove': ({ id, removed }) => [{ op: 'set', table: 'observation', id, values: { removed } }],
  'observationEvent.set': ({ events }) =>
    events.flatMap(({ id, ...values }) => put('observationEvent', id, values)),
  'observationEvent.remove': ({ id, removed }) => [
    { op: 'set', table: 'observationEvent', id, values: { removed } },
  ],
};
