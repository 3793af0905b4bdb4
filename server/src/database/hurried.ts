import { setImmediate } from 'node:timers/promises';

/** So long each is waited for, and all of them in one go: neither a slow line nor a crowd holds up what is long. */
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

  /** Resolves when nobody is waited for, or others came again and again. */
  async nobody(): Promise<void> {
    const latest = performance.now() + longestWaitMs;
    const isWaitedFor = ({ until }: { until: number }) => performance.now() < Math.min(until, latest);
    while ([...this.here].some(isWaitedFor)) await setImmediate();
  }
}
