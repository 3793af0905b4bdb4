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

/**
 * Lays edits over records, as the app does before the server has answered.
 * @returns new records; those not touched keep their identity. A `set` of an unknown record does nothing.
 */
export function applyEdits(records: Records, edits: readonly Edit[]): Records {
  const touched: Record<string, Record<string, Row>> = {};
  for (const edit of edits) {
    const table = (touched[edit.table] ??= {});
    const now = table[edit.id] ?? (records[edit.table] as Record<string, Row>)[edit.id];
    if (!now) {
      if (edit.op !== 'set') table[edit.id] = { ...edit.values, id: edit.id, removed: false };
    } else if (edit.op === 'set') {
      table[edit.id] = { ...now, ...edit.values };
    } else if (edit.op === 'make' && now['removed']) {
      table[edit.id] = { ...now, removed: false };
    }
  }
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
  const inverse: Edit[] = [];
  // The compiler tells apart at most 25 tables at once, so it is told that each set fits its own.
  const takeBack = (edit: Edit, values: Record<string, unknown>) =>
    inverse.unshift({ op: 'set', table: edit.table, id: edit.id, values } as Edit);
  let now = records;
  for (const edit of edits) {
    const before = (now[edit.table] as Record<string, Row>)[edit.id];
    if (edit.op === 'make' && (!before || before['removed'])) {
      takeBack(edit, { removed: true });
    } else if (edit.op === 'set' && before) {
      const values = Object.fromEntries(Object.keys(edit.values).map((field) => [field, before[field]]));
      takeBack(edit, values);
    }
    now = applyEdits(now, [edit]);
  }
  return inverse;
}
