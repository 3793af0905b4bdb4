import type { Browser, Page } from 'puppeteer-core';
import { openPage, saved, says } from '@slate-path/e2e/src/browser';
import { closeSchool, openSchool } from '@slate-path/e2e/src/school';
import { median, percentile } from './percentile';
import { bareTaps, tapToPaint, throttled } from './tapToPaint';

async function scriptBytes(page: Page, load: () => Promise<unknown>): Promise<number> {
  const cdp = await page.createCDPSession();
  await cdp.send('Network.enable');
  /** Of each script what had come when its headers had: they are no JavaScript. */
  const headers = new Map<string, number>();
  let bytes = 0;
  cdp.on('Network.responseReceived', ({ requestId, type: kind, response }) => {
    if (kind === 'Script') headers.set(requestId, response.encodedDataLength);
  });
  cdp.on('Network.loadingFinished', ({ requestId, encodedDataLength }) => {
    const before = headers.get(requestId);
    if (before !== undefined) bytes += encodedDataLength - before;
  });
  await load();
  await new Promise((resolve) => setTimeout(resolve, 500));
  await cdp.detach();
  return bytes;
}

/** Cold: a profile that was never here, signed in by its cookie; until a tap on the roll does something. */
async function coldOpen(
  browser: Browser,
  address: string,
  cookie: string,
): Promise<{ ms: number; again: number; kilobytes: number }> {
  const context = await browser.createBrowserContext();
  const page = await openPage(context, 'phone');
  const [name = '', value = ''] = cookie.split('=');
  await context.setCookie({
    name,
    value,
    domain: '127.0.0.1',
    path: '/',
    httpOnly: true,
    sameSite: 'Strict',
    secure: false,
    expires: -1,
    size: cookie.length,
    session: true,
  } as never);
  await throttled(page);
  // The page itself notes when the roll is on the screen; asking it from outside would slow it down.
  await page.evaluateOnNewDocument(() => {
    const state = window as unknown as { ready: Promise<number> };
    state.ready = new Promise((resolve) => {
      const watch = new MutationObserver(() => {
        if (!document.querySelector('[data-testid="student-row"]')) return;
        watch.disconnect();
        requestAnimationFrame(() => setTimeout(() => resolve(performance.now()), 0));
      });
      watch.observe(document, { childList: true, subtree: true });
    });
  });
  const open = async () => {
    await page.goto(address, { waitUntil: 'domcontentloaded' });
    return page.evaluate(() => (window as unknown as { ready: Promise<number> }).ready);
  };
  let ms = 0;
  const bytes = await scriptBytes(page, async () => (ms = await open()));
  await page.evaluate(() => navigator.serviceWorker.ready.then(() => undefined));
  await new Promise((resolve) => setTimeout(resolve, 3000));
  const again = await open();
  await context.close();
  return { ms, again, kilobytes: bytes / 1024 };
}

/** The figures of the real interface at four times slower a processor. */
export async function benchBrowser(): Promise<Record<string, number>> {
  const { server, browser, page } = await openSchool('2026-11-23T10:42:00Z', 36, 'phone');
  await says(page, 'Not taken yet');
  const session = (await browser.cookies()).find(({ name }) => name === 'slate_session');
  const cold: { ms: number; again: number; kilobytes: number }[] = [];
  for (let run = 0; run < 5; run += 1)
    cold.push(await coldOpen(browser, server.address, `slate_session=${session?.value ?? ''}`));

  const bare = await bareTaps(browser);
  await page.bringToFront();
  await throttled(page);
  const taps: number[] = [];
  for (let round = 0; round < 2; round += 1)
    for (let index = 1; index <= 36; index += 1)
      taps.push(await tapToPaint(page, `Pupil${String(index).padStart(2, '0')}`));
  await saved(page);
  await closeSchool({ server, browser });
  return {
    'tap to painted mark p50 ms (4x slower)': median(taps),
    'tap to painted mark p95 ms (4x slower)': percentile(taps, 0.95),
    'the same on a bare page, p50 ms': median(bare),
    'the same on a bare page, p95 ms': percentile(bare, 0.95),
    'first screen JavaScript KB, packed as served, without headers': median(
      cold.map(({ kilobytes }) => kilobytes),
    ),
    'cold open ms (4x slower)': median(cold.map(({ ms }) => ms)),
    'open again ms (4x slower)': median(cold.map(({ again }) => again)),
  };
}
