import { useEffect, useMemo, useState } from 'react';
import { addressOf } from '@slate-path/core/api/address';
import { addDays } from '@slate-path/core/calendar/localTime';
import { useNow } from '../../sync/clock';
import { useRecords } from '../../sync/useRecords';
import { useView } from '../../sync/views';
import type { owedIn } from './owed';

const daysBack = 330;

/** Asks for the work of a class, where it is wanted. */
export function useWorkOf(sectionId: string, wanted: boolean): void {
  const { date } = useNow();
  const range = { from: addDays(date, -daysBack), to: date };
  useView(wanted ? addressOf('classWork', { sectionId, ...range }) : null);
}

/** What each student owes in some classes, as this device knows it. @param sectionIds the same list while it says the same */
export function useOwedIn(sectionIds: readonly string[], wanted: boolean): ReadonlyMap<string, string[]> {
  const now = useNow();
  const current = useRecords((state) => state.current);
  const [read, setRead] = useState<{ owedIn: typeof owedIn } | null>(null);
  useEffect(() => {
    // With the pages that share it: by itself it would come with the first screen.
    if (wanted) void import('./pages').then(setRead);
  }, [wanted]);
  return useMemo(() => {
    const owed = new Map<string, string[]>();
    for (const sectionId of read ? sectionIds : [])
      for (const [studentId, titles] of read?.owedIn(current, sectionId, `${now.date}T${now.time}:59`) ?? [])
        owed.set(studentId, [...(owed.get(studentId) ?? []), ...titles]);
    return owed;
  }, [read, current, sectionIds, now]);
}

/** What each student of a class owes; asked for only where it is wanted. */
export function useOwed(sectionId: string, wanted: boolean): ReadonlyMap<string, string[]> {
  useWorkOf(sectionId, wanted);
  return useOwedIn(
    useMemo(() => [sectionId], [sectionId]),
    wanted,
  );
}
