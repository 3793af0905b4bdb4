import type { Lesson } from '@slate-path/core/records/schema';
import { sweepHistory } from '@slate-path/core/observation/sweep/history';
import { shippedLevels } from '@slate-path/core/observation/sweep/levels';
import { keyOf } from '../../attendance/lesson/marking';
import { makeChange } from '../../../sync/outbox';
import { useRecords } from '../../../sync/useRecords';

/** What the teacher calls the levels, from 0. */
export function useLevelNames(): readonly string[] {
  return useRecords(({ current }) => {
    const kept = Object.values(current.levelNames)[0];
    return kept && !kept.removed ? kept.names : shippedLevels;
  });
}

export function setLevels(
  lesson: Lesson,
  studentIds: readonly string[],
  level: number | null,
  history: Lesson,
): void {
  const levels = studentIds.map((studentId) => ({ studentId, level }));
  makeChange('sweep.set', { lesson: keyOf(lesson), levels }, sweepHistory(history.id));
}
