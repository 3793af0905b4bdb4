import type { RecordOf, TableName } from './schema';
import { tableNames } from './tables';

/** A part of what is known, by table and id: what a view answers with and the app keeps. */
export type Records = { [T in TableName]: Readonly<Record<string, RecordOf<T>>> };
/** The same as lists, the form in which it travels. */
export type RecordLists = { [T in TableName]?: RecordOf<T>[] };

/** No records at all. */
export function emptyRecords(): Records {
  return Object.fromEntries(tableNames.map((table) => [table, {}])) as unknown as Records;
}

type Fields = Record<string, unknown>;

function isSame(a: Fields | undefined, b: Fields): boolean {
  return a !== undefined && Object.keys(b).every((field) => a[field] === b[field]);
}

/** Lays newer records over older ones; tables and records without news keep their identity. */
export function mergeRecords(records: Records, news: RecordLists): Records {
  const merged: Record<string, unknown> = { ...records };
  for (const table of tableNames) {
    const known = records[table] as Record<string, Fields>;
    const rows = (news[table] ?? []).filter((row) => !isSame(known[row.id], row as Fields));
    if (rows.length === 0) continue;
    merged[table] = { ...records[table], ...Object.fromEntries(rows.map((row) => [row.id, row])) };
  }
  return merged as Records;
}

/** The records of one table that have not been removed. */
export function listOf<T extends TableName>(records: Records, table: T): RecordOf<T>[] {
  return Object.values<RecordOf<T>>(records[table]).filter((row) => !row.removed);
}

/** The records without some of them; tables of which none goes keep their identity. */
export function withoutRecords(records: Records, gone: readonly { table: TableName; id: string }[]): Records {
  const left: Record<string, Record<string, unknown>> = {};
  for (const { table, id } of gone) Reflect.deleteProperty((left[table] ??= { ...records[table] }), id);
  return { ...records, ...left };
}
