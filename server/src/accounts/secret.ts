import { createCipheriv, createDecipheriv, randomBytes } from 'node:crypto';
import fs from 'node:fs';
import path from 'node:path';

/** The password was written with another server's key. */
export class OtherKey extends Error {}

const cipher = 'aes-256-gcm';
const lengths = { key: 32, nonce: 12, tag: 16 } as const;

/**
 * The key for passwords of other systems, made when it is first needed. It stands beside the database and in no
 * backup: whoever gets hold of a copy of the data reads no password in it.
 */
function keyOf(dataFolder: string): Buffer {
  const file = path.join(dataFolder, 'passwords.key');
  try {
    return fs.readFileSync(file);
  } catch (error) {
    if ((error as NodeJS.ErrnoException).code !== 'ENOENT') throw error;
  }
  const key = randomBytes(lengths.key);
  fs.writeFileSync(file, key, { mode: 0o600, flag: 'wx' });
  return key;
}

/** Encrypts a password (AES-256-GCM, NIST SP 800-38D): nonce, tag and text in one. */
export function seal(dataFolder: string, password: string): string {
  const nonce = randomBytes(lengths.nonce);
  const sealing = createCipheriv(cipher, keyOf(dataFolder), nonce);
  const text = Buffer.concat([sealing.update(password, 'utf8'), sealing.final()]);
  return Buffer.concat([nonce, sealing.getAuthTag(), text]).toString('base64');
}

/** @throws OtherKey where it was encrypted by another server, as after a restore elsewhere */
export function unseal(dataFolder: string, secret: string): string {
  const bytes = Buffer.from(secret, 'base64');
  const nonce = bytes.subarray(0, lengths.nonce);
  const tag = bytes.subarray(lengths.nonce, lengths.nonce + lengths.tag);
  try {
    const opening = createDecipheriv(cipher, keyOf(dataFolder), nonce, { authTagLength: lengths.tag });
    opening.setAuthTag(tag);
    const text = bytes.subarray(lengths.nonce + lengths.tag);
    return Buffer.concat([opening.update(text), opening.final()]).toString('utf8');
  } catch {
    throw new OtherKey('The password is not on this server.');
  }
}
