import { RateLimiterMemory, RateLimiterRes } from 'rate-limiter-flexible';
import { Problem } from '../http/problem';

const duration = 15 * 60;

/** Wrong tries in a quarter of an hour. Right ones are not counted, nor what fails for another reason. */
const limits = {
  /** A device that has signed in to the account before. */
  device: new RateLimiterMemory({ keyPrefix: 'device', points: 10, duration }),
  /** An account from one address, which may be a whole school's. */
  accountHere: new RateLimiterMemory({ keyPrefix: 'here', points: 10, duration }),
  /** An account from all addresses: guessing is slowed wherever it comes from. */
  account: new RateLimiterMemory({ keyPrefix: 'account', points: 30, duration }),
  /** All accounts from one address. */
  address: new RateLimiterMemory({ keyPrefix: 'address', points: 120, duration }),
};
type LimitName = keyof typeof limits;

/** What a try counts against: by limit, the key. */
export type Counted = Partial<Record<LimitName, string>>;

function tooMany(msBeforeNext: number): Problem {
  const minutes = Math.max(1, Math.ceil(msBeforeNext / 60_000));
  const wait = minutes === 1 ? 'a minute' : `${minutes} minutes`;
  return new Problem(
    429,
    'Too many tries',
    `There were too many wrong tries. Wait ${wait}, or use a device that has signed in here before.`,
  );
}

/**
 * Does something that a guess could be: counted as wrong until it turns out right, so that many at once count too.
 * @param isRight answers whether the try was right; when it throws, nothing was tried
 * @throws Problem 429 where there were too many wrong ones
 */
export async function asTry(counted: Counted, isRight: () => Promise<boolean>): Promise<boolean> {
  const keys = Object.entries(counted) as [LimitName, string][];
  const taken: [LimitName, string][] = [];
  const giveBack = () => Promise.all(taken.map(([name, key]) => limits[name].reward(key)));
  try {
    for (const [name, key] of keys) {
      await limits[name].consume(key);
      taken.push([name, key]);
    }
  } catch (error) {
    await giveBack();
    throw error instanceof RateLimiterRes ? tooMany(error.msBeforeNext) : error;
  }
  try {
    const right = await isRight();
    if (right) await giveBack();
    return right;
  } catch (error) {
    await giveBack();
    throw error;
  }
}
