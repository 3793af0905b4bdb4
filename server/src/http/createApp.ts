import compression from 'compression';
import express, { type Express } from 'express';
import helmet from 'helmet';
import type { Services } from '../services';
import { mountRoutes } from './mount';
import { servePages } from './pages';
import { answerProblems, Problem } from './problem';
import { routes } from './routes';

/** Nothing from elsewhere, no inline script; styles of the component library are set from scripts. */
const contentSecurityPolicy = {
  useDefaults: false,
  directives: {
    defaultSrc: ["'none'"],
    scriptSrc: ["'self'"],
    styleSrc: ["'self'", "'unsafe-inline'"],
    fontSrc: ["'self'"],
    imgSrc: ["'self'", 'data:'],
    connectSrc: ["'self'"],
    workerSrc: ["'self'"],
    manifestSrc: ["'self'"],
    baseUri: ["'none'"],
    formAction: ["'self'"],
    frameAncestors: ["'none'"],
  },
};

/**
 * The Express application.
 * @param pages folder of the web build; null serves the API alone
 */
export function createApp(services: Services, pages: string | null): Express {
  const app = express();
  app.disable('x-powered-by');
  app.set('etag', false);
  app.use(helmet({ contentSecurityPolicy, strictTransportSecurity: false }));
  // Views are long; what answers a change is short, and is waited for.
  app.get(/^\/api\//, compression());
  mountRoutes(app, routes, services);
  if (pages) servePages(app, pages);
  app.use((request) => {
    throw new Problem(404, 'Not found', `There is nothing at ${request.path}.`);
  });
  app.use(answerProblems);
  return app;
}
