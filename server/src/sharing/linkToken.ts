import { createHash, randomBytes } from 'node:crypto';

export const hashOf = (text: string): string => createHash('sha256').update(text).digest('hex');

/** What stands in a link: nobody guesses it, and the database knows only its hash. */
export function newToken(): { token: string; tokenHash: string } {
  const token = randomBytes(24).toString('base64url');
  return { token, tokenHash: hashOf(token) };
}
