import type { Express, Request, RequestHandler, Response } from 'express';
import type { z } from 'zod';
import { callerOf } from '../accounts/sessions';
import { selectOwner } from '../database/rowSql';
import type { Services } from '../services';
import { bodyReader, BytesInHand } from './bodies';
import { fieldErrors, Problem } from './problem';
import type { Route } from './route';

function read<S extends z.ZodType>(schema: S | undefined, value: unknown, what: string): z.output<S> {
  if (!schema) return undefined as z.output<S>;
  const parsed = schema.safeParse(value);
  if (parsed.success) return parsed.data;
  const errors = fieldErrors(parsed.error);
  const first = errors[0];
  const detail = `The ${what} cannot be taken: ${first?.field ?? ''} ${first?.message ?? ''}. Nothing was saved.`;
  throw new Problem(400, 'Not well formed', detail, errors);
}

/** Answers with the teacher's id, or an empty one where anyone may call; else it is a problem. */
function authorise({ allow }: Route, services: Services, request: Request): string {
  if (allow === 'anyone') return '';
  const teacherId = callerOf(services, request);
  if (!teacherId) throw new Problem(401, 'Not signed in', 'Sign in; what you did here is kept until then.');
  if (allow === 'teacher') return teacherId;
  const id = String(request.params[allow.param]);
  if (selectOwner(services.database.lookUp, allow.ownerOf, id) !== teacherId)
    throw new Problem(404, 'Not found', 'There is no such thing among your classes.');
  return teacherId;
}

/** The ETag of a view: it is as new as the teacher's last change, or the last one of its kinds. */
function etagOf(
  { database, clock }: Services,
  teacherId: string,
  cached: NonNullable<Route['cached']>,
): string {
  // The change's own id: after a backup was restored another change may have the same number.
  const lastOf = (where: string, ...values: unknown[]) =>
    database.lookUp.get<{ id: string }>(
      `SELECT "id" FROM "change" WHERE "teacherId" = ?${where} ORDER BY "seq" DESC LIMIT 1`,
      teacherId,
      ...values,
    )?.id ?? '0';
  const day = new Date(clock()).toISOString().slice(0, 10);
  // What a day shows may be other tomorrow, though nobody wrote anything.
  if (cached === 'per-teacher') return `W/"${lastOf('')}-${day}"`;
  const places = cached.kinds.map(() => '?').join(', ');
  return `W/"${lastOf(` AND "kind" IN (${places})`, ...cached.kinds)}-${day}"`;
}

/** Who calls, and whether they may: asked before anything of the body is read. */
function authority(route: Route, services: Services): RequestHandler {
  return (request, response, next) => {
    response.locals['teacherId'] = authorise(route, services, request);
    next();
  };
}

function handlerOf(route: Route, services: Services): RequestHandler {
  return async (request: Request, response: Response) => {
    const teacherId = response.locals['teacherId'] as string;
    const call = {
      params: read(route.params, request.params, 'address'),
      query: read(route.query, request.query, 'address'),
      body: read(route.body, request.body, 'body'),
      teacherId,
      services,
      request,
      response,
    };
    response.setHeader('Cache-Control', 'private, no-cache');
    response.setHeader('Slate-Now', new Date(services.clock()).toISOString());
    if (route.cached) {
      const etag = etagOf(services, teacherId, route.cached);
      response.setHeader('ETag', etag);
      if (request.headers['if-none-match'] === etag) {
        response.status(304).end();
        return;
      }
    }
    const answer = await route.handle(call);
    if (route.streams) return;
    if (answer instanceof Uint8Array) response.send(Buffer.from(answer));
    else if (route.answersWith) response.type(route.answersWith[0] ?? 'json').send(answer);
    else response.json(answer);
  };
}

/** A page of another site must not write here in a teacher's name, whatever cookies do. */
const sameOrigin: RequestHandler = (request, _response, next) => {
  const { origin, host } = request.headers;
  // "null" is what a page without an origin of its own sends: it is from elsewhere too.
  if (origin && (!URL.canParse(origin) || new URL(origin).host !== host))
    throw new Problem(403, 'Another origin', 'This was asked by a page from elsewhere, so it was not done.');
  next();
};

/** Puts every route of the table on the application: authority, room for the body, its shape, then the work. */
export function mountRoutes(app: Express, routes: readonly Route[], services: Services): void {
  const inHand = new BytesInHand();
  for (const route of routes) {
    const path = route.path.replace(/\{(\w+)\}/g, ':$1');
    app[route.method](
      path,
      ...(route.method === 'post' ? [sameOrigin] : []),
      authority(route, services),
      ...bodyReader(route, inHand),
      handlerOf(route, services),
    );
  }
}
