import type { TableName } from '@slate-path/core/records/schema';
import { namedOnly } from '@slate-path/core/scopes/rights';

/** The scopes of those who teach or taught a class with somebody; the one `?` is the person. */
export const colleaguesSql = `SELECT "scopeId" FROM "access" WHERE "personId" = ? AND "role" = 'colleague'`;

/**
 * What a colleague calls something is named where it was used, as what is removed is, but not offered.
 * @param colleagues the scopes of colleagues, asked for only where a table has such words
 */
export function retired<R extends { scopeId?: unknown; removed?: unknown }>(
  table: TableName,
  rows: R[],
  colleagues: () => Iterable<string>,
): R[] {
  if (!namedOnly.includes(table) || rows.length === 0) return rows;
  const theirs = new Set(colleagues());
  return rows.map((row) => (theirs.has(String(row.scopeId)) ? { ...row, removed: true } : row));
}
