import type { EditsByKind } from '../changes/edit';
import type { nodChanges } from './changes';

export const nodEdits: EditsByKind<typeof nodChanges> = {
  'nod.give': ({ nods, messages, ...values }) => [
    ...nods.map(
      ({ id, studentId }) => ({ op: 'make', table: 'nod', id, values: { ...values, studentId } }) as const,
    ),
    ...messages.map(({ id, ...written }) => ({ op: 'make', table: 'message', id, values: written }) as const),
  ],
  'nod.set': ({ ids, messages, ...values }) => [
    ...ids.map((id) => ({ op: 'set', table: 'nod', id, values }) as const),
    ...messages.map(({ id, body }) => ({ op: 'set', table: 'message', id, values: { body } }) as const),
  ],
  'nod.remove': ({ ids, messageIds }) => [
    ...ids.map((id) => ({ op: 'set', table: 'nod', id, values: { removed: true } }) as const),
    ...messageIds.map((id) => ({ op: 'set', table: 'message', id, values: { removed: true } }) as const),
  ],
  'nodReason.set': ({ id, ...values }) => [
    { op: 'make', table: 'nodReason', id, values },
    { op: 'set', table: 'nodReason', id, values },
  ],
  'nodReason.retire': ({ id, retired }) => [
    { op: 'set', table: 'nodReason', id, values: { removed: retired } },
  ],
  'nodTelling.set': (values) => [
    { op: 'make', table: 'nodTelling', id: values.sectionId, values },
    { op: 'set', table: 'nodTelling', id: values.sectionId, values },
  ],
  'draw.make': ({ id, ...values }) => [{ op: 'make', table: 'draw', id, values }],
  'draw.remove': ({ id }) => [{ op: 'set', table: 'draw', id, values: { removed: true } }],
};
