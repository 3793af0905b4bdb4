import type { Page } from 'puppeteer-core';
import { control, openBrowser, openPage, says, tap, type } from '@slate-path/e2e/src/browser';
import { teacher } from '@slate-path/e2e/src/classroom';
import { median } from './percentile';
import { throttled } from './tapToPaint';

const rounds = 6;
const settle = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms));

/** From the tap on *Work and activity* to the frame in which its sentence stands. */
async function painted(page: Page): Promise<number> {
  await page.evaluate(() => {
    const state = window as unknown as { painted: Promise<number> };
    state.painted = new Promise((resolve) => {
      window.addEventListener(
        'pointerup',
        ({ timeStamp: begun }) => {
          // Without a name: the loader would wrap a named function in a helper that the page has not.
          const look: (() => unknown)[] = [];
          look.push(() =>
            document.body.textContent.includes('did something')
              ? setTimeout(() => {
                  resolve(performance.now() - begun);
                }, 0)
              : requestAnimationFrame(() => look[0]?.()),
          );
          requestAnimationFrame(() => look[0]?.());
        },
        { once: true, capture: true },
      );
    });
  });
  await tap(page, 'Work and activity');
  return page.evaluate(() => (window as unknown as { painted: Promise<number> }).painted);
}

/** The page of a class's work on a phone, from the class's page, with a processor four times slower. */
export async function benchWorkInPage(address: string, sectionId: string): Promise<Record<string, number>> {
  const browser = await openBrowser();
  const page = await openPage(browser, 'phone');
  await page.goto(address);
  await type(page, 'Your name', teacher.name);
  await type(page, 'Passphrase', teacher.passphrase);
  await tap(page, 'Sign in');
  await says(page, 'People');
  await page.goto(`${address}/classes/${sectionId}`);
  await control(page, 'Work and activity');
  // What comes after the first picture is not what is measured.
  await settle(6000);
  await throttled(page);
  const took: number[] = [];
  for (let round = 0; round < rounds; round += 1) {
    took.push(await painted(page));
    await page.goBack();
    await says(page, 'Overview');
    await settle(1500);
  }
  await browser.close();
  const [first = Number.NaN, ...again] = took;
  return {
    'work of a class painted on a phone, first, ms (4x slower)': first,
    'the same again, p50 ms': median(again),
    'the same again, at most, ms': Math.max(...again),
  };
}
