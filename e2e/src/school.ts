import type { Browser, Page } from 'puppeteer-core';
import { openBrowser, openPage, says, tap, type, type sizes } from './browser';
import { makeClassroom, teacher, type Classroom } from './classroom';
import { RestartableServer } from './server';

/** A server with one class, and its teacher signed in at a browser. */
export interface OpenSchool {
  server: RestartableServer;
  browser: Browser;
  page: Page;
  room: Classroom;
}

/** The teacher signs in on a page. */
export async function signIn(page: Page, address: string): Promise<void> {
  await page.goto(address);
  await type(page, 'Your name', teacher.name);
  await type(page, 'Passphrase', teacher.passphrase);
  await tap(page, 'Sign in');
  await says(page, 'Boat Workshop');
}

/** @param now from which the clock runs, so that what is changed is later than what the school began with */
export async function openSchool(
  now: string,
  students: number,
  size: keyof typeof sizes,
): Promise<OpenSchool> {
  const server = await RestartableServer.create();
  await server.start(now, 'runs');
  const room = await makeClassroom(server.address, students);
  const browser = await openBrowser();
  const page = await openPage(browser, size);
  await signIn(page, server.address);
  return { server, browser, page, room };
}

export async function closeSchool({
  server,
  browser,
}: Pick<OpenSchool, 'server' | 'browser'>): Promise<void> {
  await browser.close();
  await server.end('SIGTERM');
}
