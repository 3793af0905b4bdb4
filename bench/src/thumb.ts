import type { Page } from 'puppeteer-core';
import { control } from '@slate-path/e2e/src/browser';
import { closeSchool, openSchool } from '@slate-path/e2e/src/school';
import { median, percentile } from './percentile';

interface Target {
  x: number;
  y: number;
  /** The smaller side: what the thumb must not miss. */
  size: number;
}

/**
 * Bits a second of a thumb that aims on glass. A finger has 5.5 (Sasangohar, MacKenzie and Scott 2009, HFES 53);
 * a thumb of the hand that holds the phone is taken to be a third slower.
 */
const bitsPerSecond = 3.7;
/** To look at a chair and recall whose it is: the mental act of the keystroke-level model (Card, Moran and Newell 1980). */
const thinkSeconds = 1.35;
const exceptions = 3;
const draws = 500;

/** From one target to the next: Fitts's law in Shannon's form (MacKenzie 1992), in seconds. */
function moveSeconds(from: Target, to: Target): number {
  const distance = Math.hypot(to.x - from.x, to.y - from.y);
  return Math.log2(distance / to.size + 1) / bitsPerSecond;
}

const targetsOf = (page: Page, selector: string): Promise<Target[]> =>
  page.$$eval(selector, (all) =>
    all.map((node) => {
      const { left, top, width, height } = node.getBoundingClientRect();
      return { x: left + width / 2, y: top + height / 2, size: Math.min(width, height) };
    }),
  );

/** The same numbers at each run, from 0 to 1: the minimal standard generator of Park and Miller (1988). */
function lots(seed: number): () => number {
  let state = seed;
  return () => {
    state = (state * 16_807) % 2_147_483_647;
    return state / 2_147_483_647;
  };
}

/** How long a roll of 30 with three exceptions takes one thumb: a model over where things stand on the screen. */
export async function benchThumb(): Promise<Record<string, number>> {
  const { server, browser, page } = await openSchool('2026-11-23T10:42:00Z', 30, 'phone');
  await control(page, 'Pupil30');
  const tiles = await targetsOf(page, '[data-testid=student-row]');
  // The thumb begins where it rests: over the middle of the places at the foot.
  const rest: Target = { x: 195, y: 800, size: 44 };
  const next = lots(20_261_130);
  const seconds = Array.from({ length: draws }, () => {
    let at = rest;
    let sum = 0;
    for (let tap = 0; tap < exceptions; tap += 1) {
      const to = tiles[Math.floor(next() * tiles.length)] ?? rest;
      sum += thinkSeconds + moveSeconds(at, to);
      at = to;
    }
    return sum;
  });
  await closeSchool({ server, browser });
  return {
    'thumb model: roll of 30, 3 exceptions, seconds, median': median(seconds),
    'thumb model: roll of 30, 3 exceptions, seconds, p95': percentile(seconds, 0.95),
  };
}
