import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import type { Browser, BrowserContext, Page } from 'puppeteer-core';
import { startServer, type Running } from '@slate-path/server/start';
import { openPage, saved, says } from '@slate-path/e2e/src/browser';
import { closeSchool, openSchool } from '@slate-path/e2e/src/school';
import { median, percentile } from './percentile';
import { bareTaps, tapToPaint, throttled } from './tapToPaint';

/** How often each is opened. */
const opens = 5;

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

async function giveCookie(context: BrowserContext, cookie: string): Promise<void> {
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
}

/** Cold: a profile that was never here, signed in by a cookie if there is one; until a tap on a row does something. */
async function coldOpen(
  browser: Browser,
  address: string,
  cookie?: string,
): Promise<{ ms: number; again: number; kilobytes: number }> {
  const context = await browser.createBrowserContext();
  const page = await openPage(context, 'phone');
  if (cookie) await giveCookie(context, cookie);
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

/** Router, Paper and svg with 36 rows, from the same server. */
function serveBare(): Promise<Running> {
  return startServer({
    dataFolder: fs.mkdtempSync(path.join(os.tmpdir(), 'slate-bare-')),
    port: 0,
    host: '127.0.0.1',
    pages: path.join(process.cwd(), 'bench', 'bare', 'dist'),
    clock: Date.now,
  });
}

/** The figures of the real interface at four times slower a processor. */
export async function benchBrowser(): Promise<Record<string, number>> {
  const { server, browser, page } = await openSchool('2026-11-23T10:42:00Z', 36, 'phone');
  await says(page, 'Not taken yet');
  const session = (await browser.cookies()).find(({ name }) => name === 'slate_session');
  const bareServer = await serveBare();
  const cold: { ms: number; again: number; kilobytes: number }[] = [];
  const bareCold: typeof cold = [];
  // In turns: what the machine does meanwhile is the same for both.
  for (let run = 0; run < opens; run += 1) {
    cold.push(await coldOpen(browser, server.address, `slate_session=${session?.value ?? ''}`));
    bareCold.push(await coldOpen(browser, bareServer.address));
  }
  await bareServer.stop();

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
    'the same of a bare application of the same frame': median(bareCold.map(({ ms }) => ms)),
    'open again ms (4x slower)': median(cold.map(({ again }) => again)),
    'the same again of the bare application': median(bareCold.map(({ again }) => again)),
  };
}
