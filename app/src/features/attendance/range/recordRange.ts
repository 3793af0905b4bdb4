import { groupBy } from '@slate-path/core/records/groupBy';
import type { Standing } from '@slate-path/core/records/schema';
import type { PlannedMark } from '@slate-path/core/attendance/roll/planMark';
import { now } from '../../../sync/clock';
import { makeChange } from '../../../sync/outbox';

/** Whose history ranges are on this device: the last one can be taken back whole. */
export const rangeHistory = 'range';

/** Records the chosen marks as one change. @returns how many */
export function recordRange(items: readonly PlannedMark[], kind: Standing | undefined): number {
  const takenAt = new Date(now()).toISOString();
  const lessons = [...groupBy(items, ({ lesson }) => lesson)].map(([lesson, found]) => {
    const { id, sectionId, date, startsAt, endsAt } = lesson;
    const takes = kind?.countsAs === 'here' && lesson.takenAt === null;
    return {
      lesson: { id, sectionId, date, startsAt, endsAt },
      marks: found.map(({ mark }) => mark),
      ...(takes ? { takenAt } : {}),
    };
  });
  makeChange('roll.range', { lessons }, rangeHistory);
  return items.length;
}
