import { createHash, randomBytes } from 'node:crypto';
import Bowser from 'bowser';
import type { Request, Response } from 'express';
import { ulid } from 'ulid';
import type { Session } from '../database/entities';
import type { Sql } from '../database/sql';
import type { Services } from '../services';
import { cookieOf, setCookie } from './cookies';

const cookieName = 'slate_session';
const dayMs = 24 * 60 * 60 * 1000;
const longestMs = 30 * dayMs;
/** A phone that lies in a drawer, or was lost, is not signed in for long. */
const unusedMs = 7 * dayMs;
/** Noting each use would be a write for each request. */
const notedEveryMs = 60 * 60 * 1000;

function hashOf(token: string): string {
  return createHash('sha256').update(token).digest('hex');
}

const tokenOf = (request: Request) => cookieOf(request, cookieName);

function setToken(request: Request, response: Response, value: string, maxAgeMs: number): void {
  setCookie(request, response, { name: cookieName, value, path: '/', maxAgeMs });
}

/** What signed in, in words that its owner knows it by: `Chrome on Android`. Nothing more of it is kept. */
function deviceWords(request: Request): string {
  const agent = request.headers['user-agent'];
  if (!agent) return '';
  const { browser, os } = Bowser.parse(agent);
  const words = [browser.name, os.name].filter(Boolean).join(' on ');
  return words.slice(0, 60);
}

const iso = (ms: number) => new Date(ms).toISOString();

function isOver({ expiresAt, usedAt }: Pick<Session, 'expiresAt' | 'usedAt'>, now: number): boolean {
  return expiresAt <= iso(now) || usedAt <= iso(now - unusedMs);
}

/** Signs a teacher in: the cookie holds an unguessable token, the database only its hash. */
export async function startSession(
  services: Services,
  request: Request,
  response: Response,
  teacherId: string,
): Promise<void> {
  const token = randomBytes(32).toString('base64url');
  const now = Date.now();
  await services.database.write((sql) => {
    sql.run('DELETE FROM "session" WHERE "expiresAt" <= ? OR "usedAt" <= ?', iso(now), iso(now - unusedMs));
    sql.run(
      'INSERT INTO "session" ("tokenHash", "teacherId", "expiresAt", "id", "device", "createdAt", "usedAt") VALUES (?, ?, ?, ?, ?, ?, ?)',
      hashOf(token),
      teacherId,
      iso(now + longestMs),
      ulid(),
      deviceWords(request),
      iso(now),
      iso(now),
    );
  });
  setToken(request, response, token, longestMs);
}

/** The session a request belongs to; null without one that is still good. */
export function sessionOf({ database }: Services, request: Request): Session | null {
  const token = tokenOf(request);
  if (!token) return null;
  const session = database.lookUp.get<Session>(
    'SELECT * FROM "session" WHERE "tokenHash" = ?',
    hashOf(token),
  );
  const now = Date.now();
  if (!session || isOver(session, now)) return null;
  if (session.usedAt <= iso(now - notedEveryMs))
    // A use that cannot be noted now is noted with the next one.
    void database
      .write((sql) => {
        sql.run('UPDATE "session" SET "usedAt" = ? WHERE "tokenHash" = ?', iso(now), session.tokenHash);
      })
      .catch(() => undefined);
  return session;
}

/** The teacher a request comes from; null without a session that is still good. */
export function callerOf(services: Services, request: Request): string | null {
  return sessionOf(services, request)?.teacherId ?? null;
}

/** A teacher's sessions that are still good, the one used last first. */
export function sessionsOf({ database }: Services, teacherId: string): Session[] {
  return database.lookUp
    .all<Session>('SELECT * FROM "session" WHERE "teacherId" = ? ORDER BY "usedAt" DESC', teacherId)
    .filter((session) => !isOver(session, Date.now()));
}

/** Ends one session of a teacher. @returns false where there is none of this id */
export function endSessionById(sql: Sql, teacherId: string, id: string): boolean {
  const found = sql.get('SELECT 1 FROM "session" WHERE "teacherId" = ? AND "id" = ?', teacherId, id);
  sql.run('DELETE FROM "session" WHERE "teacherId" = ? AND "id" = ?', teacherId, id);
  return found !== undefined;
}

/** Ends a teacher's sessions but for one, which may be none. */
export function endOtherSessions(sql: Sql, teacherId: string, kept: string | null): void {
  sql.run('DELETE FROM "session" WHERE "teacherId" = ? AND "id" <> ?', teacherId, kept ?? '');
}

/** Ends the session that a request belongs to. */
export async function endSession(services: Services, request: Request, response: Response): Promise<void> {
  const token = tokenOf(request);
  if (token)
    await services.database.write((sql) => {
      sql.run('DELETE FROM "session" WHERE "tokenHash" = ?', hashOf(token));
    });
  setToken(request, response, '', 0);
}
