import type { Records } from '@slate-path/core/records/records';
import type { Meeting } from '@slate-path/core/records/schema';

/** Was a roll taken in one of its lessons? On a day, or at all. */
export function wasHeldIn({ lesson }: Pick<Records, 'lesson'>, { id }: Meeting, date?: string): boolean {
  return Object.values(lesson).some(
    (one) => one.id.startsWith(`${id}.`) && one.takenAt !== null && (date === undefined || one.date === date),
  );
}
