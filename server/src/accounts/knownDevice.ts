import { createHmac, randomBytes, timingSafeEqual } from 'node:crypto';
import type { Request, Response } from 'express';
import type { Teacher } from '../database/entities';
import { cookieOf, setCookie } from './cookies';

const cookieName = 'slate_known';
const lifetimeMs = 400 * 24 * 60 * 60 * 1000;

type Account = Pick<Teacher, 'id' | 'passphraseHash'>;

function signatureOf({ id, passphraseHash }: Account, nonce: string): string {
  return createHmac('sha256', passphraseHash).update(`${id}.${nonce}`).digest('base64url');
}

/**
 * Marks a browser as one from which this account was signed in to, so that others who guess its passphrase
 * cannot lock it out (OWASP, "Slow Down Online Guessing Attacks with Device Cookies"). It opens nothing by
 * itself, and ends with the passphrase, which is part of its key.
 */
export function markKnown(request: Request, response: Response, account: Account): void {
  const nonce = randomBytes(12).toString('base64url');
  const value = `${nonce}.${signatureOf(account, nonce)}`;
  setCookie(request, response, { name: cookieName, value, path: '/api/sign-in', maxAgeMs: lifetimeMs });
}

/** The mark of a browser that signed in to this account before; null for any other. */
export function knownDevice(request: Request, account: Account | null): string | null {
  const [nonce = '', signature = ''] = cookieOf(request, cookieName)?.split('.') ?? [];
  if (!account || !nonce) return null;
  const expected = Buffer.from(signatureOf(account, nonce));
  const given = Buffer.from(signature);
  return given.length === expected.length && timingSafeEqual(given, expected) ? nonce : null;
}
