import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { ApiClient } from '@slate-path/demo/apiClient';
import { readRolls } from '@slate-path/server/attendance/roll/readRoll';
import { readWatch } from '@slate-path/server/watch/readWatch';
import { startServer, type Running } from '@slate-path/server/start';
import { teacher } from '@slate-path/e2e/src/classroom';
import { median, percentile } from './percentile';
import { countQueries, queriesSoFar } from './queries';
import { fillSchool, firstDay, schoolDays, viewPaths, year, type SchoolSize } from './school';

const warmUp = 10;
const times = 60;

async function timed(work: () => Promise<unknown>): Promise<number[]> {
  const took: number[] = [];
  for (let index = 0; index < warmUp + times; index += 1) {
    const begun = performance.now();
    await work();
    if (index >= warmUp) took.push(performance.now() - begun);
  }
  return took;
}

interface School {
  running: Running;
  client: ApiClient;
  sectionId: string;
}

async function openSchool(size: SchoolSize): Promise<School> {
  const dataFolder = fs.mkdtempSync(path.join(os.tmpdir(), 'slate-bench-'));
  // Long after the year: every lesson has been.
  const clock = () => Date.parse('2026-08-01T12:00:00Z');
  const running = await startServer({ dataFolder, port: 0, host: '127.0.0.1', pages: null, clock });
  const client = await ApiClient.signIn(running.address, '/api/first-start', teacher);
  const [sectionId = ''] = await fillSchool(client, size);
  return { running, client, sectionId };
}

/** Statements run for each view; what a worker reads is read here, for its statements are its own. */
async function queriesPerView(
  { running, client, sectionId }: School,
  size: SchoolSize,
): Promise<Record<string, number>> {
  const found: Record<string, number> = {};
  for (const [name, place] of Object.entries(viewPaths(sectionId, size))) {
    const before = queriesSoFar();
    await (await client.fetch(place)).arrayBuffer();
    found[name] = queriesSoFar() - before;
  }
  const { file } = running.services.database;
  const teacherId = (await client.get<{ teacher: { id: string } }>('/api/session')).teacher.id;
  const to = schoolDays(size.days).at(-1) ?? firstDay;
  const inWorker = (names: string[], read: () => unknown) => {
    const before = queriesSoFar();
    read();
    const queries = queriesSoFar() - before;
    for (const name of names) found[name] = (found[name] ?? 0) + queries;
  };
  inWorker(['totals', 'roll'], () =>
    readRolls({ file, teacherId, sectionId: null, from: firstDay, to, now: Date.now() }),
  );
  inWorker(['watch'], () =>
    readWatch({ file, teacherId, sectionIds: [sectionId], now: running.services.clock() }),
  );
  return found;
}

/** What views take at the server with a year of six classes, and how many queries, beside a small school. */
export async function benchViews(): Promise<Record<string, number>> {
  countQueries();
  const small = { classes: 1, students: 8, days: 25 };
  const few = await openSchool(small);
  const fewQueries = await queriesPerView(few, small);
  await few.running.stop();
  const school = await openSchool(year);
  const manyQueries = await queriesPerView(school, year);
  const { client, sectionId } = school;
  const figures: Record<string, number> = {};
  for (const [name, place] of Object.entries(viewPaths(sectionId, year))) {
    const took = await timed(async () => (await client.fetch(place)).arrayBuffer());
    figures[`view ${name}, server p50 ms`] = median(took);
    figures[`view ${name}, server p95 ms`] = percentile(took, 0.95);
    figures[`view ${name}, queries (year of six classes)`] = manyQueries[name] ?? Number.NaN;
    figures[`view ${name}, queries (5 weeks of one class of 8)`] = fewQueries[name] ?? Number.NaN;
  }
  figures['server memory after that, MB'] = process.memoryUsage().rss / 2 ** 20;
  await school.running.stop();
  return figures;
}
