import { useEffect, useMemo, useState } from 'react';
import { addressOf } from '@slate-path/core/api/address';
import { addDays } from '@slate-path/core/calendar/localTime';
import { useNow } from '../../sync/clock';
import { useRecords } from '../../sync/useRecords';
import { useView } from '../../sync/views';
import type { owedIn } from './owed';

const daysBack = 330;
const nothing: ReadonlyMap<string, string[]> = new Map();

/** What each student of a class owes; asked for only where it is wanted. */
export function useOwed(sectionId: string, wanted: boolean): ReadonlyMap<string, string[]> {
  const now = useNow();
  const current = useRecords((state) => state.current);
  const [read, setRead] = useState<{ owedIn: typeof owedIn } | null>(null);
  const range = { from: addDays(now.date, -daysBack), to: now.date };
  useView(wanted ? addressOf('classWork', { sectionId, ...range }) : null);
  useEffect(() => {
    // With the pages that share it: by itself it would come with the first screen.
    if (wanted) void import('./pages').then(setRead);
  }, [wanted]);
  return useMemo(
    () => read?.owedIn(current, sectionId, `${now.date}T${now.time}:59`) ?? nothing,
    [read, current, sectionId, now],
  );
}
