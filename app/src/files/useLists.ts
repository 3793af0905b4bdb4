import { useEffect, useState } from 'react';
import type * as Lists from './lists';

/** What lists are read with; null until it is there. */
export function useLists(): typeof Lists | null {
  const [lists, setLists] = useState<typeof Lists | null>(null);
  useEffect(() => {
    void import('./lists').then(setLists);
  }, []);
  return lists;
}
