import { z } from 'zod';
import { streamNames } from './names';

/** What became of one stream since a step was taken. */
export const StepOutcome = z.object({
  stream: z.enum(streamNames),
  /** Means of the student before and after, and of the rest of the class. */
  before: z.number(),
  after: z.number(),
  classBefore: z.number(),
  classAfter: z.number(),
  seenBefore: z.number(),
  seenAfter: z.number(),
  verdict: z.enum(['too_few', 'better', 'same', 'worse']),
});
export type StepOutcome = z.infer<typeof StepOutcome>;
