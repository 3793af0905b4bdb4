import type { TableName } from '@slate-path/core/records/schema';
import { tableNames } from '@slate-path/core/records/tables';
import type { Sql } from './sql';

/** By which change a row was made, and by which it was last removed or brought back. */
const madeBy = `json_extract("stamps", '$."*".by')`;
const decidedBy = `json_extract("stamps", '$.removed.by')`;

/**
 * Takes back what was written in bulk, as its rows' stamps tell: what it made or brought back is removed, what it
 * removed comes back. What somebody has removed or brought back since is left alone, and so are values set since.
 * @param stamp of whoever takes it back @param tables in which it wrote @returns how many rows were changed
 */
export function takeBackBulk(
  sql: Sql,
  changeId: string,
  teacherId: string,
  stamp: { at: string; by: string },
  tables: readonly TableName[] = tableNames,
): number {
  const written = `"stamps" = json_set("stamps", '$.removed', json(?))`;
  const values = [JSON.stringify(stamp), teacherId, changeId];
  let changed = 0;
  for (const table of tables) {
    changed += sql.run(
      `UPDATE "${table}" SET "removed" = 1, ${written} WHERE "teacherId" = ? AND NOT "removed" AND coalesce(${decidedBy}, ${madeBy}) = ?`,
      ...values,
    );
    changed += sql.run(
      `UPDATE "${table}" SET "removed" = 0, ${written} WHERE "teacherId" = ? AND "removed" AND ${decidedBy} = ? AND ${madeBy} <> ?`,
      ...values,
      changeId,
    );
  }
  return changed;
}
