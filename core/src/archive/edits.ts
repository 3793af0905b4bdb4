import type { Edit, EditsByKind } from '../changes/edit';
import type { archiveChanges } from './changes';

export const archiveEdits: EditsByKind<typeof archiveChanges> = {
  'archive.bring': ({ records }) =>
    records.flatMap(({ table, id, removed, values }) => {
      const make = { op: 'make', table, id, values } as Edit;
      return removed ? [make, { op: 'set', table, id, values: { removed: true } } as Edit] : [make];
    }),
  'archive.goBack': ({ records }) =>
    records.flatMap(({ table, id, removed, values }) => [
      { op: 'make', table, id, values } as Edit,
      { op: 'set', table, id, values: { ...values, removed } } as Edit,
    ]),
};
