import { useEffect, useMemo, useState } from 'react';
import { useRecords } from '../../sync/useRecords';
import type { ticksOwedIn } from './owed';

/** What each student owes on the tick-sheet of a class, or in one column; looked up only where it is wanted. */
export function useTicksOwed(
  sectionId: string,
  columnId: string | undefined,
  wanted: boolean,
): ReadonlyMap<string, string[]> {
  const current = useRecords((state) => state.current);
  const [read, setRead] = useState<{ ticksOwedIn: typeof ticksOwedIn } | null>(null);
  useEffect(() => {
    // With the pages that share it: by itself it would come with the first screen.
    if (wanted) void import('./pages').then(setRead);
  }, [wanted]);
  return useMemo(
    () => read?.ticksOwedIn(current, sectionId, columnId) ?? new Map<string, string[]>(),
    [read, current, sectionId, columnId],
  );
}
