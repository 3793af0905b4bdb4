import http from 'node:http';
import type { AddressInfo } from 'node:net';
import { localMoment } from '@slate-path/core/calendar/zone';
import { school } from '../scenario';
import type { DemoTerm } from '../term';
import { onlineDays } from './onlineDay';
import { courseOf, statementOf, type PlatformStatement } from './statements';

export interface PlatformOptions {
  term: DemoTerm;
  /** The first day of which it knows anything. */
  from: string;
  clock: () => number;
  port?: number;
  host?: string;
}

export interface Platform {
  /** Where its statements are asked for. */
  address: string;
  close(): Promise<void>;
}

/** Who may ask it. */
export const platformAccess = { userName: 'ternrock', password: 'harbour lights' };

const mostOnPage = 100;

/** Every statement from a day to another, in the order in which they were stored. */
function statementsBetween({ term, from }: PlatformOptions, to: string): PlatformStatement[] {
  const { students, life, startsOn } = term;
  return students
    .flatMap((student) =>
      student.classes.flatMap((className) =>
        onlineDays({ student, className, life, startsOn }, from, to).map((doing) =>
          statementOf(student, className, doing),
        ),
      ),
    )
    .sort((a, b) => (a.stored < b.stored ? -1 : a.stored > b.stored ? 1 : a.id < b.id ? -1 : 1));
}

function isWanted({ context, object }: PlatformStatement, activity: string | null): boolean {
  return (
    activity === null || [object, ...context.contextActivities.grouping].some(({ id }) => id === activity)
  );
}

/** Statements of a query, and where there are more (xAPI 1.0.3, part 3, 2.1.3). */
function answer(
  all: readonly PlatformStatement[],
  url: URL,
): { statements: PlatformStatement[]; more: string } {
  const { searchParams: query } = url;
  const moment = (name: string, otherwise: number) => {
    const at = Date.parse(query.get(name) ?? '');
    return Number.isNaN(at) ? otherwise : at;
  };
  const [since, until] = [moment('since', -Infinity), moment('until', Infinity)];
  const found = all.filter((one) => {
    const stored = Date.parse(one.stored);
    return stored > since && stored <= until && isWanted(one, query.get('activity'));
  });
  if (query.get('ascending') !== 'true') found.reverse();
  const limit = Math.min(Number(query.get('limit')) || mostOnPage, mostOnPage);
  const from = Number(query.get('from') ?? 0);
  const next = new URL(url);
  next.searchParams.set('from', String(from + limit));
  return {
    statements: found.slice(from, from + limit),
    more: from + limit < found.length ? next.pathname + next.search : '',
  };
}

/**
 * A small learning platform with the made-up students of the school: what they read, ask, answer and hand in can be
 * asked for as statements, as time goes on.
 */
export function startPlatform(options: PlatformOptions): Promise<Platform> {
  const { clock, port = 0, host = '127.0.0.1' } = options;
  const wanted = `Basic ${Buffer.from(`${platformAccess.userName}:${platformAccess.password}`).toString('base64')}`;
  let known = { to: '', all: [] as PlatformStatement[] };
  const storedUpTo = (now: number) => {
    const to = localMoment(now, school.zone).date;
    if (known.to !== to) known = { to, all: statementsBetween(options, to) };
    return known.all.filter(({ stored }) => Date.parse(stored) <= now);
  };
  const server = http.createServer(({ url: path = '/', method, headers }, response) => {
    const url = new URL(path, 'http://platform');
    const say = (status: number, body: unknown) => {
      response.writeHead(status, {
        'Content-Type': 'application/json',
        'X-Experience-API-Version': '1.0.3',
        'X-Experience-API-Consistent-Through': new Date(clock()).toISOString(),
      });
      response.end(JSON.stringify(body));
    };
    if (method !== 'GET' || url.pathname !== '/xapi/statements')
      say(404, { error: 'There is nothing here.' });
    else if (headers.authorization !== wanted) say(401, { error: 'User name and password are wrong.' });
    else if (!/^1\.0/.test(String(headers['x-experience-api-version'])))
      say(400, { error: 'X-Experience-API-Version is missing or not 1.0.' });
    else say(200, answer(storedUpTo(clock()), url));
  });
  return new Promise((resolve, reject) => {
    server.once('error', reject);
    server.listen(port, host, () => {
      const { port: taken } = server.address() as AddressInfo;
      resolve({
        address: `http://${host}:${taken}/xapi`,
        close: () =>
          new Promise((closed) => {
            server.closeAllConnections();
            server.close(() => {
              closed();
            });
          }),
      });
    });
  });
}

/** What a class's feed is set to. */
export const feedOfClass = (className: string, address: string) => ({
  name: 'Log book of the school',
  address,
  ...platformAccess,
  course: courseOf(className),
});
