import { z } from 'zod';
import { letterStates } from '../people/messages/letterStates';

/** How a letter stands. */
export const Letter = z.object({
  id: z.string(),
  kind: z.enum(['message', 'invitation', 'readerPage']),
  aboutId: z.string(),
  /** The letter that did not arrive, of which this one has the words. */
  insteadOf: z.string().nullable(),
  name: z.string(),
  address: z.string(),
  state: z.enum(letterStates),
  changedAt: z.iso.datetime(),
  /** How it stands, and why, in words. */
  words: z.string(),
  /** What the mail server said. */
  said: z.string(),
});
