import { ulid } from 'ulid';
import { reads } from '@slate-path/core/scopes/rights';
import type { OwnViewSettings } from '@slate-path/core/sharing/ownView/settings';
import type { OwnViewRow, StudentCardRow } from '../../database/ownViewEntities';
import type { Sql } from '../../database/sql';
import { dayAtSchool, memberOf, roleIn } from '../../scopes/access';
import { hashOf } from '../linkToken';

/** A class that shows a student something, and with whose rights it is read. */
export interface OpenClass {
  sectionId: string;
  setBy: string;
  settings: OwnViewSettings;
}

/** Writes a card and ends the one that its student had. */
export function addCard(sql: Sql, studentId: string, tokenHash: string, madeBy: string, now: number): void {
  endCardOf(sql, studentId, now);
  sql.run(
    'INSERT INTO "studentCard" ("id", "studentId", "tokenHash", "madeBy", "madeAt") VALUES (?, ?, ?, ?, ?)',
    ...[ulid(now), studentId, tokenHash, madeBy, new Date(now).toISOString()],
  );
}

/** @returns whether there was one to end */
export function endCardOf(sql: Sql, studentId: string, now: number): boolean {
  const at = new Date(now).toISOString();
  return (
    sql.run(
      'UPDATE "studentCard" SET "endedAt" = ? WHERE "studentId" = ? AND "endedAt" IS NULL',
      at,
      studentId,
    ) > 0
  );
}

/** The card that a student has; undefined for none. */
export const cardOf = (sql: Sql, studentId: string): StudentCardRow | undefined =>
  sql.get<StudentCardRow>(
    'SELECT * FROM "studentCard" WHERE "studentId" = ? AND "endedAt" IS NULL',
    studentId,
  );

/** The card that a link is of, while it has not ended. */
export const cardByToken = (sql: Sql, token: string): StudentCardRow | undefined =>
  sql.get<StudentCardRow>(
    'SELECT * FROM "studentCard" WHERE "tokenHash" = ? AND "endedAt" IS NULL',
    hashOf(token),
  );

export function countCardOpening(sql: Sql, { id }: StudentCardRow, now: number): void {
  const at = new Date(now).toISOString();
  sql.run('UPDATE "studentCard" SET "openings" = "openings" + 1, "openedAt" = ? WHERE "id" = ?', at, id);
}

/** Nothing of an erased student stays. */
export function forgetCardsOf(sql: Sql, studentId: string): void {
  sql.run('DELETE FROM "studentCard" WHERE "studentId" = ?', studentId);
}

export function ownViewOf(sql: Sql, sectionId: string): OpenClass | undefined {
  const row = sql.get<OwnViewRow>('SELECT * FROM "ownView" WHERE "sectionId" = ?', sectionId);
  return row && { sectionId, setBy: row.setBy, settings: JSON.parse(row.settings) as OwnViewSettings };
}

/** @param settings null: the class shows nothing any more */
export function setOwnView(
  sql: Sql,
  sectionId: string,
  settings: OwnViewSettings | null,
  setBy: string,
  now: number,
): void {
  sql.run('DELETE FROM "ownView" WHERE "sectionId" = ?', sectionId);
  if (settings)
    sql.run(
      'INSERT INTO "ownView" ("sectionId", "settings", "setBy", "setAt") VALUES (?, ?, ?, ?)',
      ...[sectionId, JSON.stringify(settings), setBy, new Date(now).toISOString()],
    );
}

/** Who is in a class on a day. */
export function inClassOn(sql: Sql, sectionId: string, day: string): string[] {
  return sql
    .all<{ id: string }>(
      `SELECT DISTINCT s."id" FROM "enrolment" e JOIN "student" s ON s."id" = e."studentId" WHERE e."sectionId" = ? AND NOT e."removed" AND NOT s."removed" AND (e."startsOn" IS NULL OR e."startsOn" <= ?) AND (e."endsOn" IS NULL OR e."endsOn" >= ?)`,
      ...[sectionId, day, day],
    )
    .map(({ id }) => id);
}

/**
 * The classes that show a student something today: those they are in, as long as whoever decided it teaches them and
 * belongs to the school.
 */
export function openClassesOf(sql: Sql, studentId: string, now: number): OpenClass[] {
  return sql
    .all<{ sectionId: string }>(
      'SELECT DISTINCT v."sectionId" FROM "ownView" v JOIN "enrolment" e ON e."sectionId" = v."sectionId" JOIN "section" c ON c."id" = v."sectionId" WHERE e."studentId" = ? AND NOT e."removed" AND NOT c."removed" ORDER BY c."name"',
      studentId,
    )
    .flatMap(({ sectionId }) => ownViewOf(sql, sectionId) ?? [])
    .filter(
      ({ sectionId, setBy }) =>
        memberOf(sql, setBy)?.until === null &&
        reads(roleIn(sql, setBy, sectionId), 'step') &&
        inClassOn(sql, sectionId, dayAtSchool(sql, setBy, now)).includes(studentId),
    );
}
