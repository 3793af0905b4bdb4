import { setTimeout as wait } from 'node:timers/promises';
import { says } from '@slate-path/e2e/src/browser';
import { closeSchool, openSchool } from '@slate-path/e2e/src/school';
import { median, percentile } from './percentile';

const students = 200;
const overMs = 5000;

/**
 * Two hundred students check in within five seconds while the teacher's roll is open: how long each waits,
 * how many are lost, and how long until the roll counts them.
 */
export async function benchCheckIn(): Promise<Record<string, number>> {
  const { server, browser, page, room } = await openSchool('2026-11-23T10:42:00Z', students, 'wide');
  const path = `/api/sections/${room.sectionId}/check-in-links`;
  const { token } = await room.client.postJson<{ token: string }>(path, {});
  const address = `${server.address}/api/check-in/${token}`;
  await says(page, 'Not taken yet');
  // The page notes itself when its count changes, by the clock that this process has too.
  await page.evaluate(() => {
    const state = window as unknown as { counts: [at: number, count: number][] };
    state.counts = [];
    new MutationObserver(() => {
      const count = Number(/Checked in: (\d+)/.exec(document.body.innerText)?.[1] ?? 0);
      if (count !== (state.counts.at(-1)?.[1] ?? 0)) state.counts.push([Date.now(), count]);
    }).observe(document.body, { childList: true, subtree: true, characterData: true });
  });
  const acknowledgedAt: number[] = [];
  const took = await Promise.all(
    room.studentIds.map(async (studentId, index) => {
      await wait((index / students) * overMs);
      const begun = performance.now();
      const saying = { weather: (index % 5) + 1, wantsWord: false, lunch: '', comment: '' };
      const response = await fetch(address, {
        method: 'POST',
        headers: { 'Content-Type': 'application/json' },
        body: JSON.stringify({ ...saying, studentId, device: `phone-${index}` }),
      });
      if (!response.ok) throw new Error(`${response.status}: ${await response.text()}`);
      await response.arrayBuffer();
      acknowledgedAt.push(Date.now());
      return performance.now() - begun;
    }),
  );
  await says(page, `Checked in: ${students} of ${students}`, 30_000);
  const counts = await page.evaluate(() => (window as unknown as { counts: [number, number][] }).counts);
  const { checkIn } = await room.client.get<{ checkIn: unknown[] }>('/api/days/2026-11-23');
  await closeSchool({ server, browser });
  const shownAfter = acknowledgedAt
    .sort((a, b) => a - b)
    .map((at, index) => Math.max((counts.find(([, count]) => count > index)?.[0] ?? Infinity) - at, 0));
  return {
    'check-in burst of 200 in 5 s: lost': students - checkIn.length,
    'check-in burst: acknowledged p50 ms': median(took),
    'check-in burst: acknowledged p95 ms': percentile(took, 0.95),
    'check-in burst: on the roll after p50 ms': median(shownAfter),
    'check-in burst: on the roll after p95 ms': percentile(shownAfter, 0.95),
  };
}
