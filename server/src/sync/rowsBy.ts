import type { TableName } from '@slate-path/core/records/schema';
import type { Sql } from '../database/sql';
import { alsoReadable } from '../scopes/access';

/** Rows by a field, those that somebody may read. */
export function rowsBy(
  sql: Sql,
  personId: string,
  table: TableName,
  field: string,
  values: Iterable<string>,
): Record<string, unknown>[] {
  return sql.all(
    `SELECT "${table}".* FROM "${table}" WHERE "${field}" IN (SELECT value FROM json_each(?)) AND ${alsoReadable(table)}`,
    JSON.stringify([...values]),
    personId,
  );
}
