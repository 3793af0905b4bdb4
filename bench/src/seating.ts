import type { FillRequest } from '@slate-path/core/people/room/seating/fill';
import { closeSchool, openSchool } from '@slate-path/e2e/src/school';
import { feasibleCase } from '../../core/test/seatingCases';
import { median, percentile } from './percentile';

const cases = 500;

/** In a page: each case goes to a worker of the application and back. @returns milliseconds, and wishes that were given up */
function inWorker(asked: FillRequest[]): Promise<{ times: number[]; given: number; opened: number }> {
  const begun = performance.now();
  const worker = new Worker('/workers/seating.js');
  const times: number[] = [];
  let given = 0;
  let opened = 0;
  return new Promise((resolve, reject) => {
    let sent = 0;
    const next = () => {
      sent = performance.now();
      worker.postMessage(asked[times.length]);
    };
    worker.onerror = () => {
      reject(new Error('The worker does not load'));
    };
    worker.onmessage = ({ data }: MessageEvent<{ given: string[] }>) => {
      const now = performance.now();
      opened ||= now - begun;
      times.push(now - sent);
      given += data.given.length;
      if (times.length < asked.length) next();
      else resolve({ times, given, opened });
    };
    next();
  });
}

/** 500 classes of 30 with up to 20 wishes that can all be kept, seated in a worker of the browser. */
export async function benchSeating(): Promise<Record<string, number>> {
  const { server, browser, page } = await openSchool('2026-11-23T10:42:00Z', 1, 'phone');
  const asked = Array.from({ length: cases }, (_, number) => feasibleCase(number));
  // The first, with the loading of the worker, stands by itself.
  const { times, given, opened } = await page.evaluate(inWorker, asked);
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
