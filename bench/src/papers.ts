import type { Enrolment, LookFor } from '@slate-path/core/records/schema';
import { ApiClient } from '@slate-path/demo/apiClient';
import { teacher } from '@slate-path/e2e/src/classroom';
import { RestartableServer } from '@slate-path/e2e/src/server';
import { acknowledged, acknowledgedMeanwhile } from './acknowledged';
import { median, percentile } from './percentile';
import { fillSchool, schoolDays, year } from './school';

const reported = 32;
const rounds = 5;
const times = 60;

/** What a class of 32 takes on paper in a year of six classes, a roll meanwhile, and a student's own page. */
export async function benchPapers(): Promise<Record<string, number>> {
  const server = await RestartableServer.create();
  await server.start('2026-08-01T12:00:00Z');
  const client = await ApiClient.signIn(server.address, '/api/first-start', teacher);
  const [sectionId = ''] = await fillSchool(client, year);
  const setup = await client.get<{ enrolment: Enrolment[]; lookFor: LookFor[] }>('/api/setup');
  const studentIds = setup.enrolment
    .filter((one) => one.sectionId === sectionId)
    .map(({ studentId }) => studentId)
    .slice(0, reported);
  const days = schoolDays(year.days);
  const range = { from: days.at(-80) ?? '', to: days.at(-1) ?? '' };
  const reports = {
    ...{ studentIds, language: 'en', ...range, presence: true, engagement: true, work: true, weather: true },
    circles: true,
    lookForIds: setup.lookFor.slice(0, 2).map(({ id }) => id),
    ...{ sentences: true, comments: {}, paper: 'A4' },
  };
  const post = (place: string, body: object) =>
    client.fetch(place, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(body),
    });
  const seconds = async (work: () => Promise<Response>) => {
    const begun = performance.now();
    await (await work()).arrayBuffer();
    return (performance.now() - begun) / 1000;
  };
  const first = await seconds(() => post('/api/reports', reports));
  const again: number[] = [];
  for (let round = 0; round < rounds; round += 1)
    again.push(await seconds(() => post('/api/reports', reports)));
  const usual: number[] = [];
  const meanwhile: number[] = [];
  // In turns: what else the machine does falls on both.
  for (let round = 0; round < rounds; round += 1) {
    for (let time = 0; time < times; time += 1) usual.push(await acknowledged(client, sectionId));
    meanwhile.push(
      ...(await acknowledgedMeanwhile(
        client,
        sectionId,
        seconds(() => post('/api/reports', reports)),
      )),
    );
  }
  const book = await seconds(() => client.fetch(`/api/workbook?from=${days[0] ?? ''}&to=${range.to}`));
  const parts = { presence: true, circles: true, work: true, weather: true, words: true, language: 'en' };
  await post(`/api/sections/${sectionId}/own-view`, { settings: parts });
  const card = await post(`/api/students/${studentIds[0] ?? ''}/card`, {});
  const { token } = (await card.json()) as { token: string };
  const opened: number[] = [];
  for (let round = 0; round < times; round += 1)
    opened.push(1000 * (await seconds(() => fetch(`${server.address}/mine/${token}`))));
  await server.end('SIGTERM');
  server.remove();
  return {
    '32 reports as a PDF, the first time, seconds': first,
    '32 reports as a PDF, seconds': median(again),
    'a roll’s change acknowledged, usual p95 ms': percentile(usual, 0.95),
    'the same while reports are made, p95 ms': percentile(meanwhile, 0.95),
    'a year of six classes as a workbook, seconds': book,
    'a student’s own page p50 ms': median(opened),
    'a student’s own page p95 ms': percentile(opened, 0.95),
  };
}
