import { fork, type ChildProcess } from 'node:child_process';
import fs from 'node:fs';
import { fileURLToPath } from 'node:url';
import type { JobKinds, ReadingKind } from './kinds';

/** What reading one file may take. */
export interface Bounds {
  seconds: number;
  megabytes: number;
}

const boundsOf: Record<ReadingKind, Bounds> = {
  readRoster: { seconds: 20, megabytes: 400 },
  readParticipants: { seconds: 20, megabytes: 400 },
  readWork: { seconds: 60, megabytes: 1200 },
  readActivity: { seconds: 60, megabytes: 1200 },
  readFeedPage: { seconds: 20, megabytes: 500 },
  readDaysOff: { seconds: 10, megabytes: 300 },
  readArchive: { seconds: 60, megabytes: 900 },
};
const mostProcesses = 2;
const mostWaiting = 20;
/** A process that has read waits so long for another file. */
const idleMs = 30_000;
const lookEveryMs = 50;

const reasons = {
  time: 'took too long to read',
  memory: 'takes too much memory to read',
  busy: 'has to wait: too many files are being read',
  error: 'cannot be read',
} as const;

/** A file that was not read to its end, and why. */
export class NotRead extends Error {
  constructor(readonly why: keyof typeof reasons) {
    super(`This file ${reasons[why]}.`);
  }
}

interface Answer {
  result?: unknown;
  error?: string;
}

/** Memory that a process holds, in megabytes, where the system tells it; else 0. */
function megabytesOf(pid: number | undefined): number {
  try {
    const pages = Number(fs.readFileSync(`/proc/${pid ?? 0}/statm`, 'latin1').split(' ')[1]);
    return (pages * 4096) / 1e6;
  } catch {
    return 0;
  }
}

/** Asks one process to read one file. It is ended where it goes over its bounds, and alone. */
function ask(child: ChildProcess, kind: ReadingKind, input: unknown, bounds: Bounds): Promise<unknown> {
  return new Promise((resolve, reject) => {
    const begun = Date.now();
    let why: keyof typeof reasons = 'memory';
    const end = (reason: keyof typeof reasons) => {
      why = reason;
      child.kill('SIGKILL');
    };
    const look = setInterval(() => {
      if (Date.now() - begun > bounds.seconds * 1000) end('time');
      else if (megabytesOf(child.pid) > bounds.megabytes) end('memory');
    }, lookEveryMs);
    const over = (work: () => void) => {
      clearInterval(look);
      child.removeAllListeners();
      // One that ends while nobody asks it must not take the server along.
      child.on('error', () => undefined);
      work();
    };
    child.once('message', ({ result, error }: Answer) => {
      over(() => {
        if (error === undefined) resolve(result);
        else {
          console.error(error);
          reject(new NotRead('error'));
        }
      });
    });
    // A process without memory ends by itself.
    child.once('exit', () => {
      over(() => {
        reject(new NotRead(why));
      });
    });
    child.once('error', () => {
      child.kill('SIGKILL');
      over(() => {
        reject(new NotRead('error'));
      });
    });
    child.send({ kind, input });
  });
}

/**
 * Reads what somebody brought in processes of their own: a file that takes all memory or never ends takes one of
 * them along, and the server goes on.
 */
export class Readers {
  private readonly idle = new Map<ChildProcess, NodeJS.Timeout>();
  private readonly busy = new Set<ChildProcess>();
  private readonly waiting: (() => void)[] = [];
  private closed = false;

  /** @param program of the processes */
  constructor(
    private readonly program: URL,
    private readonly bounds: Record<ReadingKind, Bounds> = boundsOf,
  ) {}

  async run<K extends ReadingKind>(kind: K, input: JobKinds[K]['input']): Promise<JobKinds[K]['result']> {
    const child = await this.take();
    const bounds = this.bounds[kind];
    try {
      return (await ask(child, kind, input, bounds)) as JobKinds[K]['result'];
    } finally {
      this.giveBack(child);
    }
  }

  close(): void {
    this.closed = true;
    for (const child of [...this.idle.keys(), ...this.busy]) child.kill('SIGKILL');
    for (const timer of this.idle.values()) clearTimeout(timer);
  }

  private async take(): Promise<ChildProcess> {
    // Another may have come first by the time this one's turn is told.
    while (this.busy.size >= mostProcesses) {
      if (this.waiting.length >= mostWaiting) throw new NotRead('busy');
      await new Promise<void>((resolve) => this.waiting.push(resolve));
    }
    const [known] = this.idle;
    if (known) {
      const [child, timer] = known;
      clearTimeout(timer);
      this.idle.delete(child);
      this.busy.add(child);
      return child;
    }
    const child = fork(fileURLToPath(this.program), {
      execArgv: ['--max-old-space-size=512'],
      serialization: 'advanced',
      // What it would print when it ends for want of memory helps nobody.
      stdio: ['ignore', 'ignore', 'ignore', 'ipc'],
    });
    this.busy.add(child);
    return child;
  }

  private giveBack(child: ChildProcess): void {
    this.busy.delete(child);
    if (child.connected && !child.killed && !this.closed && megabytesOf(child.pid) < 250) {
      const timer = setTimeout(() => {
        this.idle.delete(child);
        child.kill('SIGKILL');
      }, idleMs).unref();
      child.once('exit', () => this.idle.delete(child));
      this.idle.set(child, timer);
    } else child.kill('SIGKILL');
    this.waiting.shift()?.();
  }
}
