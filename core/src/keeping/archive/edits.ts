import type { Edit } from '../../changes/edit';
import type { BroughtRecord } from './brought';

/** What writing records in bulk does: an archive's stay behind what is there already, a backup's go before it. */
export const bulkEdits = {
  'archive.bring': (records: readonly BroughtRecord[]): Edit[] =>
    records.flatMap(({ table, id, removed, values }) => {
      const make = { op: 'make', table, id, values } as Edit;
      return removed ? [make, { op: 'set', table, id, values: { removed: true } } as Edit] : [make];
    }),
  'archive.goBack': (records: readonly BroughtRecord[]): Edit[] =>
    records.flatMap(({ table, id, removed, values }) => [
      { op: 'make', table, id, values } as Edit,
      { op: 'set', table, id, values: { ...values, removed } } as Edit,
    ]),
};

export type BulkKind = keyof typeof bulkEdits;
