import { localMoment } from '@slate-path/core/calendar/zone';
import type { TableName } from '@slate-path/core/records/schema';
import { rights, type AccessRole } from '@slate-path/core/scopes/rights';
import type { Member, Scope } from '../database/scopeEntities';
import type { Sql } from '../database/sql';
import { colleaguesSql } from './retired';

/** The scopes in which somebody may read a table; the one `?` is the person. */
function scopesToRead(table: TableName): string {
  const roles = rights[table].reads.map((role) => `'${role}'`).join(', ');
  return `(SELECT "scopeId" FROM "access" WHERE "personId" = ? AND "role" IN (${roles}))`;
}

/** A condition on a table's rows: those that a person may read. The one `?` is the person. */
export function readable(table: TableName): string {
  return `"${table}"."scopeId" IN ${scopesToRead(table)}`;
}

/** The same where other conditions say by which index the rows are found. */
export function alsoReadable(table: TableName): string {
  return `+${readable(table)}`;
}

/** A condition on rows: made by somebody of the same school as a person, who is the one `?`. */
export const madeInSchool = `"teacherId" IN (SELECT "personId" FROM "member" WHERE "schoolId" = (SELECT "schoolId" FROM "member" WHERE "personId" = ?))`;

/** What somebody is in a scope; null where they are nothing. */
export function roleIn(sql: Sql, personId: string, scopeId: string): AccessRole | null {
  const found = sql.get<{ role: AccessRole }>(
    'SELECT "role" FROM "access" WHERE "personId" = ? AND "scopeId" = ?',
    personId,
    scopeId,
  );
  return found?.role ?? null;
}

export function memberOf(sql: Sql, personId: string): Member | undefined {
  const found = sql.get<Omit<Member, 'isKeeper'> & { isKeeper: number }>(
    'SELECT * FROM "member" WHERE "personId" = ?',
    personId,
  );
  return found && { ...found, isKeeper: found.isKeeper === 1 };
}

/** To which school a scope belongs; undefined where there is no such scope. */
export function schoolOf(sql: Sql, scopeId: string): string | undefined {
  return sql.get<Scope>('SELECT "schoolId" FROM "scope" WHERE "id" = ?', scopeId)?.schoolId;
}

/** The day at somebody's school. @param now milliseconds of the epoch */
export function dayAtSchool(sql: Sql, personId: string, now: number): string {
  return localMoment(now, zoneAtSchool(sql, personId)).date;
}

/** The time zone of somebody's school, as an IANA name. */
export function zoneAtSchool(sql: Sql, personId: string): string {
  const school = sql.get<{ zone: string }>(
    'SELECT "zone" FROM "school" WHERE "id" = (SELECT "schoolId" FROM "member" WHERE "personId" = ?)',
    personId,
  );
  return school?.zone ?? 'UTC';
}

/** Every scope in which somebody is something. */
export function scopesOf(sql: Sql, personId: string): string[] {
  return sql
    .all<{ scopeId: string }>('SELECT "scopeId" FROM "access" WHERE "personId" = ?', personId)
    .map(({ scopeId }) => scopeId);
}

/** Those who teach or taught a class with somebody. */
export function colleaguesOf(sql: Sql, personId: string): string[] {
  return sql.all<{ scopeId: string }>(colleaguesSql, personId).map(({ scopeId }) => scopeId);
}

/** Everybody who is something in a scope. */
export function peopleIn(sql: Sql, scopeId: string): string[] {
  return sql
    .all<{ personId: string }>('SELECT "personId" FROM "access" WHERE "scopeId" = ?', scopeId)
    .map(({ personId }) => personId);
}

/** Everybody whose records may change with one's own: those who are something in one of the same scopes. */
export function everyoneBeside(sql: Sql, personId: string): string[] {
  return sql
    .all<{ personId: string }>(
      'SELECT DISTINCT "personId" FROM "access" WHERE "scopeId" IN (SELECT "scopeId" FROM "access" WHERE "personId" = ?) AND "personId" <> ?',
      personId,
      personId,
    )
    .map(({ personId: other }) => other);
}

/** Of several roles in one scope the first that is inserted stays. */
const add = 'INSERT OR IGNORE INTO "access" ("personId", "scopeId", "role")';
const rank = (role: string) => `CASE ${role} WHEN 'teacher' THEN 0 WHEN 'cover' THEN 1 ELSE 2 END`;

/** Class by class, on a day. */
const ofSections = `${add} SELECT "personId", "sectionId", "role" FROM "teaching" WHERE "personId" = ? AND "endedAt" IS NULL AND ("startsOn" IS NULL OR "startsOn" <= ?) AND ("endsOn" IS NULL OR "endsOn" >= ?) ORDER BY ${rank('"role"')}`;
/** Everybody who is or was in one of these classes. */
const ofStudents = `${add} SELECT a."personId", e."studentId", a."role" FROM "access" a JOIN "enrolment" e ON e."sectionId" = a."scopeId" WHERE a."personId" = ? ORDER BY ${rank('a."role"')}`;
/** A student who was never in a class is seen by whoever wrote them down. */
const ofUnattached = `${add} SELECT s."teacherId", s."id", 'teacher' FROM "student" s WHERE s."teacherId" = ? AND NOT EXISTS (SELECT 1 FROM "enrolment" e WHERE e."studentId" = s."id")`;
/** Whoever teaches or taught one of these classes. */
const ofColleagues = `${add} SELECT DISTINCT a."personId", t."personId", 'colleague' FROM "access" a JOIN "teaching" t ON t."sectionId" = a."scopeId" WHERE a."personId" = ? AND t."personId" <> a."personId"`;

/**
 * Works out anew what somebody is in each scope, from their membership, the classes they teach, assist in or cover
 * on a day, and who is in these.
 */
export function renewAccess(sql: Sql, personId: string, today: string): void {
  sql.run('DELETE FROM "access" WHERE "personId" = ?', personId);
  const member = memberOf(sql, personId);
  sql.run('UPDATE "member" SET "accessOn" = ? WHERE "personId" = ?', today, personId);
  if (!member || member.until !== null) return;
  sql.run(`${add} VALUES (?, ?, 'own')`, personId, personId);
  sql.run(`${add} VALUES (?, ?, ?)`, personId, member.schoolId, member.isKeeper ? 'keeper' : 'member');
  sql.run(ofSections, personId, today, today);
  sql.run(ofStudents, personId);
  sql.run(ofUnattached, personId);
  sql.run(ofColleagues, personId);
}

/** Does what somebody sees change by itself from day to day? For most it does not: then asking writes nothing. */
export function changesWithDays(sql: Sql, personId: string): boolean {
  return (
    sql.get(
      'SELECT 1 FROM "teaching" WHERE "personId" = ? AND "endedAt" IS NULL AND ("startsOn" IS NOT NULL OR "endsOn" IS NOT NULL) LIMIT 1',
      personId,
    ) !== undefined
  );
}

/** The same for all whose access was never worked out, as where the tables were just made from older ones. */
export function beginAccess(sql: Sql): void {
  const members = sql.all<{ personId: string }>(`SELECT "personId" FROM "member" WHERE "accessOn" = ''`);
  for (const { personId } of members) renewAccess(sql, personId, '');
}

/** A class that somebody begins, or a student whom they write down, is theirs from then on. */
export function openScope(sql: Sql, { id, kind }: Pick<Scope, 'id' | 'kind'>, by: Member): void {
  const { personId, schoolId } = by;
  sql.run('INSERT OR IGNORE INTO "scope" ("id", "kind", "schoolId") VALUES (?, ?, ?)', id, kind, schoolId);
  sql.run(`${add} VALUES (?, ?, 'teacher')`, personId, id);
}

/** Whoever begins a class teaches it. The class has its row already. */
export function beginTeaching(sql: Sql, sectionId: string, personId: string, madeAt: string): void {
  sql.run(
    `INSERT OR IGNORE INTO "teaching" ("id", "sectionId", "personId", "role", "madeAt") VALUES (?, ?, ?, 'teacher', ?)`,
    sectionId,
    sectionId,
    personId,
    madeAt,
  );
}

/** Whoever is something in a class is so to a student who comes into it; the stronger role counts. */
export function openToClass(sql: Sql, studentId: string, sectionId: string): void {
  sql.run(
    `INSERT INTO "access" ("personId", "scopeId", "role") SELECT "personId", ?, "role" FROM "access" WHERE "scopeId" = ? ON CONFLICT ("personId", "scopeId") DO UPDATE SET "role" = excluded."role" WHERE ${rank('excluded."role"')} < ${rank('"access"."role"')}`,
    studentId,
    sectionId,
  );
}
