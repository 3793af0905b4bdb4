import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import puppeteer, {
  type Browser,
  type BrowserContext,
  type ElementHandle,
  type HTTPRequest,
  type Page,
} from 'puppeteer-core';

const chromiumFlags = [
  '--headless',
  '--no-sandbox',
  '--disable-gpu',
  '--disable-quic',
  '--no-first-run',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
];

export const sizes = {
  phone: { width: 390, height: 844, deviceScaleFactor: 2, isMobile: true, hasTouch: true },
  wide: { width: 1280, height: 800 },
};

/** Debian's Chromium with a profile of its own. */
export function openBrowser(): Promise<Browser> {
  return puppeteer.launch({
    executablePath: process.env['CHROMIUM'] ?? '/usr/bin/chromium',
    args: chromiumFlags,
    userDataDir: fs.mkdtempSync(path.join(os.tmpdir(), 'slate-chromium-')),
  });
}

/** A page of one size; what goes wrong in it is printed. */
export async function openPage(from: Browser | BrowserContext, size: keyof typeof sizes): Promise<Page> {
  const page = await from.newPage();
  await page.setViewport(sizes[size]);
  page.on('pageerror', (error) => {
    console.error('In the page:', error);
  });
  return page;
}

const controls =
  '[role=button],[role=link],[role=radio],[role=checkbox],button,a,input:not([type=file]),textarea';

/** The visible control whose name begins so: its label for those who listen, else its text. */
export async function control(
  page: Page,
  name: string,
  timeout = 15_000,
): Promise<ElementHandle<HTMLElement>> {
  const found = await page
    .waitForFunction(
      (wanted: string, selector: string) => {
        const named = [...document.querySelectorAll<HTMLElement>(selector)]
          .filter((element) => element.getBoundingClientRect().width > 0)
          .map((element) => ({
            element,
            name: element.getAttribute('aria-label') ?? element.textContent.trim(),
          }));
        const exact = named.filter(({ name: found }) => found === wanted);
        const begun = named.filter(({ name: found }) => found.startsWith(wanted));
        // The last of the same name lies on top: a sheet over its page.
        return (exact.at(-1) ?? begun.at(-1))?.element ?? false;
      },
      { timeout, polling: 50 },
      name,
      controls,
    )
    .catch(async () => {
      throw new Error(`The page has no control “${name}”. It says:\n${await textOf(page)}`);
    });
  return found as ElementHandle<HTMLElement>;
}

/** Where a control stands when the next frame is drawn. */
function placeOf(element: ElementHandle<HTMLElement>): Promise<string> {
  return element.evaluate(
    (node) =>
      new Promise<string>((resolve) =>
        requestAnimationFrame(() => {
          const { x, y } = node.getBoundingClientRect();
          resolve(`${x} ${y}`);
        }),
      ),
  );
}

/** Waits until a control has stood still for three frames: nobody aims at what is moving. */
async function standsStill(element: ElementHandle<HTMLElement>): Promise<void> {
  let place = '';
  for (let still = 0, frames = 0; still < 3 && frames < 120; frames += 1) {
    const now = await placeOf(element);
    still = now === place ? still + 1 : 0;
    place = now;
  }
}

/** A tap (on a phone) or a click, at the middle of the control, as a person would. */
export async function tap(page: Page, name: string): Promise<void> {
  const element = await control(page, name);
  await element.evaluate((node) => {
    node.scrollIntoView({ block: 'center' });
  });
  await standsStill(element);
  if (page.viewport()?.hasTouch) await element.tap();
  else await element.click();
}

/** Types into a field, in place of what was there. */
export async function type(page: Page, label: string, text: string): Promise<void> {
  const field = await control(page, label);
  await field.click({ count: 3 });
  await page.keyboard.press('Backspace');
  await field.type(text);
}

/** Waits until the page says something. */
export async function says(page: Page, words: string, timeout = 15_000): Promise<void> {
  await page
    .waitForFunction(
      (wanted: string) => document.body.innerText.includes(wanted),
      { timeout, polling: 50 },
      words,
    )
    .catch(async () => {
      throw new Error(`The page does not say “${words}”. It says:\n${await textOf(page)}`);
    });
}

export function textOf(page: Page, testId?: string): Promise<string> {
  return page.evaluate((id) => {
    const element = id ? document.querySelector<HTMLElement>(`[data-testid="${id}"]`) : document.body;
    return element?.innerText ?? '';
  }, testId);
}

/** Each student's row on the roll as it is said to those who listen, without what a tap would do. */
export function rollOf(page: Page): Promise<string[]> {
  return page.evaluate(() =>
    [...document.querySelectorAll('[data-testid="student-row"]')].map((row) =>
      (row.getAttribute('aria-label') ?? '').replace(/\. Tap: .*/, ''),
    ),
  );
}

/** Opens all about one student's mark: on a phone a list of full names has the way to it. */
export async function openStudent(page: Page, name: string): Promise<void> {
  await page.waitForSelector('[data-testid="student-row"]');
  const onBoard = await page.$('[aria-label="Show as a list"]');
  const isThere = await page.$(`[aria-label^="More about ${name}"]`);
  if (onBoard && !isThere) await tap(page, 'Show as a list');
  await tap(page, `More about ${name}`);
  await control(page, 'Comment');
}

/** Those on the roll who are not simply here. */
export async function exceptionsOf(page: Page): Promise<string[]> {
  return (await rollOf(page)).filter((row) => !row.endsWith(': here'));
}

/** Waits until everything has reached the server. */
export async function saved(page: Page): Promise<void> {
  // The sign follows the mark by a frame: what it says now may be of before the last tap.
  await page.evaluate(() => new Promise((resolve) => requestAnimationFrame(() => setTimeout(resolve, 100))));
  await page
    .waitForFunction(
      () => document.querySelector<HTMLElement>('[data-testid="saved-sign"]')?.innerText.trim() === 'saved',
      { timeout: 30_000, polling: 50 },
    )
    .catch(async () => {
      throw new Error(
        `The page is not saved. It says “${await textOf(page, 'saved-sign')}”:\n${await textOf(page)}`,
      );
    });
}

/**
 * Keeps what the page asks the network for from arriving, where its address has this in it, as slow wi-fi would.
 * @returns lets it arrive
 */
export async function hold(page: Page, part: string): Promise<() => Promise<void>> {
  const held: HTTPRequest[] = [];
  let isOpen = false;
  const onRequest = (request: HTTPRequest) => {
    if (!isOpen && request.url().includes(part)) held.push(request);
    // What is asked for while it is opened may be let through already.
    else request.continue().catch(() => undefined);
  };
  await page.setBypassServiceWorker(true);
  await page.setRequestInterception(true);
  page.on('request', onRequest);
  return async () => {
    isOpen = true;
    await Promise.all(held.map((request) => request.continue()));
    await page.setRequestInterception(false);
    page.off('request', onRequest);
    await page.setBypassServiceWorker(false);
  };
}
