import path from 'node:path';
import type { Express } from 'express';
import expressStaticGzip from 'express-static-gzip';

/** Expo puts a hash of the content into these names, so they never change. */
const hashed = /\/(_expo|assets)\//;

/** Addresses of screens: no file has such a name. Ids may hold a dot, as those of the timetable's lessons do. */
const screens =
  /^\/(?!api\/|read\/|_expo\/|assets\/|fonts\/)(?:(?:lessons|students|classes|check-in)\/.+|[^.]*)$/;

/**
 * Serves the web build, compressed beforehand, and its one page for every address that is a screen.
 * @param folder of the build
 */
export function servePages(app: Express, folder: string): void {
  const options = {
    enableBrotli: true,
    orderPreference: ['br', 'gz'],
    serveStatic: {
      cacheControl: false,
      setHeaders: (response: { setHeader(name: string, value: string): void }, file: string) => {
        const forEver = hashed.test(file) || file.includes(`${path.sep}fonts${path.sep}`);
        response.setHeader('Cache-Control', forEver ? 'public, max-age=31536000, immutable' : 'no-cache');
      },
    },
  };
  app.use(expressStaticGzip(folder, options));
  app.get(screens, (_request, response) => {
    response.setHeader('Cache-Control', 'no-cache');
    response.sendFile(path.join(folder, 'index.html'));
  });
}
