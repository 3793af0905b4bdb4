import { randomBytes, scrypt, timingSafeEqual } from 'node:crypto';
import { Problem } from '../http/problem';

const cost = { N: 2 ** 17, r: 8, p: 1, maxmem: 256 * 1024 * 1024 };
const keyLength = 32;

/**
 * Work that waits its turn, one piece at a time: each takes 128 MB and a good part of a second of one of the
 * few threads that also read the pages' files.
 */
class Lane {
  private last: Promise<unknown> = Promise.resolve();
  private waiting = 0;

  constructor(private readonly most: number) {}

  async run<T>(work: () => Promise<T>): Promise<T> {
    if (this.waiting >= this.most)
      throw new Problem(
        503,
        'Many at once',
        'Very many are signing in at this moment. Nothing was changed; try again in a minute.',
      );
    this.waiting += 1;
    const mine = this.last.then(work);
    this.last = mine.catch(() => undefined);
    try {
      return await mine;
    } finally {
      this.waiting -= 1;
    }
  }
}

/** Devices that have signed in before do not wait behind those that only try. */
const lanes = { known: new Lane(10), others: new Lane(20) };
export type LaneName = keyof typeof lanes;

function derive(passphrase: string, salt: Buffer, lane: LaneName): Promise<Buffer> {
  const work = () =>
    new Promise<Buffer>((resolve, reject) => {
      scrypt(passphrase.normalize('NFKC'), salt, keyLength, cost, (error, key) => {
        if (error) reject(error);
        else resolve(key);
      });
    });
  return lanes[lane].run(work);
}

/** scrypt (RFC 7914) at OWASP's cost, with a salt of its own: `salt:key` in hex. */
export async function hashPassphrase(passphrase: string, lane: LaneName = 'others'): Promise<string> {
  const salt = randomBytes(16);
  const key = await derive(passphrase, salt, lane);
  return `${salt.toString('hex')}:${key.toString('hex')}`;
}

export async function isPassphrase(passphrase: string, hash: string, lane: LaneName): Promise<boolean> {
  const [salt = '', key = ''] = hash.split(':');
  const derived = await derive(passphrase, Buffer.from(salt, 'hex'), lane);
  const expected = Buffer.from(key, 'hex');
  return expected.length === derived.length && timingSafeEqual(derived, expected);
}
