import type { OpenDatabase } from '../../database/open';
import type { Sql } from '../../database/sql';
import { madeInSchool } from '../../scopes/access';

/** Ids of the students of somebody's school who were erased. */
export function erasedStudents(sql: Sql, teacherId: string): string[] {
  return sql
    .all<{ studentId: string }>(`SELECT "studentId" FROM "erasure" WHERE ${madeInSchool}`, teacherId)
    .map(({ studentId }) => studentId);
}

/** The teacher wants some of them back: what is said about them is taken in again. */
export async function comeBack(
  database: OpenDatabase,
  teacherId: string,
  studentIds: readonly string[],
): Promise<void> {
  await database.write((sql) => {
    for (const studentId of studentIds)
      sql.run(`DELETE FROM "erasure" WHERE ${madeInSchool} AND "studentId" = ?`, teacherId, studentId);
  });
}
