import type { SectionWatch } from '@slate-path/core/watch/signals/watchReading';
import type { OpenDatabase } from '../database/open';
import type { Jobs } from '../jobs/jobs';
import type { Clock } from '../clock';
import { dayAtSchool } from '../scopes/access';
import { sectionsOf } from './sectionsOf';

/** What is known of one teacher's classes, and which of them have to be looked at again. */
interface Kept {
  day: string;
  sections: Map<string, SectionWatch>;
  stale: Set<string> | 'all';
  timer: NodeJS.Timeout | null;
  /** One look at a time: whoever asks meanwhile waits for it. */
  last: Promise<unknown>;
}

/** So long is waited for more changes, so that a lesson's taps are not each looked at by themselves. */
const pause = 400;
const anHour = 3_600_000;

/**
 * Keeps each teacher's watch list current: after changes only the classes they touch are looked at again,
 * in a worker, once no more changes come; at night, when the day ends, all of them.
 */
export class WatchKeeper {
  private readonly teachers = new Map<string, Kept>();
  private readonly nightly: NodeJS.Timeout;
  private isClosed = false;

  constructor(
    private readonly database: OpenDatabase,
    private readonly jobs: Jobs,
    private readonly clock: Clock,
  ) {
    this.nightly = setInterval(() => {
      for (const teacherId of this.teachers.keys()) this.renewUnasked(teacherId);
    }, anHour);
    this.nightly.unref();
  }

  close(): void {
    this.isClosed = true;
    clearInterval(this.nightly);
    for (const { timer } of this.teachers.values()) if (timer) clearTimeout(timer);
  }

  /** Changes were applied for a teacher. */
  touch(teacherId: string, changes: readonly unknown[]): void {
    const kept = this.teachers.get(teacherId);
    if (!kept) return;
    for (const change of changes) {
      const sections = sectionsOf(change);
      if (sections === null) kept.stale = 'all';
      else if (kept.stale !== 'all') for (const id of sections) kept.stale.add(id);
    }
    if (kept.timer) clearTimeout(kept.timer);
    kept.timer = setTimeout(() => {
      this.renewUnasked(teacherId);
    }, pause);
    kept.timer.unref();
  }

  /**
   * Nobody waits for it, so a failure is only told; whoever asks next tries again. That the server's end breaks
   * it off is no failure.
   */
  private renewUnasked(teacherId: string): void {
    this.list(teacherId).catch((error: unknown) => {
      if (!this.isClosed) console.error(error);
    });
  }

  /** The list as it is now: what was touched is looked at first. */
  list(teacherId: string): Promise<SectionWatch[]> {
    const kept = this.teachers.get(teacherId) ?? this.begin(teacherId);
    const next = kept.last.catch(() => undefined).then(() => this.renew(teacherId, kept));
    kept.last = next;
    return next;
  }

  private begin(teacherId: string): Kept {
    const kept: Kept = { day: '', sections: new Map(), stale: 'all', timer: null, last: Promise.resolve() };
    this.teachers.set(teacherId, kept);
    return kept;
  }

  private async renew(teacherId: string, kept: Kept): Promise<SectionWatch[]> {
    const now = this.clock();
    const day = dayAtSchool(this.database.lookUp, teacherId, now);
    const ids = this.sections(teacherId);
    const stale = kept.stale === 'all' || kept.day !== day ? new Set(ids) : kept.stale;
    const wanted = ids.filter((id) => stale.has(id) || !kept.sections.has(id));
    kept.stale = new Set();
    kept.day = day;
    if (wanted.length > 0) {
      try {
        // One worker for all of them: two that read one SQLite file at once wait for each other.
        const found = await this.jobs.run('watch', {
          file: this.database.file,
          teacherId,
          sectionIds: wanted,
          now,
        });
        for (const section of found) kept.sections.set(section.sectionId, section);
      } catch (error) {
        kept.stale = 'all';
        throw error;
      }
    }
    return ids.flatMap((id) => kept.sections.get(id) ?? []);
  }

  /** The classes of which somebody may read what is judged. */
  private sections(teacherId: string): string[] {
    return this.database.lookUp
      .all<{ id: string }>(
        `SELECT "id" FROM "section" WHERE NOT "removed" AND "scopeId" IN (SELECT "scopeId" FROM "access" WHERE "personId" = ? AND "role" = 'teacher') ORDER BY rowid`,
        teacherId,
      )
      .map(({ id }) => id);
  }
}
