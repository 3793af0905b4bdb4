import type { AtSchool, Elsewhere } from '@slate-path/core/people/roster/atSchool';
import type { Sql } from '../../database/sql';

/** The students of somebody's school whom they do not teach: enough of each to recognise a person by. */
export function studentsElsewhere(sql: Sql, personId: string): Elsewhere[] {
  return sql.all<Elsewhere>(
    `SELECT s."id", s."givenName", s."familyName", s."email", s."schoolId" FROM "scope" c JOIN "student" s ON s."id" = c."id" WHERE c."schoolId" = (SELECT "schoolId" FROM "member" WHERE "personId" = ?) AND c."kind" = 'student' AND NOT s."removed" AND s."id" NOT IN (SELECT "scopeId" FROM "access" WHERE "personId" = ?) ORDER BY s."id"`,
    personId,
    personId,
  );
}

/** With whom a student is: in which class of which colleague. Nothing else of them is told. */
function taughtWhere(sql: Sql, studentId: string): string {
  const classes = sql.all<{ section: string; teacher: string }>(
    `SELECT c."name" AS "section", t."name" AS "teacher" FROM "enrolment" e JOIN "section" c ON c."id" = e."sectionId" JOIN "teaching" g ON g."sectionId" = c."id" AND g."role" = 'teacher' AND g."endedAt" IS NULL AND g."endsOn" IS NULL JOIN "teacher" t ON t."id" = g."personId" WHERE e."studentId" = ? AND e."endsOn" IS NULL AND NOT e."removed" AND NOT c."removed" ORDER BY c."name", t."name"`,
    studentId,
  );
  const [first] = classes;
  return first ? `in ${first.teacher}’s ${first.section}` : 'in no class now';
}

export function withTeachers(sql: Sql, found: readonly Pick<AtSchool, 'id'>[]): AtSchool[] {
  return found.map(({ id }) => ({ id, taught: taughtWhere(sql, id) }));
}
