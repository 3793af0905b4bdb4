import { useMemo } from 'react';
import type { FollowUp } from '@slate-path/core/records/schema';
import { useNow } from '../../sync/clock';
import { useRecords } from '../../sync/useRecords';
import { openFollowUps } from './ties';

/** What is to be looked at today, and what was left from days before. */
export function useDue(): FollowUp[] {
  const now = useNow();
  const open = useRecords((state) => openFollowUps(state.current));
  return useMemo(() => open.filter(({ dueOn }) => dueOn <= now.date), [open, now.date]);
}
