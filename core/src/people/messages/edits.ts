import type { EditsByKind } from '../../changes/edit';
import type { messageChanges } from './changes';

export const messageEdits: EditsByKind<typeof messageChanges> = {
  'message.send': ({ messages }) =>
    messages.map(({ id, ...values }) => ({ op: 'make', table: 'message', id, values })),
};
