import type { RecordLists } from '../../records/records';
import type { RecordOf, TableName } from '../../records/schema';
import { tableNames } from '../../records/tables';
import { broughtRecord, type BroughtRecord } from './brought';

/** What has to be written so that all is as it was, and what that means. */
export interface GoingBack {
  records: BroughtRecord[];
  /** Changed since, and to be as they were. */
  asThen: number;
  /** Taken away since, and to come back. */
  backAgain: number;
  /** Made since, and to be taken away. */
  gone: number;
}

/** A letter that went out has gone out: no backup takes that back. */
const lasting: ReadonlySet<TableName> = new Set<TableName>(['message']);

/** The same for two records with the same in them, whatever the order of their columns. */
const written = (record: RecordOf<TableName>) =>
  JSON.stringify(Object.entries(record).sort(([a], [b]) => (a < b ? -1 : 1)));

const isThere = (record: RecordOf<TableName> | undefined) => record !== undefined && !record.removed;

/**
 * How to get from the records as they are to those of an earlier moment: nothing is deleted, what was made since is
 * marked as removed. @param then, now whole, removed ones included
 */
export function goingBack(then: RecordLists, now: RecordLists): GoingBack {
  const found: GoingBack = { records: [], asThen: 0, backAgain: 0, gone: 0 };
  for (const table of tableNames.filter((name) => !lasting.has(name))) {
    const before = new Map(listOf(then, table).map((record) => [record.id, record]));
    const after = new Map(listOf(now, table).map((record) => [record.id, record]));
    for (const [id, record] of before) {
      const current = after.get(id);
      if (current ? written(current) === written(record) : record.removed) continue;
      found.records.push(broughtRecord(table, record));
      if (isThere(record) === isThere(current)) found.asThen += 1;
      else if (isThere(record)) found.backAgain += 1;
      else found.gone += 1;
    }
    for (const [id, record] of after) {
      if (before.has(id) || record.removed) continue;
      found.records.push(broughtRecord(table, { ...record, removed: true }));
      found.gone += 1;
    }
  }
  return found;
}

const listOf = (lists: RecordLists, table: TableName) => (lists[table] ?? []) as RecordOf<TableName>[];
