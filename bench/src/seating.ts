import type { FillRequest } from '@slate-path/core/people/room/seating/fill';
import { closeSchool, openSchool } from '@slate-path/e2e/src/school';
import { feasibleCase } from '../../core/test/seatingCases';
import { median, percentile } from './percentile';

const cases = 500;

interface Seated {
  times: number[];
  /** Wishes that were given up. */
  given: number;
  /** From making the worker to its first answer, in milliseconds. */
  opened: number;
}

/** In a page: each case goes to a worker of the application and back. As text, for it runs in the browser. */
const inWorker = (asked: FillRequest[]) => `new Promise((resolve, reject) => {
  const asked = ${JSON.stringify(asked)};
  const begun = performance.now();
  const worker = new Worker('/workers/seating.js');
  const found = { times: [], given: 0, opened: 0 };
  let sent = begun;
  worker.onerror = () => reject(new Error('The worker does not load'));
  worker.onmessage = ({ data }) => {
    const now = performance.now();
    found.opened ||= now - begun;
    found.times.push(now - sent);
    found.given += data.given.length;
    if (found.times.length === asked.length) return resolve(found);
    sent = performance.now();
    worker.postMessage(asked[found.times.length]);
  };
  worker.postMessage(asked[0]);
})`;

/** 500 classes of 30 with up to 20 wishes that can all be kept, seated in a worker of the browser. */
export async function benchSeating(): Promise<Record<string, number>> {
  const { server, browser, page } = await openSchool('2026-11-23T10:42:00Z', 1, 'phone');
  const asked = Array.from({ length: cases }, (_, number) => feasibleCase(number));
  // The first, with the loading of the worker, stands by itself.
  const { times, given, opened } = (await page.evaluate(inWorker(asked))) as Seated;
  await closeSchool({ server, browser });
  const warm = times.slice(1);
  return {
    'wishes in 500 classes of 30': asked.reduce((sum, { wishes }) => sum + wishes.length, 0),
    'wishes that were not kept': given,
    'a class seated in a worker, p50 ms': median(warm),
    'a class seated in a worker, p95 ms': percentile(warm, 0.95),
    'a class seated in a worker, slowest ms': Math.max(...warm),
    'the first, with loading the worker, ms': opened,
  };
}
