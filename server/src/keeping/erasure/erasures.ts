import { ulid } from 'ulid';
import type { OpenDatabase } from '../../database/open';
import type { Jobs } from '../../jobs/jobs';
import type { KeptLetters } from '../../people/messages/keptLetters';
import type { Postman } from '../../people/messages/postman';
import type { Clock } from '../../clock';
import type { Erasure } from './erase';
import type { ErasureState } from './state';

const againEveryMs = 60_000;

interface Waiting {
  studentId: string;
  state: string;
}

/**
 * Erases students, one after another, step by step, so that others can write between the steps. What a stop or a
 * full disk broke off is gone on with at the next start and every minute.
 */
export class Erasures {
  private last: Promise<unknown> = Promise.resolve();
  private readonly timer: NodeJS.Timeout;

  constructor(
    private readonly database: OpenDatabase,
    private readonly jobs: Jobs,
    private readonly postman: Postman,
    private readonly kept: KeptLetters,
    private readonly clock: Clock,
  ) {
    this.timer = setInterval(() => {
      this.resume();
    }, againEveryMs).unref();
  }

  /** What erasing would take away. Nothing waits for it. */
  survey(teacherId: string, studentId: string): Promise<Erasure> {
    return this.jobs.run('surveyErasure', { file: this.database.file, teacherId, studentId });
  }

  /** @returns what was erased, and whether bytes of it are left in the file until it can be packed */
  erase(teacherId: string, studentId: string): Promise<Erasure & { unfinished: boolean }> {
    return this.inTurn(async () => {
      const { database, jobs, clock } = this;
      const at = new Date(clock()).toISOString();
      const order = { file: database.file, teacherId, studentId, at, changeId: ulid(clock()) };
      // A letter that is on its way at this moment would be written down after its copy was looked for.
      const erased = await this.postman.pause(() => database.alone(() => jobs.run('eraseRecords', order)));
      const { lines, finished } = await this.finish(studentId);
      return { ...erased, lines, unfinished: !finished };
    });
  }

  /** Goes on with what was broken off. Nobody waits for it. */
  resume(): void {
    this.inTurn(async () => {
      for (const { studentId } of this.waiting()) await this.finish(studentId);
    }).catch((error: unknown) => {
      console.error('What is left of an erasure could not be looked up.', error);
    });
  }

  close(): void {
    clearInterval(this.timer);
  }

  private inTurn<T>(work: () => Promise<T>): Promise<T> {
    const mine = this.last.then(work);
    this.last = mine.catch(() => undefined);
    return mine;
  }

  private waiting(): Waiting[] {
    return this.database.lookUp.all<Waiting>('SELECT "studentId", "state" FROM "erasing"');
  }

  private async finish(studentId: string): Promise<{ lines: number; finished: boolean }> {
    const { database, jobs } = this;
    const step = { file: database.file, studentId };
    const found = this.waiting().find((one) => one.studentId === studentId);
    let lines = 0;
    try {
      if (found) await this.forgetLetters(JSON.parse(found.state) as ErasureState);
      for (let done = false; !done;) {
        const piece = await database.alone(() => jobs.run('eraseLog', step));
        lines += piece.lines;
        done = piece.done;
      }
      return { lines, finished: await database.alone(() => jobs.run('erasePack', step)) };
    } catch (error) {
      console.error('An erasure is not finished; it is gone on with in a minute.', error);
      return { lines, finished: false };
    }
  }

  private async forgetLetters({ messageIds }: ErasureState): Promise<void> {
    await Promise.all(messageIds.map((id) => this.kept.forget(id)));
  }
}
