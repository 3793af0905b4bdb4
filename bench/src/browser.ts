import type { Browser, Page } from 'puppeteer-core';
import { control, openBrowser, openPage, saved, says, tap, type } from '@slate-path/e2e/src/browser';
import { makeClassroom, teacher } from '@slate-path/e2e/src/classroom';
import { RestartableServer } from '@slate-path/e2e/src/server';
import { median, percentile } from './percentile';

const slower = 4;

/** How long a finger rests on the glass. */
const pressMs = 80;

/** From the lifting of the finger (as the browser dates it) to the frame after the mark is on the screen. */
async function tapToPaint(page: Page, name: string): Promise<number> {
  const element = await control(page, name);
  await element.evaluate((row) => {
    row.scrollIntoView({ block: 'center' });
    const state = window as unknown as { painted: Promise<number> };
    state.painted = new Promise((resolve) => {
      const before = row.getAttribute('aria-label');
      let begun = 0;
      // Without a name: the loader would wrap a named function in a helper that the page has not.
      row.addEventListener('pointerup', (event) => (begun = event.timeStamp), { once: true, capture: true });
      const watch = new MutationObserver(() => {
        if (row.getAttribute('aria-label') === before) return;
        watch.disconnect();
        requestAnimationFrame(() => setTimeout(() => resolve(performance.now() - begun), 0));
      });
      watch.observe(row, { attributes: true });
    });
  });
  const { x, y } = await element.clickablePoint();
  const finger = await page.touchscreen.touchStart(x, y);
  await new Promise((resolve) => setTimeout(resolve, pressMs));
  await finger.end();
  return page.evaluate(() => (window as unknown as { painted: Promise<number> }).painted);
}

async function scriptBytes(page: Page, load: () => Promise<unknown>): Promise<number> {
  const cdp = await page.createCDPSession();
  await cdp.send('Network.enable');
  const scripts = new Set<string>();
  let bytes = 0;
  cdp.on(
    'Network.responseReceived',
    ({ requestId, type: kind }) => kind === 'Script' && scripts.add(requestId),
  );
  cdp.on('Network.loadingFinished', ({ requestId, encodedDataLength }) => {
    if (scripts.has(requestId)) bytes += encodedDataLength;
  });
  await load();
  await new Promise((resolve) => setTimeout(resolve, 500));
  await cdp.detach();
  return bytes;
}

async function throttled(page: Page): Promise<void> {
  const cdp = await page.createCDPSession();
  await cdp.send('Emulation.setCPUThrottlingRate', { rate: slower });
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

/** The same taps on a page that does nothing but change the row's name: what browser and machine take by themselves. */
async function bareTaps(browser: Browser): Promise<number[]> {
  const page = await openPage(browser, 'phone');
  const rows = Array.from({ length: 36 }, (_, index) => {
    const name = `Pupil${String(index + 1).padStart(2, '0')}`;
    return `<div role="button" aria-label="${name}: here" style="height:56px;border-bottom:1px solid">${name}</div>`;
  });
  await page.setContent(`<meta name="viewport" content="width=device-width">${rows.join('')}`);
  await page.evaluate(() => {
    document.body.addEventListener('click', (event) => {
      const row = event.target as HTMLElement;
      row.setAttribute('aria-label', `${row.textContent}: away`);
      row.style.fontWeight = 'bold';
    });
  });
  await throttled(page);
  const taps: number[] = [];
  for (let index = 1; index <= 36; index += 1)
    taps.push(await tapToPaint(page, `Pupil${String(index).padStart(2, '0')}`));
  await page.close();
  return taps;
}

/** The figures of the real interface at four times slower a processor. */
export async function benchBrowser(): Promise<Record<string, number>> {
  const server = await RestartableServer.create();
  await server.start('2026-11-23T10:42:00Z', 'runs');
  await makeClassroom(server.address, 36);
  const browser = await openBrowser();
  const page = await openPage(browser, 'phone');
  await page.goto(server.address);
  await type(page, 'Your name', teacher.name);
  await type(page, 'Passphrase', teacher.passphrase);
  await tap(page, 'Sign in');
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
  await browser.close();
  await server.end('SIGTERM');
  return {
    'tap to painted mark p50 ms (4x slower)': median(taps),
    'tap to painted mark p95 ms (4x slower)': percentile(taps, 0.95),
    'the same on a bare page, p50 ms': median(bare),
    'the same on a bare page, p95 ms': percentile(bare, 0.95),
    'first screen JavaScript KB as served': median(cold.map(({ kilobytes }) => kilobytes)),
    'cold open ms (4x slower)': median(cold.map(({ ms }) => ms)),
    'open again ms (4x slower)': median(cold.map(({ again }) => again)),
  };
}
