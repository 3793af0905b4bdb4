import compression from 'compression';
import express, { type Express, type RequestHandler } from 'express';
import helmet from 'helmet';
import type { Services } from '../services';
import type { Reach } from '../settings';
import { ownHosts } from './hosts';
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

/** Of what a browser could do for a page nothing is asked: no camera, no place, no microphone. */
const permissionsPolicy = [
  'camera',
  'geolocation',
  'microphone',
  'payment',
  'usb',
  'bluetooth',
  'serial',
  'midi',
]
  .map((feature) => `${feature}=()`)
  .join(', ');

const withPermissionsPolicy: RequestHandler = (_request, response, next) => {
  response.setHeader('Permissions-Policy', permissionsPolicy);
  next();
};

/**
 * The Express application.
 * @param pages folder of the web build; null serves the API alone
 */
export function createApp(services: Services, pages: string | null, { hosts, proxies }: Reach): Express {
  const app = express();
  app.disable('x-powered-by');
  app.set('etag', false);
  app.set('trust proxy', proxies);
  app.use(helmet({ contentSecurityPolicy, strictTransportSecurity: false }));
  app.use(withPermissionsPolicy, ownHosts(hosts));
  // Views are long; what answers a change is short, and is waited for.
  app.get(/^\/(?:api|read)\//, compression());
  mountRoutes(app, routes, services);
  if (pages) servePages(app, pages);
  app.use((request) => {
    throw new Problem(404, 'Not found', `There is nothing at ${request.path}.`);
  });
  app.use(answerProblems);
  return app;
}
