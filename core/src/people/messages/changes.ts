import { z } from 'zod';
import { changeKind } from '../../changes/kind';
import { Id, recordFields } from '../../records/schema';

export const messageChanges = {
  // Filled in for each reader; the server hands them to the mail server, which cannot be taken back.
  'message.send': changeKind(
    z.strictObject({
      messages: z
        .array(recordFields.message.extend({ id: Id }))
        .min(1)
        .max(500),
    }),
    () => 'outbox',
  ),
};
