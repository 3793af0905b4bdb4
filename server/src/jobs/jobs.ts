import { MessageChannel, type MessagePort } from 'node:worker_threads';
import { Piscina } from 'piscina';
import { isReading, type JobKinds } from './kinds';
import { Readers } from './readers';
import type { WorkKind } from './worker';

/** Half of it done is no use: it takes what it takes. */
const unhurried: ReadonlySet<keyof JobKinds> = new Set([
  'surveyErasure',
  'eraseRecords',
  'eraseLog',
  'erasePack',
] as const);
const longestMs = 120_000;

export interface Jobs {
  /** @param cancelled ends a worker's job that nobody waits for any more */
  run<K extends keyof JobKinds>(
    kind: K,
    input: JobKinds[K]['input'],
    cancelled?: AbortSignal,
  ): Promise<JobKinds[K]['result']>;
  close(): Promise<void>;
}

/** Ends a job that takes too long from when a worker begins it, or that nobody waits for. */
function boundedFromBeginning(
  port: MessagePort,
  cancelled: AbortSignal | undefined,
): { signal: AbortSignal; over: () => void } {
  const controller = new AbortController();
  const cancel = () => {
    controller.abort();
  };
  if (cancelled?.aborted) cancel();
  cancelled?.addEventListener('abort', cancel, { once: true });
  let timer: NodeJS.Timeout | undefined;
  port.once('message', () => {
    timer = setTimeout(() => {
      controller.abort();
    }, longestMs);
  });
  return {
    signal: controller.signal,
    over: () => {
      clearTimeout(timer);
      cancelled?.removeEventListener('abort', cancel);
      port.close();
    },
  };
}

/** Workers for what takes longer than a request should, and processes for what reads files. */
export function startJobs(): Jobs {
  const pool = new Piscina({
    filename: new URL('./worker.mjs', import.meta.url).href,
    minThreads: 1,
    maxThreads: 2,
    // A small nursery: without that bound the server takes some 30 MB more and is hardly faster.
    resourceLimits: { maxOldGenerationSizeMb: 512, maxYoungGenerationSizeMb: 8 },
  });
  let closing = false;
  // A worker that dies outside a job is replaced by the next job; the server goes on.
  pool.on('error', (error) => {
    if (!closing) console.error(error);
  });
  const readers = new Readers(new URL('./reader.mjs', import.meta.url));
  const work = async (kind: WorkKind, input: unknown, cancelled?: AbortSignal): Promise<unknown> => {
    const { port1, port2 } = new MessageChannel();
    const { signal, over } = boundedFromBeginning(port1, cancelled);
    const asked = { kind, input, begun: port2 };
    try {
      return await pool.run(asked, {
        transferList: [port2],
        ...(unhurried.has(kind) ? {} : { signal }),
      });
    } finally {
      over();
    }
  };
  return {
    run: <K extends keyof JobKinds>(kind: K, input: JobKinds[K]['input'], cancelled?: AbortSignal) =>
      isReading(kind)
        ? readers.run(kind, input as never)
        : (work(kind, input, cancelled) as Promise<JobKinds[K]['result']>),
    close: () => {
      closing = true;
      readers.close();
      return pool.destroy();
    },
  };
}
