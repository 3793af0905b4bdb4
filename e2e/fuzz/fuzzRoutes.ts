import fc from 'fast-check';
import { changeKinds } from '@slate-path/core/changes/schema';
import { routes } from '@slate-path/server/http/routes';
import type { Route } from '@slate-path/server/http/route';
import { makeClassroom } from '../src/classroom';
import { RestartableServer } from '../src/server';
import { megabytesOf, processorMs, type Finding, type Findings } from './findings';
import { hostileFile, hostileText } from './inputs';

const slowMs = 1000;
/** Leaving would end the session with which the rest is asked. */
const left = new Set(['/api/sign-out']);

interface Sent {
  route: Route;
  path: string;
  body: Uint8Array | null;
  signedIn: boolean;
}

/** Ids and days that are there, and what is none. */
function wordsFor(ids: readonly string[]) {
  return fc.oneof(
    fc.constantFrom(...ids, '2026-11-23', '2026-11', 'true', '0', '-1', '9999-12-31', '../../etc/passwd'),
    hostileText(3000),
  );
}

/** Changes of every kind, whole or not. */
function changes(ids: readonly string[]) {
  const word = wordsFor(ids);
  const value = fc.oneof(
    { weight: 3, arbitrary: word },
    { weight: 1, arbitrary: fc.jsonValue({ maxDepth: 3 }) },
  );
  const field = fc.constantFrom(
    ...'id sectionId studentId lesson lessonId date startsAt endsAt text at students topics name marks ids kind about levels records noteId takenAt'.split(
      ' ',
    ),
  );
  const payload = fc.oneof(
    fc.dictionary(field, value, { maxKeys: 8 }),
    fc.record({
      id: fc.uuid(),
      text: hostileText(20_000),
      at: fc.constant('2026-11-23T10:41:00.000Z'),
      sectionId: word,
      lessonId: fc.constant(null),
      students: fc.constant([]),
      topics: fc.constant([]),
      followUp: fc.constant(null),
      own: fc.boolean(),
    }),
  );
  const change = fc.record({
    id: fc.oneof(fc.uuid(), word),
    kind: fc.constantFrom(...Object.keys(changeKinds), 'undo', 'none of these'),
    payload,
    madeAt: fc.oneof(fc.constant('2026-11-23T10:41:00.000Z'), word),
    device: fc.oneof(fc.constant('fuzz'), word),
  });
  return fc.record({ changes: fc.array(change, { maxLength: 4 }) });
}

function requests(ids: readonly string[], files: string): fc.Arbitrary<Sent> {
  const word = wordsFor(ids);
  const json = (arbitrary: fc.Arbitrary<unknown>) =>
    arbitrary.map((value) => Buffer.from(JSON.stringify(value)));
  const anyBody = fc.oneof(json(fc.jsonValue({ maxDepth: 4 })), hostileFile(files, 100_000));
  const asked = routes.filter(({ path }) => !left.has(path));
  return fc.constantFrom(...asked).chain((route) => {
    const names = [...route.path.matchAll(/\{(\w+)\}/g)].map(([, name = '']) => name);
    const query = Object.keys((route.query as { shape?: object } | undefined)?.shape ?? {});
    const body =
      route.path === '/api/changes'
        ? fc.oneof(json(changes(ids)), anyBody)
        : route.fileUpTo
          ? hostileFile(files, 100_000)
          : anyBody;
    return fc.record({
      route: fc.constant(route),
      path: fc
        .tuple(fc.tuple(...names.map(() => word)), fc.tuple(...query.map(() => fc.option(word))))
        .map(([params, values]) => {
          const path = names.reduce(
            (all, name, index) => all.replace(`{${name}}`, encode(params[index] ?? '')),
            route.path,
          );
          const given = query.flatMap((name, index) =>
            typeof values[index] === 'string' ? [`${name}=${encode(values[index])}`] : [],
          );
          return given.length > 0 ? `${path}?${given.join('&')}` : path;
        }),
      body: route.method === 'post' ? body : fc.constant(null),
      signedIn: fc.constantFrom(true, true, true, false),
    });
  });
}

/** Half of a surrogate pair has no place in an address. */
const encode = (word: string) => encodeURIComponent(word.toWellFormed());

/** @returns the status; 0 where there was no answer */
async function ask(address: string, cookie: string, { route, path, body, signedIn }: Sent): Promise<number> {
  const ending = new AbortController();
  try {
    const answer = await fetch(address + path, {
      method: route.method.toUpperCase(),
      headers: { ...(signedIn ? { cookie } : {}), 'content-type': 'application/json' },
      body: body === null ? null : Buffer.from(body),
      signal: ending.signal,
    });
    // A stream has no end.
    if (!route.streams) await answer.arrayBuffer();
    return answer.status;
  } catch {
    return 0;
  } finally {
    ending.abort();
  }
}

/** Waits until a process has nothing in hand, as a list that is looked at again after a change. */
async function untilIdle(pid: number): Promise<void> {
  for (let tries = 0, before = -1; tries < 50 && processorMs(pid) !== before; tries += 1) {
    before = processorMs(pid);
    await new Promise((resolve) => setTimeout(resolve, 200));
  }
}

/** Asks a running server anything, signed in or not. It must go on, and never meet an error of its own. */
export async function fuzzRoutes(count: number, seed: number, files: string): Promise<Findings> {
  const server = await RestartableServer.create();
  await server.start('2026-11-23T10:44:00Z', 'runs');
  const room = await makeClassroom(server.address, 12);
  const { pid } = server;
  const arbitrary = requests([room.sectionId, ...room.studentIds.slice(0, 3)], files);
  const found: Finding[] = [];
  let slowest = { ms: 0, what: '' };
  let peakMegabytes = 0;
  for (let from = 0; from < count; from += 200)
    for (const sent of fc.sample(arbitrary, { seed: seed + from, numRuns: Math.min(200, count - from) })) {
      const timed = async () => {
        const begun = processorMs(pid);
        const status = await ask(server.address, room.client.cookie, sent);
        return { status, ms: processorMs(pid) - begun };
      };
      const first = await timed();
      const { status } = first;
      let { ms } = first;
      // What the server does meanwhile by itself is counted as well: a second time it is alone.
      if (ms > slowMs) {
        await untilIdle(pid);
        ms = Math.min(ms, (await timed()).ms);
      }
      const shown = `${sent.route.method} ${sent.path.slice(0, 120)} ${Buffer.from(sent.body ?? '')
        .toString('latin1')
        .slice(0, 200)}`;
      // Too long an address is refused before anything of ours sees it.
      if (status === 0 && megabytesOf(pid) === 0) found.push({ kind: 'ended', what: shown });
      if (status === 500) found.push({ kind: 'threw', what: shown });
      if (ms > slowMs) found.push({ kind: 'slow', what: `${shown}: ${ms} ms` });
      if (ms > slowest.ms) slowest = { ms, what: shown };
      peakMegabytes = Math.max(peakMegabytes, megabytesOf(pid));
      if (megabytesOf(pid) === 0) break;
    }
  await server.end('SIGTERM');
  server.remove();
  return { inputs: count, found, slowest, peakMegabytes };
}
