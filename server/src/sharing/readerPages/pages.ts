import { timingSafeEqual } from 'node:crypto';
import { ulid } from 'ulid';
import { reads } from '@slate-path/core/scopes/rights';
import { fewestUnnamed } from '@slate-path/core/sharing/readerPage/limits';
import type { NewPage, PageSettings } from '@slate-path/core/sharing/readerPage/settings';
import type { ReaderPageRow } from '../../database/readerPageEntities';
import type { Sql } from '../../database/sql';
import { forgetLetters } from '../../people/messages/letters';
import { dayAtSchool, memberOf, roleIn } from '../../scopes/access';
import { hashOf, newToken } from '../linkToken';

/** A page as it is worked with. */
export type Page = Omit<ReaderPageRow, 'settings'> & { settings: PageSettings };

const codeHashOf = (pageId: string, code: string) => hashOf(`${pageId} ${code.trim().toLowerCase()}`);

/** Pages of before a class could be told of have none. */
const read = (row: ReaderPageRow): Page => ({
  ...row,
  // A page that was made before these were asked for has none of them.
  settings: {
    ...{ sectionId: null, observations: [] },
    ...(JSON.parse(row.settings) as Omit<PageSettings, 'sectionId' | 'observations'>),
  },
});

/** Writes a page. @returns its id, and its token, which is kept nowhere */
export function addPage(
  sql: Sql,
  { settings, until, code, email }: NewPage,
  madeBy: string,
  now: number,
): { id: string; token: string } {
  const id = ulid(now);
  const { token, tokenHash } = newToken();
  sql.run(
    'INSERT INTO "readerPage" ("id", "tokenHash", "codeHash", "madeBy", "settings", "email", "madeAt", "until") VALUES (?, ?, ?, ?, ?, ?, ?, ?)',
    ...[id, tokenHash, code === '' ? null : codeHashOf(id, code), madeBy, JSON.stringify(settings)],
    ...[email === '' ? null : email, new Date(now).toISOString(), until],
  );
  return { id, token };
}

export function pageById(sql: Sql, id: string): Page | undefined {
  const row = sql.get<ReaderPageRow>('SELECT * FROM "readerPage" WHERE "id" = ?', id);
  return row && read(row);
}

export function pagesBy(sql: Sql, madeBy: string): Page[] {
  return sql
    .all<ReaderPageRow>('SELECT * FROM "readerPage" WHERE "madeBy" = ? ORDER BY "id" DESC', madeBy)
    .map(read);
}

/** The pages on which a student stands, the newest first. */
export function pagesOf(sql: Sql, studentId: string): Page[] {
  return sql
    .all<ReaderPageRow>(
      `SELECT * FROM "readerPage" WHERE EXISTS (SELECT 1 FROM json_each("settings", '$.studentIds') WHERE "value" = ?) ORDER BY "id" DESC`,
      studentId,
    )
    .map(read);
}

/** May somebody pass on what is recorded of a student? Their teachers may. */
export function passesOn(sql: Sql, personId: string, studentId: string): boolean {
  const isThere = sql.get('SELECT 1 FROM "student" WHERE "id" = ? AND NOT "removed"', studentId);
  return isThere !== undefined && reads(roleIn(sql, personId, studentId), 'step');
}

/** May somebody pass on what a page tells of? The teachers of its students, or of its class. */
export function passesOnAll(
  sql: Sql,
  personId: string,
  { studentIds, sectionId }: Pick<PageSettings, 'studentIds' | 'sectionId'>,
): boolean {
  if (sectionId === null) return studentIds.every((id) => passesOn(sql, personId, id));
  const isThere = sql.get('SELECT 1 FROM "section" WHERE "id" = ? AND NOT "removed"', sectionId);
  return isThere !== undefined && reads(roleIn(sql, personId, sectionId), 'step');
}

/** Is a class that is told of without names large enough to hide each student, over the days that are told of? */
export function hidesEach(sql: Sql, { sectionId, from, to }: PageSettings, today: string): boolean {
  if (sectionId === null) return true;
  const found = sql.get<{ members: number }>(
    'SELECT COUNT(DISTINCT "studentId") AS "members" FROM "enrolment" WHERE "sectionId" = :sectionId AND NOT "removed" AND ("startsOn" IS NULL OR "startsOn" <= :to) AND ("endsOn" IS NULL OR "endsOn" >= :from)',
    { sectionId, from, to: to ?? today },
  );
  return (found?.members ?? 0) >= fewestUnnamed;
}

/**
 * Does a page open? Not after its last day, nor once it was ended; nor where its maker has left or does not teach one
 * of its students any more, nor once one of them was erased; nor where its class became too small to name nobody.
 */
export function isOpen(sql: Sql, { endedAt, until, madeBy, settings }: Page, now: number): boolean {
  if (endedAt !== null || memberOf(sql, madeBy)?.until !== null) return false;
  const today = dayAtSchool(sql, madeBy, now);
  return until >= today && passesOnAll(sql, madeBy, settings) && hidesEach(sql, settings, today);
}

/** The page that a link leads to and that opens; the same nothing for every other. */
export function openPage(sql: Sql, token: string, now: number): Page | undefined {
  const row = sql.get<ReaderPageRow>('SELECT * FROM "readerPage" WHERE "tokenHash" = ?', hashOf(token));
  const page = row && read(row);
  return page && isOpen(sql, page, now) ? page : undefined;
}

/** @returns whether there was one to end */
export function endPage(sql: Sql, id: string, now: number): boolean {
  const at = new Date(now).toISOString();
  return sql.run('UPDATE "readerPage" SET "endedAt" = ? WHERE "id" = ? AND "endedAt" IS NULL', at, id) > 0;
}

/**
 * Nothing of an erased student stays: not the page either, for its words may speak of them. What was written on pages
 * about others is cleaned: once the student is gone nothing shortens their name there.
 * @param eraserId somebody of the school whose pages they are @param clean a text without the student
 */
export function forgetPagesOf(
  sql: Sql,
  eraserId: string,
  studentId: string,
  clean: (text: string) => string,
): void {
  for (const { id } of pagesOf(sql, studentId)) {
    sql.run('DELETE FROM "pageOpening" WHERE "pageId" = ?', id);
    forgetLetters(sql, id);
    sql.run('DELETE FROM "readerPage" WHERE "id" = ?', id);
  }
  const ofSchool = sql.all<ReaderPageRow>(
    'SELECT p.* FROM "readerPage" p JOIN "member" m ON m."personId" = p."madeBy" WHERE m."schoolId" = (SELECT "schoolId" FROM "member" WHERE "personId" = ?)',
    eraserId,
  );
  for (const row of ofSchool) {
    const { settings } = read(row);
    const cleaned = {
      ...settings,
      summary: clean(settings.summary),
      lookFors: settings.lookFors.map((one) => ({ ...one, comment: clean(one.comment) })),
      observations: settings.observations.map((one) => ({ ...one, comment: clean(one.comment) })),
    };
    const text = JSON.stringify(cleaned);
    if (text !== row.settings) sql.run('UPDATE "readerPage" SET "settings" = ? WHERE "id" = ?', text, row.id);
  }
}

export function countOpening(sql: Sql, { id }: Page, now: number): void {
  const at = new Date(now).toISOString();
  sql.run('UPDATE "readerPage" SET "openings" = "openings" + 1, "openedAt" = ? WHERE "id" = ?', at, id);
  sql.run(
    'INSERT INTO "pageOpening" ("pageId", "minute") VALUES (?, ?) ON CONFLICT DO UPDATE SET "times" = "times" + 1',
    ...[id, `${at.slice(0, 16)}Z`],
  );
}

export function openingsOf(sql: Sql, id: string): { minute: string; times: number }[] {
  return sql.all(
    'SELECT "minute", "times" FROM "pageOpening" WHERE "pageId" = ? ORDER BY "minute" DESC LIMIT 20',
    id,
  );
}

/** So many wrong codes are free; after them each costs a wait, twice as long as the one before, up to a day. */
const freeTries = 5;
const firstWaitMs = 60_000;
const longestWaitMs = 86_400_000;

/** What a code is to a page. A wrong one is counted; while one has to wait even the right one is not taken. */
export function tryCode(sql: Sql, page: Page, code: string, now: number): 'right' | 'wrongCode' | 'slow' {
  const { id, codeHash, waitUntil, wrongCodes } = page;
  if (codeHash === null) return 'right';
  if (waitUntil !== null && Date.parse(waitUntil) > now) return 'slow';
  if (timingSafeEqual(Buffer.from(codeHash), Buffer.from(codeHashOf(id, code)))) {
    if (wrongCodes > 0)
      sql.run('UPDATE "readerPage" SET "wrongCodes" = 0, "waitUntil" = NULL WHERE "id" = ?', id);
    return 'right';
  }
  const wrong = wrongCodes + 1;
  const waitMs =
    wrong < freeTries ? 0 : Math.min(firstWaitMs * 2 ** Math.min(wrong - freeTries, 20), longestWaitMs);
  const until = waitMs === 0 ? null : new Date(now + waitMs).toISOString();
  sql.run('UPDATE "readerPage" SET "wrongCodes" = ?, "waitUntil" = ? WHERE "id" = ?', wrong, until, id);
  return 'wrongCode';
}
