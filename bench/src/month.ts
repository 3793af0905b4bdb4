import type { Page } from 'puppeteer-core';
import { ApiClient } from '@slate-path/demo/apiClient';
import { control, openBrowser, openPage, says, tap, type, type sizes } from '@slate-path/e2e/src/browser';
import { teacher } from '@slate-path/e2e/src/classroom';
import { RestartableServer } from '@slate-path/e2e/src/server';
import { median, percentile } from './percentile';
import { fillSchool } from './school';

const slower = 4;
const rounds = 12;
const students = 36;
/** September and October: the latter has 23 school days. */
const days = 45;

/** From the press on "Attendance" (as the browser dates it) to the frame after all rows are on the screen. */
async function monthPainted(page: Page): Promise<number> {
  const element = await control(page, 'Attendance');
  await page.evaluate((count) => {
    const state = window as unknown as { painted: Promise<number> };
    state.painted = new Promise((resolve) => {
      let begun = 0;
      document.addEventListener('pointerup', (event) => (begun = event.timeStamp), {
        once: true,
        capture: true,
      });
      const watch = new MutationObserver(() => {
        if (document.querySelectorAll('[data-testid="month-row"]').length < count) return;
        watch.disconnect();
        requestAnimationFrame(() => setTimeout(() => resolve(performance.now() - begun), 0));
      });
      watch.observe(document, { childList: true, subtree: true });
    });
  }, students);
  if (page.viewport()?.hasTouch) await element.tap();
  else await element.click();
  return page.evaluate(() => (window as unknown as { painted: Promise<number> }).painted);
}

async function benchSize(
  address: string,
  sectionId: string,
  size: keyof typeof sizes,
): Promise<Record<string, number>> {
  const browser = await openBrowser();
  const page = await openPage(browser, size);
  await page.goto(address);
  await type(page, 'Your name', teacher.name);
  await type(page, 'Passphrase', teacher.passphrase);
  await tap(page, 'Sign in');
  await says(page, 'Class 1');
  await page.goto(`${address}/classes/${sectionId}`);
  await control(page, 'Attendance');
  const cdp = await page.createCDPSession();
  await cdp.send('Emulation.setCPUThrottlingRate', { rate: slower });
  const took: number[] = [];
  for (let round = 0; round < rounds; round += 1) {
    took.push(await monthPainted(page));
    await page.goBack();
    await control(page, 'Attendance');
    await new Promise((resolve) => setTimeout(resolve, 500));
  }
  await browser.close();
  const [first = Number.NaN, ...again] = took;
  return {
    [`month of 36 x 23 painted, ${size}, first ms (4x slower)`]: first,
    [`month of 36 x 23 painted, ${size}, p50 ms (4x slower)`]: median(again),
    [`month of 36 x 23 painted, ${size}, p95 ms (4x slower)`]: percentile(again, 0.95),
  };
}

/** A month of a class of 36 with 23 lessons, opened from the class's page, on the phone and wide. */
export async function benchMonth(): Promise<Record<string, number>> {
  const server = await RestartableServer.create();
  await server.start('2025-10-31T16:00:00Z', 'runs');
  const client = await ApiClient.signIn(server.address, '/api/first-start', teacher);
  const [sectionId = ''] = await fillSchool(client, { classes: 1, students, days });
  const figures = {
    ...(await benchSize(server.address, sectionId, 'phone')),
    ...(await benchSize(server.address, sectionId, 'wide')),
  };
  await server.end('SIGTERM');
  return figures;
}
