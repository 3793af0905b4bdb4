import { fateOf, pauseAfterMs, triedForMs, type Fate } from '@slate-path/core/people/messages/fate';
import { reasonWords } from '@slate-path/core/people/messages/letterStates';
import type { LetterRow } from '../../database/letterEntities';
import type { OpenDatabase } from '../../database/open';
import type { KeptLetters } from './keptLetters';
import { mailOf } from './letter';
import {
  addLettersOfMessages,
  beginHanding,
  dueLetter,
  giveUp,
  nextDue,
  resumeHanding,
  settle,
  stillWaits,
  tryLater,
  withdrawLetters,
} from './letters';
import { mailOnDesk, senderOf, type MailAccess } from './mailSettings';
import { failureOf, smtpTransport, type Transport } from './transport';

export interface PostmanServices {
  database: OpenDatabase;
  dataFolder: string;
  kept: KeptLetters;
  clock: () => number;
  /** Lets the pages of some people hear of it. */
  tell: (people: Iterable<string>) => void;
  /** Mail as the environment sets it up; null where the keeper does. */
  access: MailAccess | null;
  /** How many times shorter pauses are than usual, for a mail server on the same machine. */
  haste: number;
}

/** Nothing goes out, through no fault of a letter. */
export interface Trouble {
  reason: Fate['reason'];
  said: string;
  since: number;
  tries: number;
  nextAt: number;
}

const longestTimerMs = 2 ** 31 - 1;
const mostSaid = 300;
const tellAfterMs = 500;

/**
 * Hands letters to the mail server, one after the other and not faster than is set; where none is set up they are kept.
 * What waits stands in the database: a stop loses nothing, and a letter keeps its Message-ID however often it is tried.
 */
export class Postman {
  private last: Promise<unknown> = Promise.resolve();
  private running: Promise<void> | null = null;
  private isWanted = false;
  private isClosed = false;
  private timer: NodeJS.Timeout | undefined;
  private way: { key: string; transport: Transport } | null = null;
  private stopped: Trouble | null = null;
  private readonly heard = new Set<string>();
  private telling: NodeJS.Timeout | undefined;

  constructor(private readonly services: PostmanServices) {}

  /** What is set up; null where letters are only kept. */
  get access(): MailAccess | null {
    const { access, database, dataFolder } = this.services;
    return access ?? mailOnDesk(database.lookUp, dataFolder);
  }

  /** Why nothing goes out; null where all is well. */
  get trouble(): Trouble | null {
    return this.stopped;
  }

  /** Goes on with what a stop left waiting. */
  async begin(): Promise<void> {
    await this.services.database.write(resumeHanding);
    void this.wake();
  }

  /** Something waits, or was set up anew. @returns when nothing more can be done now */
  wake(): Promise<void> {
    this.isWanted = true;
    this.running ??= this.run().finally(() => {
      this.running = null;
      this.expectNext();
    });
    return this.running;
  }

  /** What is set up has changed: it is tried at once. */
  renew(): Promise<void> {
    this.stopped = null;
    this.closeWay();
    return this.wake();
  }

  /** Does something while no letter is on its way. */
  pause<T>(work: () => Promise<T>): Promise<T> {
    const mine = this.last.then(work);
    this.last = mine.catch(() => undefined);
    return mine;
  }

  async close(): Promise<void> {
    this.isClosed = true;
    clearTimeout(this.timer);
    clearTimeout(this.telling);
    await this.last;
    this.closeWay();
  }

  /** Pages hear of it at most twice a second, however many letters go. */
  private hear(people: Iterable<string>): void {
    for (const personId of people) this.heard.add(personId);
    this.telling ??= setTimeout(() => {
      this.telling = undefined;
      this.services.tell([...this.heard]);
      this.heard.clear();
    }, tellAfterMs).unref();
  }

  private closeWay(): void {
    this.way?.transport.close();
    this.way = null;
  }

  private async run(): Promise<void> {
    try {
      while (this.isWanted && !this.isClosed) {
        this.isWanted = false;
        await this.services.database.write((sql) => {
          addLettersOfMessages(sql, this.services.clock());
        });
        for (let pauseMs: number | null = 0; pauseMs !== null;) {
          if (pauseMs > 0) await new Promise((resolve) => setTimeout(resolve, pauseMs ?? 0));
          pauseMs = await this.pause(() => this.step());
        }
      }
    } catch (error) {
      console.error('Letters are waiting: they could not be looked up.', error);
    }
  }

  private expectNext(): void {
    clearTimeout(this.timer);
    if (this.isClosed) return;
    if (this.isWanted) {
      void this.wake();
      return;
    }
    const next = this.stopped?.nextAt ?? nextDue(this.services.database.lookUp);
    if (next === null) return;
    const waitMs = Math.min(Math.max(next - this.services.clock(), 0) + 20, longestTimerMs);
    this.timer = setTimeout(() => void this.wake(), waitMs);
    this.timer.unref();
  }

  /** Takes one letter on its way. @returns after how many milliseconds the next one goes; null: not now */
  private async step(): Promise<number | null> {
    const { database, clock } = this.services;
    const now = clock();
    if (this.isClosed || (this.stopped && this.stopped.nextAt > now)) return null;
    const letter = dueLetter(database.lookUp, now);
    if (!letter) {
      // Nothing waits that could show whether it is over.
      this.stopped = null;
      return null;
    }
    const { access } = this;
    const mail = mailOf(database.lookUp, letter, senderOf(access));
    if (!mail) {
      await database.write((sql) => {
        withdrawLetters(sql, letter.aboutId);
      });
      return 0;
    }
    if (!access) {
      await this.services.kept.keep(letter.id, mail);
      await database.write((sql) => {
        settle(sql, letter.id, 'kept', clock());
      });
      this.hear([letter.teacherId]);
      return 0;
    }
    return this.handOver(letter, mail, access);
  }

  private async handOver(
    letter: LetterRow,
    mail: NonNullable<ReturnType<typeof mailOf>>,
    access: MailAccess,
  ): Promise<number | null> {
    const { database, clock } = this.services;
    if (access.password === null) return this.halt({ kind: 'trouble', reason: 'noSecret' }, '');
    await database.write((sql) => {
      beginHanding(sql, letter.id, clock());
    });
    try {
      const { transport } = await this.wayTo(access);
      await transport.send(mail);
    } catch (error) {
      const failure = failureOf(error);
      return this.notTaken(letter, fateOf(failure), failure.message.slice(0, mostSaid));
    }
    this.stopped = null;
    await database.write((sql) => {
      settle(sql, letter.id, 'handed', clock());
    });
    this.hear([letter.teacherId]);
    return 60_000 / access.settings.perMinute;
  }

  private async notTaken(letter: LetterRow, fate: Fate, said: string): Promise<number | null> {
    const { database, clock } = this.services;
    const now = clock();
    if (fate.kind === 'trouble') {
      await database.write((sql) => {
        stillWaits(sql, letter.id);
      });
      return this.halt(fate, said);
    }
    const isOver = now - Date.parse(letter.queuedAt) > triedForMs;
    await database.write((sql) => {
      if (fate.kind === 'refused') settle(sql, letter.id, 'refused', now, { reason: fate.reason, said });
      else if (isOver) settle(sql, letter.id, 'given_up', now, { reason: fate.reason, said });
      else tryLater(sql, letter.id, fate, said, { now, nextAt: now + this.pauseMs(letter.tries + 1) });
    });
    this.hear([letter.teacherId]);
    return 0;
  }

  private pauseMs(tries: number): number {
    return pauseAfterMs(tries) / this.services.haste;
  }

  /** Nothing more goes out for a while, longer each time. What has waited too long is given up. */
  private async halt({ reason }: Fate, said: string): Promise<null> {
    const { database, clock } = this.services;
    const now = clock();
    const tries = (this.stopped?.tries ?? 0) + 1;
    const since = this.stopped?.since ?? now;
    this.stopped = { reason, said, since, tries, nextAt: now + this.pauseMs(tries) };
    if (tries === 1) console.error(`Letters are waiting: ${reasonWords[reason]}.`);
    const given = await database.write((sql) => giveUp(sql, now - triedForMs, now, reason));
    this.hear(given);
    return null;
  }

  private async wayTo(access: MailAccess): Promise<{ transport: Transport }> {
    const key = JSON.stringify(access);
    if (this.way?.key !== key) {
      this.closeWay();
      this.way = { key, transport: await smtpTransport(access) };
    }
    return this.way;
  }
}
