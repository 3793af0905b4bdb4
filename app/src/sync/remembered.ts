import type { Records } from '@slate-path/core/records/records';

/** Remembers the last result for the same tables: several parts of a screen ask for it. */
export function remembered<T>(tables: (records: Records) => unknown[], compute: (records: Records) => T) {
  let last: unknown[] = [];
  let result: T | undefined;
  return (records: Records): T => {
    const next = tables(records);
    if (result === undefined || next.some((table, index) => table !== last[index])) {
      result = compute(records);
      last = next;
    }
    return result;
  };
}
