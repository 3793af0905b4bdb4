import { z } from 'zod';
import { Id, Instant } from './values';

/** Sentences kept for reuse. */
export const phraseFields = {
  phrase: z.object({
    text: z.string().trim().min(1, 'There is nothing in this phrase').max(1000, 'At most 1,000 characters'),
    /** The whole school uses it; else it is the person's own. */
    shared: z.boolean(),
    /** Who wrote it: they and the school's keeper change it. */
    personId: Id,
  }),
  // What a phrase is to one person; its id is made of both.
  phraseUse: z.object({ phraseId: Id, favourite: z.boolean(), usedAt: Instant.nullable() }),
} as const;
