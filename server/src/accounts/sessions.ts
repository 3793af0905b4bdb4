import { createHash, randomBytes } from 'node:crypto';
import { parseCookie, stringifySetCookie } from 'cookie';
import type { Request, Response } from 'express';
import { LessThan } from 'typeorm';
import { SessionEntity } from '../database/entities';
import type { Services } from '../services';

const cookieName = 'slate_session';
const lifetimeMs = 30 * 24 * 60 * 60 * 1000;

function hashOf(token: string): string {
  return createHash('sha256').update(token).digest('hex');
}

function tokenOf(request: Request): string | undefined {
  return parseCookie(request.headers.cookie ?? '')[cookieName];
}

function setCookie(response: Response, value: string, maxAgeMs: number): void {
  const cookie = { httpOnly: true, sameSite: 'strict', path: '/', maxAge: maxAgeMs / 1000 } as const;
  response.setHeader('Set-Cookie', stringifySetCookie({ name: cookieName, value, ...cookie }));
}

/** Signs a teacher in: the cookie holds an unguessable token, the database only its hash. */
export async function startSession(services: Services, response: Response, teacherId: string): Promise<void> {
  const token = randomBytes(32).toString('base64url');
  const now = Date.now();
  const expiresAt = new Date(now + lifetimeMs).toISOString();
  await services.database.inTransaction(async (manager) => {
    await manager.delete(SessionEntity, { expiresAt: LessThan(new Date(now).toISOString()) });
    await manager.insert(SessionEntity, { tokenHash: hashOf(token), teacherId, expiresAt });
  });
  setCookie(response, token, lifetimeMs);
}

/** The teacher a request comes from; null without a session that is still good. */
export function callerOf(services: Services, request: Request): string | null {
  const token = tokenOf(request);
  if (!token) return null;
  const session = services.database.lookUp.get<{ teacherId: string; expiresAt: string }>(
    'SELECT "teacherId", "expiresAt" FROM "session" WHERE "tokenHash" = ?',
    hashOf(token),
  );
  return session && session.expiresAt > new Date().toISOString() ? session.teacherId : null;
}

export async function endSession(services: Services, request: Request, response: Response): Promise<void> {
  const token = tokenOf(request);
  if (token) {
    const tokenHash = hashOf(token);
    await services.database.inTransaction((manager) => manager.delete(SessionEntity, { tokenHash }));
  }
  setCookie(response, '', 0);
}
