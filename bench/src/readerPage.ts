import type { Enrolment, LookFor } from '@slate-path/core/records/schema';
import { ApiClient } from '@slate-path/demo/apiClient';
import { teacher } from '@slate-path/e2e/src/classroom';
import { RestartableServer } from '@slate-path/e2e/src/server';
import { median, percentile } from './percentile';
import { fillSchool, schoolDays, year } from './school';

const times = 100;
const warmUp = 10;

/** From asking until the first byte is here, in milliseconds. */
async function firstByte(address: string): Promise<number> {
  const begun = performance.now();
  const answer = await fetch(address);
  const took = performance.now() - begun;
  await answer.arrayBuffer();
  return took;
}

async function each(address: string): Promise<number[]> {
  const took: number[] = [];
  for (let index = 0; index < times + warmUp; index += 1) {
    const one = await firstByte(address);
    if (index >= warmUp) took.push(one);
  }
  return took;
}

/** A reader's page of a term, with every part, in a year of six classes; the question of health beside it. */
export async function benchReaderPage(): Promise<Record<string, number>> {
  const server = await RestartableServer.create();
  await server.start('2026-08-01T12:00:00Z');
  const client = await ApiClient.signIn(server.address, '/api/first-start', teacher);
  await fillSchool(client, year);
  const { enrolment, lookFor } = await client.get<{ enrolment: Enrolment[]; lookFor: LookFor[] }>(
    '/api/setup',
  );
  const days = schoolDays(year.days);
  const settings = {
    ...{ studentIds: [enrolment[0]?.studentId ?? ''], reader: 'Ada', relation: 'home', language: 'en' },
    ...{ from: days.at(-80) ?? '', to: days.at(-1) ?? '', presence: true, engagement: true, work: true },
    ...{ weather: true, noteIds: [], stepIds: [], summary: 'Well done.', mayWriteBack: true },
    lookFors: lookFor.slice(0, 2).map(({ id }) => ({ id, comment: '' })),
  };
  const page = { settings, until: '2026-08-14', code: '', email: '' };
  const { token } = await client.postJson<{ token: string }>('/api/reader-pages', page);
  const bare = await each(`${server.address}/api/health`);
  const opened = await each(`${server.address}/read/${token}`);
  const bytes = (await (await fetch(`${server.address}/read/${token}`)).arrayBuffer()).byteLength;
  await server.end('SIGTERM');
  server.remove();
  return {
    'a reader’s page, first byte p50 ms': median(opened),
    'a reader’s page, first byte p95 ms': percentile(opened, 0.95),
    'health beside it, first byte p95 ms': percentile(bare, 0.95),
    'a reader’s page without its fonts, KB unpacked': bytes / 1024,
  };
}
