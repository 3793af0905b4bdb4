import { tableNames } from '@slate-path/core/records/tables';
import { takeBackActions } from './activity/writeActions';
import type { Sql } from './sql';

/** By which change a row was made, and by which it was last removed or brought back. */
const madeBy = `json_extract("stamps", '$."*".by')`;
const decidedBy = `json_extract("stamps", '$.removed.by')`;

/**
 * Takes back what was written in bulk, as its rows' stamps tell: what it made or brought back is removed, what it
 * removed comes back. What somebody has removed or brought back since is left alone, and so are values set since.
 * @param stamp of whoever takes it back @returns how many rows were changed
 */
export function takeBackBulk(
  sql: Sql,
  changeId: string,
  teacherId: string,
  stamp: { at: string; by: string },
): number {
  const written = `"stamps" = json_set("stamps", '$.removed', json(?))`;
  const values = [JSON.stringify(stamp), teacherId, changeId];
  let changed = takeBackActions(sql, changeId, teacherId, stamp);
  for (const table of tableNames.filter((name) => name !== 'activity')) {
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
