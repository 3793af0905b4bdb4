import { randomBytes, scrypt, timingSafeEqual } from 'node:crypto';

const cost = { N: 2 ** 17, r: 8, p: 1, maxmem: 256 * 1024 * 1024 };
const keyLength = 32;

function derive(passphrase: string, salt: Buffer): Promise<Buffer> {
  return new Promise((resolve, reject) => {
    scrypt(passphrase.normalize('NFKC'), salt, keyLength, cost, (error, key) => {
      if (error) reject(error);
      else resolve(key);
    });
  });
}

/** scrypt (RFC 7914) at OWASP's cost, with a salt of its own: `salt:key` in hex. */
export async function hashPassphrase(passphrase: string): Promise<string> {
  const salt = randomBytes(16);
  const key = await derive(passphrase, salt);
  return `${salt.toString('hex')}:${key.toString('hex')}`;
}

export async function isPassphrase(passphrase: string, hash: string): Promise<boolean> {
  const [salt = '', key = ''] = hash.split(':');
  const derived = await derive(passphrase, Buffer.from(salt, 'hex'));
  const expected = Buffer.from(key, 'hex');
  return expected.length === derived.length && timingSafeEqual(derived, expected);
}
