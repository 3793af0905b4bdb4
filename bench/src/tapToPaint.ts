import type { Browser, Page } from 'puppeteer-core';
import { control, openPage } from '@slate-path/e2e/src/browser';

const slower = 4;

/** How long a finger rests on the glass. */
const pressMs = 80;

/** From the lifting of the finger (as the browser dates it) to the frame after the mark is on the screen. */
export async function tapToPaint(page: Page, name: string): Promise<number> {
  const element = await control(page, name);
  await element.evaluate((row) => {
    row.scrollIntoView({ block: 'center' });
    const state = window as unknown as { painted: Promise<number> };
    state.painted = new Promise((resolve) => {
      const before = row.getAttribute('aria-label');
      // Without a name: the loader would wrap a named function in a helper that the page has not.
      row.addEventListener(
        'pointerup',
        ({ timeStamp: begun }) => {
          // Asked for before the page asks for its own frame: what it does once the mark is painted comes
          // after this, and is not waited for. A mark that is not in this frame is waited for, frame by frame.
          const look: (() => unknown)[] = [];
          look.push(() =>
            row.getAttribute('aria-label') === before
              ? requestAnimationFrame(() => look[0]?.())
              : setTimeout(() => {
                  resolve(performance.now() - begun);
                }, 0),
          );
          requestAnimationFrame(() => look[0]?.());
        },
        { once: true, capture: true },
      );
    });
  });
  const { x, y } = await element.clickablePoint();
  const finger = await page.touchscreen.touchStart(x, y);
  await new Promise((resolve) => setTimeout(resolve, pressMs));
  await finger.end();
  return page.evaluate(() => (window as unknown as { painted: Promise<number> }).painted);
}

/** A processor four times slower. */
export async function throttled(page: Page, times = slower): Promise<void> {
  const cdp = await page.createCDPSession();
  await cdp.send('Emulation.setCPUThrottlingRate', { rate: times });
}

/** The same taps on a page that does nothing but change the row's name: what browser and machine take by themselves. */
export async function bareTaps(browser: Browser): Promise<number[]> {
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
