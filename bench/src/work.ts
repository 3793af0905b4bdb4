import fs from 'node:fs';
import path from 'node:path';
import { addDays } from '@slate-path/core/calendar/localTime';
import type { Enrolment, Student } from '@slate-path/core/records/schema';
import { ApiClient } from '@slate-path/demo/apiClient';
import { readWatch } from '@slate-path/server/watch/readWatch';
import { teacher } from '@slate-path/e2e/src/classroom';
import { RestartableServer } from '@slate-path/e2e/src/server';
import { acknowledged, acknowledgedMeanwhile } from './acknowledged';
import { median, percentile } from './percentile';
import { fillSchool, schoolDays, year } from './school';
import { benchWorkInPage } from './workInPage';

const imported = 200_000;
const kinds = ['opened', 'posted', 'answered', 'edited', 'handed in'];
const places = ['Log book', 'Forum', 'Tasks'];
const times = 60;
const now = '2026-08-01T12:00:00Z';
const two = (number: number) => String(number).padStart(2, '0');

interface School {
  server: RestartableServer;
  client: ApiClient;
  sectionIds: string[];
  /** Names of each class’s students, as a file has them. */
  names: Map<string, string[]>;
}

async function openSchool(): Promise<School> {
  const server = await RestartableServer.create();
  await server.start(now);
  const client = await ApiClient.signIn(server.address, '/api/first-start', teacher);
  const sectionIds = await fillSchool(client, year);
  const setup = await client.get<{ student: Student[]; enrolment: Enrolment[] }>('/api/setup');
  const nameOf = new Map(setup.student.map((one) => [one.id, `${one.givenName} ${one.familyName}`]));
  const names = new Map(
    sectionIds.map((id) => [
      id,
      setup.enrolment.filter(({ sectionId }) => sectionId === id).map((e) => nameOf.get(e.studentId) ?? ''),
    ]),
  );
  return { server, client, sectionIds, names };
}

/** A file of so many actions of a class, spread over the school days of the year, or over those of one month. */
function fileOf(names: readonly string[], count: number, salt: number): Uint8Array {
  const days = schoolDays(year.days);
  const lines = ['Name,When,Action,Course,Page,Seconds'];
  for (let n = 0; n < count; n += 1) {
    const day = days[(n * 7 + salt) % days.length] ?? '';
    const time = `${two(7 + ((n * 13) % 16))}:${two((n * 17 + salt) % 60)}:${two(Math.floor(n / 960) % 60)}`;
    const who = names[(n * 5 + Math.floor(n / names.length)) % names.length] ?? '';
    const kind = kinds[(n + Math.floor(n / 3)) % kinds.length] ?? '';
    lines.push(
      `${who},${day} ${time},${kind},${places[n % places.length] ?? ''},Page ${salt}-${n},${n % 90}`,
    );
  }
  return new TextEncoder().encode(lines.join('\n'));
}

const databaseOf = ({ folder }: RestartableServer) => path.join(folder, 'slate-path.db');

/** What the server's process holds, looked at ten times a second. */
function watchMemory({ pid }: RestartableServer) {
  const megabytes = () =>
    (Number(fs.readFileSync(`/proc/${pid}/statm`, 'latin1').split(' ')[1]) * 4096) / 2 ** 20;
  const atFirst = megabytes();
  let most = atFirst;
  const timer = setInterval(() => {
    most = Math.max(most, megabytes());
  }, 100);
  return {
    atFirst,
    most: () => most,
    end: () => {
      clearInterval(timer);
    },
  };
}

async function bring({ client }: School, sectionId: string, file: Uint8Array): Promise<number> {
  const answer = await client.fetch(`/api/sections/${sectionId}/activity`, {
    method: 'POST',
    headers: { 'content-type': 'application/octet-stream' },
    body: file as never,
  });
  return ((await answer.json()) as { added: number }).added;
}

async function takesEach(work: () => Promise<unknown>): Promise<number[]> {
  const took: number[] = [];
  for (let index = 0; index < times + 10; index += 1) {
    const begun = performance.now();
    await work();
    if (index >= 10) took.push(performance.now() - begun);
  }
  return took;
}

/** Every view of work, and the watch list, at one size. */
async function views(school: School, said: string): Promise<Record<string, number>> {
  const { client, sectionIds, server } = school;
  const [sectionId = ''] = sectionIds;
  const to = schoolDays(year.days).at(-1) ?? '';
  const { student } = await client.get<{ student: Student[] }>('/api/setup');
  const paths: Record<string, string> = {
    '7 days': `/api/sections/${sectionId}/work?from=${addDays(to, -6)}&to=${to}`,
    '28 days': `/api/sections/${sectionId}/work?from=${addDays(to, -27)}&to=${to}`,
    'a term of 112 days': `/api/sections/${sectionId}/work?from=${addDays(to, -111)}&to=${to}`,
    'a student’s day': `/api/sections/${sectionId}/students/${student[0]?.id ?? ''}/days/${addDays(to, -3)}`,
  };
  const figures: Record<string, number> = {};
  for (const [name, place] of Object.entries(paths)) {
    const took = await takesEach(async () => (await client.fetch(place)).arrayBuffer());
    figures[`work ${name}, ${said}, server p50 ms`] = median(took);
    figures[`work ${name}, ${said}, server p95 ms`] = percentile(took, 0.95);
  }
  const file = databaseOf(server);
  const teacherId = (await client.get<{ teacher: { id: string } }>('/api/session')).teacher.id;
  const watch: number[] = [];
  for (let round = 0; round < 5; round += 1) {
    const begun = performance.now();
    readWatch({ file, teacherId, sectionIds, now: Date.parse(now) });
    watch.push(performance.now() - begun);
  }
  figures[`watch list of six classes, ${said}, ms`] = median(watch);
  return figures;
}

/** Activity in the size of a year: a large file, a roll meanwhile, every view, with one and two million actions. */
export async function benchWork(): Promise<Record<string, number>> {
  const school = await openSchool();
  const { sectionIds, names, server } = school;
  const [first = ''] = sectionIds;
  const namesOf = (sectionId: string) => names.get(sectionId) ?? [];
  const usual: number[] = [];
  for (let round = 0; round < times; round += 1) usual.push(await acknowledged(school.client, first));

  const memory = watchMemory(server);
  const file = fileOf(namesOf(first), imported, 0);
  const begun = performance.now();
  const bringing = bring(school, first, file);
  const meanwhile = await acknowledgedMeanwhile(school.client, first, bringing);
  const added = await bringing;
  const seconds = (performance.now() - begun) / 1000;
  const figures: Record<string, number> = {
    'actions of one file': added,
    'one file taken in, seconds': seconds,
    'a roll’s change acknowledged, usual p50 ms': median(usual),
    'a roll’s change acknowledged, usual p95 ms': percentile(usual, 0.95),
    'the same while the file is taken in, p50 ms': median(meanwhile),
    'the same while the file is taken in, p95 ms': percentile(meanwhile, 0.95),
    'server memory before, MB': memory.atFirst,
    'server memory while the file is taken in, at most, MB': memory.most(),
  };
  for (const [index, sectionId] of sectionIds.slice(1).entries())
    await bring(school, sectionId, fileOf(namesOf(sectionId), 160_000, index + 1));
  Object.assign(figures, await views(school, '1 million actions'));
  figures['server memory up to then, at most, MB'] = memory.most();
  Object.assign(figures, await benchWorkInPage(server.address, first));
  for (const [index, sectionId] of sectionIds.entries())
    await bring(school, sectionId, fileOf(namesOf(sectionId), 166_667, index + 11));
  Object.assign(figures, await views(school, '2 million actions'));
  figures['database MB, 2 million actions'] = fs.statSync(databaseOf(server)).size / 2 ** 20;
  memory.end();
  await server.end('SIGTERM');
  server.remove();
  return figures;
}
