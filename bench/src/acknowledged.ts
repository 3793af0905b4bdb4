import { ulid } from 'ulid';
import type { ApiClient } from '@slate-path/demo/apiClient';
import { schoolDays, year } from './school';

/** A roll’s change, from when it is sent to when it is acknowledged, in milliseconds. */
export async function acknowledged(client: ApiClient, sectionId: string): Promise<number> {
  const date = schoolDays(year.days)[3] ?? '';
  const lesson = { id: `${sectionId}-4.${date}`, sectionId, date, startsAt: '08:00', endsAt: '08:50' };
  const payload = { lesson, marks: [], takenAt: `${date}T08:00:00.000Z` };
  const change = {
    id: ulid(),
    kind: 'roll.mark',
    payload,
    madeAt: new Date().toISOString(),
    device: 'bench',
  };
  const begun = performance.now();
  await client.postJson('/api/changes', { changes: [change] });
  return performance.now() - begun;
}

/** The same again and again, with pauses, until something else is done. */
export async function acknowledgedMeanwhile(
  client: ApiClient,
  sectionId: string,
  work: Promise<unknown>,
): Promise<number[]> {
  const state = { isDone: false };
  const ended = work.finally(() => {
    state.isDone = true;
  });
  const took: number[] = [];
  while (!state.isDone) {
    took.push(await acknowledged(client, sectionId));
    await new Promise((resolve) => setTimeout(resolve, 50));
  }
  await ended;
  return took;
}
