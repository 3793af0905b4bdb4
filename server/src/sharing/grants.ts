import { ulid } from 'ulid';
import type { PathGrant } from '../database/scopeEntities';
import type { Sql } from '../database/sql';
import { writeLine } from '../changes/log';

/** What the log says of who may read a student's whole path. */
const grantKind = 'grant';

/** A grant with the names of who has it and who gave it. */
export type NamedGrant = PathGrant & { name: string; by: string };

const named =
  'SELECT g.*, t."name" AS "name", b."name" AS "by" FROM "pathGrant" g JOIN "teacher" t ON t."id" = g."personId" JOIN "teacher" b ON b."id" = g."grantedBy" WHERE g."endedAt" IS NULL';

/** To whom a student's path is given. */
export function grantsOf(sql: Sql, studentId: string): NamedGrant[] {
  return sql.all<NamedGrant>(`${named} AND g."studentId" = ? ORDER BY g."id"`, studentId);
}

/** What is given to somebody. */
export function grantsTo(sql: Sql, personId: string): NamedGrant[] {
  return sql.all<NamedGrant>(`${named} AND g."personId" = ? ORDER BY g."id"`, personId);
}

export function grantTo(sql: Sql, personId: string, studentId: string): NamedGrant | undefined {
  return grantsTo(sql, personId).find((grant) => grant.studentId === studentId);
}

export function grantById(sql: Sql, id: string): PathGrant | undefined {
  return sql.get<PathGrant>('SELECT * FROM "pathGrant" WHERE "id" = ? AND "endedAt" IS NULL', id);
}

function log(sql: Sql, studentId: string, by: string, payload: unknown, now: number): void {
  const at = new Date(now).toISOString();
  const line = { id: ulid(now), kind: grantKind, device: 'server', madeAt: at, payload };
  writeLine(sql, line, { teacherId: by, receivedAt: at }, studentId, []);
}

/** Gives a path to somebody; to whom it is given already, it stays so. @returns the grant's id */
export function openGrant(
  sql: Sql,
  { studentId, personId }: Pick<PathGrant, 'studentId' | 'personId'>,
  by: string,
  now: number,
): string {
  const there = grantTo(sql, personId, studentId);
  if (there) return there.id;
  const id = ulid(now);
  sql.run(
    'INSERT INTO "pathGrant" ("id", "studentId", "personId", "grantedBy", "madeAt") VALUES (?, ?, ?, ?, ?)',
    ...[id, studentId, personId, by, new Date(now).toISOString()],
  );
  log(sql, studentId, by, { personId }, now);
  return id;
}

export function closeGrant(sql: Sql, { id, studentId }: PathGrant, by: string, now: number): void {
  sql.run('UPDATE "pathGrant" SET "endedAt" = ? WHERE "id" = ?', new Date(now).toISOString(), id);
  log(sql, studentId, by, { ended: id }, now);
}

/** Whoever leaves a school has nothing of it to read any more. */
export function closeGrantsTo(sql: Sql, personId: string, now: number): void {
  sql.run(
    'UPDATE "pathGrant" SET "endedAt" = ? WHERE "personId" = ? AND "endedAt" IS NULL',
    new Date(now).toISOString(),
    personId,
  );
}
