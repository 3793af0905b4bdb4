import type { FieldsOf, TableName } from '../records/schema';
import type { PayloadOf } from './kind';
import { mergeRecords, type RecordLists, type Records } from '../records/records';

/**
 * What a change does to one record:
 * `make` adds it (and brings it back where it was removed); taking it back removes it;
 * `ensure` adds it where it is missing, as the ground for a `set`; taking back leaves it;
 * `set` decides some of its fields. Nothing else exists: removing is setting `removed`.
 */
export type Edit<T extends TableName = TableName> = {
  [K in T]:
    | { op: 'make' | 'ensure'; table: K; id: string; values: FieldsOf<K> }
    | { op: 'set'; table: K; id: string; values: Partial<FieldsOf<K>> & { removed?: boolean } };
}[T];

/** For each kind of change of a feature, what it does to the records: pure, from the payload alone. */
export type EditsByKind<Kinds> = { [K in keyof Kinds]: (payload: PayloadOf<Kinds[K]>) => Edit[] };

type Row = Record<string, unknown> & { id: string };

/** What an edit makes of a row; undefined where there is still none. */
function rowAfter(row: Row | undefined, edit: Edit): Row | undefined {
  if (!row) return edit.op === 'set' ? undefined : { ...edit.values, id: edit.id, removed: false };
  if (edit.op === 'set') return { ...row, ...edit.values };
  return edit.op === 'make' && row['removed'] ? { ...row, removed: false } : row;
}

/** The rows that edits change, by table and id: a tap must not copy tables of thousands to look at three rows. */
function rowsOver(records: Records) {
  const touched: Record<string, Record<string, Row>> = {};
  const rowOf = ({ table, id }: Edit) =>
    touched[table]?.[id] ?? (records[table] as Record<string, Row | undefined>)[id];
  const lay = (edit: Edit) => {
    const row = rowAfter(rowOf(edit), edit);
    if (row) (touched[edit.table] ??= {})[edit.id] = row;
  };
  return { touched, rowOf, lay };
}

/**
 * Lays edits over records, as the app does before the server has answered.
 * @returns new records; those not touched keep their identity. A `set` of an unknown record does nothing.
 */
export function applyEdits(records: Records, edits: readonly Edit[]): Records {
  const { touched, lay } = rowsOver(records);
  edits.forEach(lay);
  const news = Object.fromEntries(
    Object.entries(touched).map(([table, rows]) => [table, Object.values(rows)]),
  ) as RecordLists;
  return mergeRecords(records, news);
}

/**
 * The edits that take these edits back, from the records as they were before them.
 * A record that was made is removed; a field that was set gets its former value.
 */
export function invertEdits(records: Records, edits: readonly Edit[]): Edit[] {
  const { rowOf, lay } = rowsOver(records);
  const inverse: Edit[] = [];
  // The compiler tells apart at most 25 tables at once, so it is told that each set fits its own.
  const takeBack = (edit: Edit, values: Record<string, unknown>) =>
    inverse.unshift({ op: 'set', table: edit.table, id: edit.id, values } as Edit);
  for (const edit of edits) {
    const before = rowOf(edit);
    if (edit.op === 'make' && (!before || before['removed'])) {
      takeBack(edit, { removed: true });
    } else if (edit.op === 'set' && before) {
      const values = Object.fromEntries(Object.keys(edit.values).map((field) => [field, before[field]]));
      takeBack(edit, values);
    }
    lay(edit);
  }
  return inverse;
}
