import type { Sql } from '../database/sql';
import { renewAccess } from './access';

/** Opens a school with its first member, who keeps it. Its record comes by a change of theirs. */
export function beginSchool(
  sql: Sql,
  { schoolId, personId, at }: { schoolId: string; personId: string; at: string },
): void {
  sql.run(`INSERT INTO "scope" ("id", "kind", "schoolId") VALUES (?, 'school', ?)`, schoolId, schoolId);
  sql.run(
    `INSERT INTO "member" ("personId", "schoolId", "role", "isKeeper", "since", "accessOn") VALUES (?, ?, 'teacher', 1, ?, '')`,
    personId,
    schoolId,
    at,
  );
  renewAccess(sql, personId, '');
}
