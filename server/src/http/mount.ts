import type { Express, Request, RequestHandler, Response } from 'express';
import type { z } from 'zod';
import { callerOf } from '../accounts/sessions';
import { createHash } from 'node:crypto';
import { reads, writes } from '@slate-path/core/scopes/rights';
import type { Member } from '../database/scopeEntities';
import type { OpenDatabase } from '../database/open';
import { selectScope } from '../database/rowSql';
import { changesWithDays, dayAtSchool, memberOf, renewAccess, roleIn } from '../scopes/access';
import { accessKinds, lastNews } from '../scopes/news';
import type { Services } from '../services';
import { bodyReader, BytesInHand } from './bodies';
import { fieldErrors, Problem } from './problem';
import type { RecordAllow, Route } from './route';

function read<S extends z.ZodType>(schema: S | undefined, value: unknown, what: string): z.output<S> {
  if (!schema) return undefined as z.output<S>;
  const parsed = schema.safeParse(value);
  if (parsed.success) return parsed.data;
  const errors = fieldErrors(parsed.error);
  const first = errors[0];
  const detail = `The ${what} cannot be taken: ${first?.field ?? ''} ${first?.message ?? ''}. Nothing was saved.`;
  throw new Problem(400, 'Not well formed', detail, errors);
}

/** A member, with what they may see worked out for today: a cover's days begin and end by themselves. */
async function memberToday({ database, clock }: Services, personId: string): Promise<Member> {
  const member = memberOf(database.lookUp, personId);
  if (!member || member.until !== null)
    throw new Problem(401, 'Not signed in', 'This account belongs to no school here any more.');
  const today = dayAtSchool(database.lookUp, personId, clock());
  if (member.accessOn !== today && changesWithDays(database.lookUp, personId))
    await database.write((sql) => {
      renewAccess(sql, personId, today);
    });
  return member;
}

/** @returns whether somebody may do to the record that is named what is allowed */
function mayDo(
  { lookUp }: OpenDatabase,
  { table, does, as }: RecordAllow,
  id: string,
  member: Member,
): boolean {
  const scopeId = selectScope(lookUp, table, id);
  const role = scopeId === undefined ? null : roleIn(lookUp, member.personId, scopeId);
  if (does === 'writes') return writes(role, as);
  return reads(role, as) && (does === 'reads' || member.isKeeper);
}

/** Answers with who calls, or with nobody where anyone may call; else it is a problem. */
async function authorise({ allow }: Route, services: Services, request: Request): Promise<string> {
  if (allow === 'anyone') return '';
  const teacherId = callerOf(services, request);
  if (!teacherId) throw new Problem(401, 'Not signed in', 'Sign in; what you did here is kept until then.');
  const member = await memberToday(services, teacherId);
  if (allow === 'member') return teacherId;
  if (allow === 'keeper') {
    if (!member.isKeeper)
      throw new Problem(
        403,
        'For the keeper',
        'Only the keeper of the school does this. Nothing was changed.',
      );
    return teacherId;
  }
  if (!mayDo(services.database, allow, String(request.params[allow.param]), member))
    throw new Problem(404, 'Not found', 'There is no such thing among your classes.');
  return teacherId;
}

/**
 * The ETag of a view: it is as new as the last change, or the last one of its kinds, of whoever asks, and of the
 * colleagues who change what they see.
 */
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
  const kinds = cached === 'per-teacher' ? null : [...cached.kinds, ...accessKinds];
  const news = lastNews(database.lookUp, teacherId, kinds);
  const told = news === '' ? '' : `-${createHash('sha256').update(news).digest('base64url').slice(0, 16)}`;
  if (!kinds) return `W/"${lastOf('')}-${day}${told}"`;
  const places = kinds.map(() => '?').join(', ');
  return `W/"${lastOf(` AND "kind" IN (${places})`, ...kinds)}-${day}${told}"`;
}

/** Who calls, and whether they may: asked before anything of the body is read. */
function authority(route: Route, services: Services): RequestHandler {
  return async (request, response, next) => {
    response.locals['teacherId'] = await authorise(route, services, request);
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

/** What is sent in words is short and waited for: files that are being taken in let it go first. */
function hurries({ method, body }: Route, { database }: Services): RequestHandler[] {
  if (method !== 'post' || !body) return [];
  return [
    (_request, response, next) => {
      response.once('close', database.hurried.come());
      next();
    },
  ];
}

/** Puts every route of the table on the application: authority, room for the body, its shape, then the work. */
export function mountRoutes(app: Express, routes: readonly Route[], services: Services): void {
  const inHand = new BytesInHand();
  for (const route of routes) {
    const path = route.path.replace(/\{(\w+)\}/g, ':$1');
    app[route.method](
      path,
      ...(route.method === 'post' ? [sameOrigin] : []),
      authority(route, services),
      ...hurries(route, services),
      ...bodyReader(route, inHand),
      handlerOf(route, services),
    );
  }
}
