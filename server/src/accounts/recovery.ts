import { createHash, randomInt, timingSafeEqual } from 'node:crypto';

/** Letters and digits that cannot be taken for one another when they are written by hand. */
const signs = 'ABCDEFGHJKMNPQRSTVWXYZ23456789';
const groups = 5;
const groupLength = 4;

/** A code for a lost passphrase, to be kept on paper: 98 bits, in groups (`K7QD-…`). */
export function newRecoveryCode(): string {
  const group = () => Array.from({ length: groupLength }, () => signs[randomInt(signs.length)]).join('');
  return Array.from({ length: groups }, group).join('-');
}

/** As it may be typed: small letters, spaces, no dashes. */
export function recoveryHashOf(code: string): string {
  const bare = code.toUpperCase().replace(/[^A-Z0-9]/g, '');
  return createHash('sha256').update(bare).digest('hex');
}

export function isRecoveryCode(code: string, hash: string): boolean {
  return timingSafeEqual(Buffer.from(recoveryHashOf(code)), Buffer.from(hash));
}
