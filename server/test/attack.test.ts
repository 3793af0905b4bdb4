import http from 'node:http';
import { gzipSync } from 'node:zlib';
import { BytesInHand } from '../src/http/bodies';
import { callerOf, signedIn, startServer, type Caller, type TestServer } from './server';

let server: TestServer;
let ines: Caller;

beforeAll(async () => {
  server = await startServer();
  ines = await signedIn(server.address);
});
afterAll(() => server.stop());

/** A post of which only the head is sent. @returns the status of an answer that comes all the same, or null */
function headOnly(route: string, headers: Record<string, string>): Promise<number | null> {
  return new Promise((resolve) => {
    const request = http.request(server.address + route, { method: 'POST', headers }, ({ statusCode }) => {
      resolve(statusCode ?? null);
      request.destroy();
    });
    request.on('error', () => {
      resolve(null);
    });
    request.flushHeaders();
    setTimeout(() => {
      resolve(null);
      request.destroy();
    }, 1500);
  });
}

describe('bodies', () => {
  test.each(['/api/changes', '/api/archive', '/api/archive-reading', '/api/days-off-reading'])(
    'of a stranger nothing is read before the answer: %s',
    async (route) => {
      expect(await headOnly(route, { 'content-length': '1000' })).toBe(401);
      expect(await headOnly(route, { 'transfer-encoding': 'chunked' })).toBe(401);
    },
  );

  test('who has not signed in sends little', async () => {
    const stranger = callerOf(server.address);
    for (const route of ['/api/sign-in', '/api/first-start', '/api/check-in/nobody'])
      expect((await stranger.call('POST', route, { name: 'x'.repeat(20_000) })).status).toBe(413);
  });

  test('nothing is unpacked', async () => {
    const packed = gzipSync(JSON.stringify({ changes: ['x'.repeat(1_000_000)] }));
    for (const encoding of ['gzip', 'deflate', 'br', 'none of these'])
      expect((await ines.call('POST', '/api/changes', packed, { 'content-encoding': encoding })).status).toBe(
        415,
      );
    const charset = { 'content-type': 'application/json; charset=klingon' };
    expect((await ines.call('POST', '/api/changes', '{}', charset)).status).toBe(415);
  });

  test('unfinished uploads hold room only so far; what is given up makes room', async () => {
    const headers = { cookie: ines.cookie, 'content-length': '100000000' };
    const first = http.request(`${server.address}/api/archive-reading`, { method: 'POST', headers });
    first.on('error', () => undefined);
    first.flushHeaders();
    await new Promise((resolve) => setTimeout(resolve, 200));
    expect(await headOnly('/api/archive-reading', headers)).toBe(503);
    // Small things go on.
    expect((await ines.call('POST', '/api/changes', { changes: [] })).status).toBe(400);
    first.destroy();
    await new Promise((resolve) => setTimeout(resolve, 200));
    expect(await headOnly('/api/archive-reading', headers)).toBeNull();
  });

  test('the room is counted in all and for each address', () => {
    const inHand = new BytesInHand(100, 60);
    expect([inHand.take('a', 60), inHand.take('a', 1), inHand.take('b', 41), inHand.take('b', 40)]).toEqual([
      ...[true, false, false, true],
    ]);
    inHand.give('a', 60);
    expect([inHand.take('c', 60), inHand.take('a', 1)]).toEqual([true, false]);
  });
});

test.each(['null', 'nonsense', 'http://elsewhere.example'])('a page from %s cannot write', async (origin) => {
  expect((await ines.call('POST', '/api/changes', { changes: [] }, { origin })).status).toBe(403);
});
