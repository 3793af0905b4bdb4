import { Worker } from 'node:worker_threads';
import { giveWay } from './giveWay';
import type { JobKinds, ReadingKind } from './kinds';
import { reading } from './reading';

/** A process that reads what somebody brought, one file after the other; see `readers.ts`. */
interface Asked<K extends ReadingKind = ReadingKind> {
  kind: K;
  input: JobKinds[K]['input'];
}

async function answer<K extends ReadingKind>({ kind, input }: Asked<K>): Promise<void> {
  try {
    process.send?.({ result: await reading[kind](input) });
  } catch (error) {
    process.send?.({ error: error instanceof Error ? (error.stack ?? error.message) : String(error) });
  }
}

giveWay();
process.on('message', (asked: Asked) => void answer(asked));
process.on('disconnect', () => process.exit(0));
// Where the server was killed while a file is read that never ends, only another thread sees that nobody waits.
new Worker(
  'const parent = process.ppid; setInterval(() => process.ppid === parent || process.kill(process.pid, "SIGKILL"), 1000)',
  { eval: true },
).unref();
