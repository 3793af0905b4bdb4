import type { TableName } from '@slate-path/core/records/schema';
import { namedOnly } from '@slate-path/core/scopes/rights';
import type { Sql } from '../database/sql';
import { colleaguesOf } from '../scopes/access';

/** What a colleague calls something is named where it was used, as what is removed is, but not offered. */
export function retired(
  sql: Sql,
  personId: string,
  table: TableName,
  rows: Record<string, unknown>[],
): Record<string, unknown>[] {
  if (!namedOnly.includes(table)) return rows;
  const colleagues = new Set(colleaguesOf(sql, personId));
  return rows.map((row) => (colleagues.has(String(row['scopeId'])) ? { ...row, removed: 1 } : row));
}
