import type { Browser, Page } from 'puppeteer-core';
import { openPage, says } from '@slate-path/e2e/src/browser';
import { closeSchool, openSchool } from '@slate-path/e2e/src/school';
import { fillSchool, year } from './school';

const months = ['09', '10', '11', '12'].map((month) => `2025-${month}`);
const monthsAfter = ['01', '02', '03', '04', '05'].map((month) => `2026-${month}`);

/** What the page's own objects take, after what nobody needs any more was cleared away. */
async function heapMegabytes(page: Page): Promise<number> {
  const cdp = await page.createCDPSession();
  await cdp.send('HeapProfiler.enable');
  await cdp.send('Performance.enable');
  for (let round = 0; round < 3; round += 1) await cdp.send('HeapProfiler.collectGarbage');
  const { metrics } = await cdp.send('Performance.getMetrics');
  await cdp.detach();
  return (metrics.find(({ name }) => name === 'JSHeapUsedSize')?.value ?? 0) / 1024 / 1024;
}

const settle = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms));

/** On a page of its own: the browser keeps those that were left in memory for a while. */
async function openLesson(browser: Browser, address: string): Promise<{ heap: number; ms: number }> {
  const page = await openPage(browser, 'phone');
  const begun = Date.now();
  await page.goto(address);
  await page.waitForSelector('[data-testid="student-row"]');
  const ms = Date.now() - begun;
  await settle(3000);
  const heap = await heapMegabytes(page);
  await page.close();
  return { heap, ms };
}

/** A page at the end of a year with six classes: before and after every month of it was looked at on this device. */
export async function benchMemory(): Promise<Record<string, number>> {
  const school = await openSchool('2026-05-07T10:42:00Z', 36, 'phone');
  const { server, browser, page, room } = school;
  const sections = await fillSchool(room.client, year);
  await openLesson(browser, server.address);
  const fresh = await openLesson(browser, server.address);
  for (const sectionId of sections)
    for (const month of [...months, ...monthsAfter]) {
      await page.goto(`${server.address}/classes/${sectionId}/months/${month}`);
      await says(page, 'Pupil36');
      await settle(700);
    }
  await page.close();
  const after = await openLesson(browser, server.address);
  await closeSchool(school);
  return {
    'page memory MB, a year of six classes, as opened': fresh.heap,
    'page memory MB, opened after its every month was looked at': after.heap,
    'open again ms, as opened': fresh.ms,
    'open again ms, after every month was looked at': after.ms,
  };
}
