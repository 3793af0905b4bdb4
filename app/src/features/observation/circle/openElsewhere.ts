import type { Records } from '@slate-path/core/records/records';
import type { Circle } from '@slate-path/core/records/schema';

/** A circle that was left open in another lesson. */
export function openElsewhere({ circle }: Records, lessonId: string): Circle | undefined {
  return Object.values(circle).find(
    (one) => !one.removed && one.endedAt === null && one.lessonId !== lessonId,
  );
}
