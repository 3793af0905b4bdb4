import { askFeed, type FeedServices, type Look } from './askFeed';
import { allFeeds, feedOf, feedsOf, setState } from './feeds';

/** How often stores are asked by themselves: rarer and rarer while one does not work. */
export interface FeedPace {
  everyMs: number;
  longestMs: number;
}

export const usualPace: FeedPace = { everyMs: 5 * 60_000, longestMs: 6 * 3_600_000 };

/** So long after its start the server looks for the first time. */
const soonMs = 2000;

interface Kept {
  timer: NodeJS.Timeout | null;
  nextAt: number | null;
  looking: Promise<Look> | null;
}

/** Asks every feed every few minutes, and whenever somebody wants it; one look at a time at a feed as it is set. */
export class FeedKeeper {
  private readonly kept = new Map<string, Kept>();
  private readonly closing = new AbortController();

  constructor(
    private readonly services: FeedServices,
    private readonly pace: FeedPace = usualPace,
  ) {}

  /** Every feed is asked soon, one after the other. */
  begin(): void {
    allFeeds(this.services.database.lookUp).forEach(({ id }, index) => {
      this.wait(id, soonMs * (index + 1));
    });
  }

  /** When a feed is asked again by itself, in milliseconds, and whether it is asked just now. */
  state(feedId: string): { nextAt: number | null; isAsking: boolean } {
    const kept = this.kept.get(feedId);
    return { nextAt: kept?.nextAt ?? null, isAsking: kept?.looking != null };
  }

  /** A look that is under way is waited for. Null where there is no such feed. */
  ask(feedId: string): Promise<Look | null> {
    const kept = this.keptOf(feedId);
    return kept.looking ?? this.look(feedId);
  }

  /** From the first statement on, after a look that is under way. */
  async askFromBeginning(feedId: string): Promise<Look | null> {
    await this.keptOf(feedId).looking?.catch(() => undefined);
    await this.services.database.write((sql) => {
      const feed = feedOf(sql, feedId);
      if (!feed) return;
      const asked = { through: null, counted: null, next: null };
      const nothing = { ...asked, strangers: [], ofNobody: 0, notRead: 0 };
      setState(sql, feed, (state) => ({ ...state, ...nothing }));
    });
    return this.ask(feedId);
  }

  /** One that was set is asked soon, if nobody asks before; a look with the former settings is not waited for. */
  expect(feedId: string): void {
    this.forget(feedId);
    this.wait(feedId, soonMs);
  }

  /** It was said who somebody of a class is: what strangers did there is asked for soon. */
  expectOfStrangers(sectionId: string): void {
    for (const { id, state } of feedsOf(this.services.database.lookUp, sectionId))
      if (state.strangers.length > 0) this.wait(id, soonMs);
  }

  forget(feedId: string): void {
    const timer = this.kept.get(feedId)?.timer;
    if (timer) clearTimeout(timer);
    this.kept.delete(feedId);
  }

  async close(): Promise<void> {
    this.closing.abort();
    const looking = [...this.kept.values()].flatMap((kept) => kept.looking ?? []);
    for (const { timer } of this.kept.values()) if (timer) clearTimeout(timer);
    await Promise.allSettled(looking);
  }

  private keptOf(feedId: string): Kept {
    const kept = this.kept.get(feedId) ?? { timer: null, nextAt: null, looking: null };
    this.kept.set(feedId, kept);
    return kept;
  }

  private wait(feedId: string, ms: number): void {
    if (this.closing.signal.aborted) return;
    const kept = this.keptOf(feedId);
    if (kept.timer) clearTimeout(kept.timer);
    kept.nextAt = this.services.clock() + ms;
    kept.timer = setTimeout(() => {
      // Nobody waits for it, so that a failure is only told.
      this.ask(feedId).catch((error: unknown) => {
        if (!this.closing.signal.aborted) console.error(error);
      });
    }, ms);
    kept.timer.unref();
  }

  private async look(feedId: string): Promise<Look | null> {
    const feed = feedOf(this.services.database.lookUp, feedId);
    if (!feed) {
      this.forget(feedId);
      return null;
    }
    const kept = this.keptOf(feedId);
    const looking = askFeed(this.services, feed, this.closing.signal);
    kept.looking = looking;
    let pause = this.pace.longestMs;
    try {
      const look = await looking;
      const { everyMs, longestMs } = this.pace;
      const failures = look.failure === null ? 0 : feed.state.failures + 1;
      pause = look.more ? 0 : Math.min(longestMs, everyMs * 2 ** Math.min(failures, 20));
      return look;
    } finally {
      kept.looking = null;
      if (this.kept.get(feedId) === kept) this.wait(feedId, pause);
    }
  }
}
