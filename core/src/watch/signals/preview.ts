import { z } from 'zod';
import { concerns } from './names';

/** Whom a setting would have listed in the last four weeks. */
export const WatchPreview = z.object({
  entries: z.array(
    z.object({
      studentId: z.string(),
      concern: z.enum([...concerns, 'over_a_line']),
      firstOn: z.iso.date(),
      lastOn: z.iso.date(),
      sentence: z.string(),
    }),
  ),
});
export type WatchPreview = z.infer<typeof WatchPreview>;
