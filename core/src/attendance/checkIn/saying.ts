import { z } from 'zod';
import { Id } from '../../records/values';

/** What a student's page sends. A comment may be longer than what is kept of it, which is said then. */
export const Saying = z.strictObject({
  studentId: Id,
  weather: z.int().min(1).max(5).nullable(),
  wantsWord: z.boolean(),
  lunch: z.string().max(40),
  comment: z.string().max(20_000),
  /** A name that the phone made up for itself; `shared` is the tablet at the door. */
  device: z.string().min(1).max(64),
});
export type Saying = z.infer<typeof Saying>;
