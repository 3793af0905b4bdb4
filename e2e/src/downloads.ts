import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import type { Browser } from 'puppeteer-core';

/** Where files that a page saves go. @returns the next file that comes, once it is whole */
export async function catchDownloads(browser: Browser): Promise<() => Promise<string>> {
  const folder = fs.mkdtempSync(path.join(os.tmpdir(), 'saved-'));
  const session = await browser.target().createCDPSession();
  await session.send('Browser.setDownloadBehavior', { behavior: 'allow', downloadPath: folder });
  const known = new Set<string>();
  return async () => {
    for (let tries = 0; tries < 600; tries += 1) {
      const fresh = fs
        .readdirSync(folder)
        .find((name) => !known.has(name) && !/^\.|\.crdownload$/.test(name));
      if (fresh !== undefined) {
        known.add(fresh);
        return path.join(folder, fresh);
      }
      await new Promise((resolve) => setTimeout(resolve, 100));
    }
    throw new Error('No file was saved.');
  };
}
