import { useDeferredValue, useMemo } from 'react';
import type { Pasted } from '@slate-path/core/people/roster/pasted';
import { listOf } from '@slate-path/core/records/records';
import { useLists } from '../../../files/useLists';
import { useRecords } from '../../../sync/useRecords';

const none: Pasted = { students: [], left: [] };

/** Reads a list of students as it is typed, on the device: it needs no server. */
export function usePasted(text: string): Pasted {
  const lists = useLists();
  const current = useRecords((state) => state.current);
  const settled = useDeferredValue(text);
  return useMemo(() => {
    if (!lists) return none;
    const people = {
      students: listOf(current, 'student'),
      guardians: listOf(current, 'guardian'),
      enrolments: listOf(current, 'enrolment'),
    };
    return lists.readPasted(settled, '', people);
  }, [lists, settled, current]);
}
