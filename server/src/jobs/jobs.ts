import { Piscina } from 'piscina';
import { isReading, type JobKinds } from './kinds';
import { Readers } from './readers';

/** Half of it done is no use: it takes what it takes. */
const unhurried: ReadonlySet<keyof JobKinds> = new Set([
  'surveyErasure',
  'eraseRecords',
  'eraseLog',
  'erasePack',
] as const);
const longestMs = 120_000;

export interface Jobs {
  run<K extends keyof JobKinds>(kind: K, input: JobKinds[K]['input']): Promise<JobKinds[K]['result']>;
  close(): Promise<void>;
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
  // A worker that dies outside a job is replaced by the next job; the server goes on.
  pool.on('error', (error) => {
    console.error(error);
  });
  const readers = new Readers(new URL('./reader.mjs', import.meta.url));
  return {
    run: <K extends keyof JobKinds>(kind: K, input: JobKinds[K]['input']) =>
      isReading(kind)
        ? readers.run(kind, input as never)
        : (pool.run(
            input,
            unhurried.has(kind) ? { name: kind } : { name: kind, signal: AbortSignal.timeout(longestMs) },
          ) as Promise<JobKinds[K]['result']>),
    close: () => {
      readers.close();
      return pool.destroy();
    },
  };
}
