import { setImmediate } from 'node:timers/promises';

/** Each is waited for no longer than this: a sender on a slow line must not hold up what is long. */
const longestWaitMs = 50;

/** Those who are about to write and wait for an answer: parts of what is long let them go first. */
export class Hurried {
  /** Until when each is waited for. */
  private readonly here = new Set<{ until: number }>();

  /** Somebody has come. @returns to be called when they have their answer */
  come(): () => void {
    const one = { until: performance.now() + longestWaitMs };
    this.here.add(one);
    return () => void this.here.delete(one);
  }

  /** Resolves when nobody is waited for. */
  async nobody(): Promise<void> {
    while ([...this.here].some(({ until }) => performance.now() < until)) await setImmediate();
  }
}
