import { makeClassroom } from '@slate-path/e2e/src/classroom';
import { openBrowser, openPage, says, tap } from '@slate-path/e2e/src/browser';
import { signIn } from '@slate-path/e2e/src/school';
import { RestartableServer } from '@slate-path/e2e/src/server';
import { percentile } from './percentile';

const taps = 60;
const betweenMs = 400;

/** From a tap on a side on a phone to its points on the big screen of another machine, in milliseconds. */
export async function benchBigScreen(): Promise<Record<string, number>> {
  const server = await RestartableServer.create();
  await server.start('2026-11-23T10:42:00Z', 'runs');
  await makeClassroom(server.address, 24);
  const browser = await openBrowser();
  // Each in a browser of its own: a page that is not in front hears nothing.
  const other = await openBrowser();
  const phone = await openPage(browser, 'phone');
  const screen = await openPage(other, 'wide');
  for (const page of [phone, screen]) await signIn(page, server.address);
  await phone.goto(`${server.address}/?mode=sides`);
  await says(phone, 'students who are here');
  await tap(phone, 'Start the game');
  await screen.goto(`${server.address}/screen`);
  await says(screen, 'Nobody has points yet.');
  const delays: number[] = [];
  for (let points = 1; points <= taps; points += 1) {
    const shown = screen.waitForFunction(
      `document.querySelector('[data-testid=big-side]')?.getAttribute('aria-label')?.startsWith('Star: ${points}') ? Date.now() : 0`,
      { polling: 'mutation', timeout: 20_000 },
    );
    const tapped = await phone.evaluate(
      `(() => { const at = Date.now(); document.querySelector('[data-testid=side-tile]').click(); return at; })()`,
    );
    delays.push(Number(await (await shown).jsonValue()) - Number(tapped));
    await new Promise((resolve) => setTimeout(resolve, betweenMs));
  }
  await Promise.all([browser.close(), other.close()]);
  await server.end('SIGTERM');
  return {
    'tap on the phone to big screen, p50 (ms)': percentile(delays, 0.5),
    'tap on the phone to big screen, p95 (ms)': percentile(delays, 0.95),
    'tap on the phone to big screen, slowest (ms)': Math.max(...delays),
  };
}
