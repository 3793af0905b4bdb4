import type { Browser, Page } from 'puppeteer-core';
import { openPage, says, tap } from './browser';

/** A link that stands nowhere but in its code: it is what is copied. */
export async function linkShown(browser: Browser, page: Page, address: string): Promise<string> {
  const permission = { permission: { name: 'clipboard-read' }, state: 'granted' } as const;
  await browser.defaultBrowserContext().setPermission(address, permission);
  await tap(page, 'Copy the link');
  await says(page, 'The link is on the clipboard.');
  return page.evaluate(() => navigator.clipboard.readText());
}

/** Somebody with an old phone on which no script runs. */
export async function openWithoutScripts(browser: Browser, link: string): Promise<Page> {
  const reader = await openPage(await browser.createBrowserContext(), 'phone');
  await reader.setJavaScriptEnabled(false);
  await reader.goto(link);
  return reader;
}
