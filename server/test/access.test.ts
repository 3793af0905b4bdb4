import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { callerOf, signedIn, startServer, teacher, tryServer, type Caller, type TestServer } from './server';

let server: TestServer;
let ines: Caller;

interface OpenApi {
  paths: Record<string, Record<string, { security: unknown[]; parameters: { name: string; in: string }[] }>>;
}

beforeAll(async () => {
  server = await startServer();
  ines = await signedIn(server.address);
});
afterAll(() => server.stop());

describe('who may do what', () => {
  /** The table: every route, and what a stranger, a forged cookie and the teacher get. 404: not among one's own. */
  const table: Record<string, [stranger: number, forged: number, teacher: number]> = {
    'get /api/health': [200, 200, 200],
    'get /api/openapi.json': [200, 200, 200],
    'get /api/session': [200, 200, 200],
    'post /api/first-start': [400, 400, 400],
    'post /api/sign-in': [400, 400, 400],
    'post /api/recover': [400, 400, 400],
    'get /api/sessions': [401, 401, 200],
    'post /api/sessions/{sessionId}/end': [401, 401, 404],
    'post /api/sessions/end-others': [401, 401, 200],
    'post /api/passphrase': [401, 401, 400],
    'post /api/recovery-code': [401, 401, 400],
    'post /api/demo-sign-in': [404, 404, 404],
    'post /api/sign-out': [200, 200, 200],
    'post /api/changes': [401, 401, 400],
    'get /api/setup': [401, 401, 200],
    'get /api/sync': [401, 401, 200],
    'get /api/days/{date}': [401, 401, 200],
    'get /api/sections/{sectionId}/months/{month}': [401, 401, 404],
    'get /api/students/{studentId}/path': [401, 401, 404],
    'get /api/lessons/{lessonId}/history': [401, 401, 404],
    'post /api/sections/{sectionId}/at-school': [401, 401, 404],
    'get /api/watch': [401, 401, 200],
    'get /api/sections/{sectionId}/glance': [401, 401, 404],
    'get /api/sections/{sectionId}/work': [401, 401, 404],
    'get /api/sections/{sectionId}/work-file': [401, 401, 404],
    'post /api/sections/{sectionId}/work-reading': [401, 401, 404],
    'post /api/sections/{sectionId}/activity': [401, 401, 404],
    'get /api/sections/{sectionId}/feeds': [401, 401, 404],
    'post /api/sections/{sectionId}/feeds': [401, 401, 404],
    'post /api/sections/{sectionId}/feeds/{feedId}/end': [401, 401, 404],
    'post /api/sections/{sectionId}/feeds/{feedId}/ask': [401, 401, 404],
    'get /api/sections/{sectionId}/students/{studentId}/days/{date}': [401, 401, 404],
    'post /api/sections/{sectionId}/watch-preview': [401, 401, 404],
    'get /api/colleagues': [401, 401, 200],
    'post /api/invitations': [401, 401, 400],
    'post /api/invitations/{invitationId}/end': [401, 401, 404],
    'get /api/invitations/{token}/open': [404, 404, 404],
    'post /api/invitations/{token}/accept': [400, 400, 400],
    'post /api/sections/{sectionId}/teachings': [401, 401, 400],
    'post /api/teachings/{teachingId}/end': [401, 401, 404],
    'post /api/members/{personId}': [401, 401, 400],
    'post /api/members/{personId}/end': [401, 401, 400],
    'get /api/path-grants': [401, 401, 200],
    'get /api/students/{studentId}/path-grants': [401, 401, 404],
    'post /api/students/{studentId}/path-grants': [401, 401, 404],
    'post /api/path-grants/{grantId}/end': [401, 401, 404],
    'get /api/reader-pages': [401, 401, 200],
    'post /api/reader-pages': [401, 401, 400],
    'post /api/reader-pages/preview': [401, 401, 400],
    'post /api/reader-pages/{pageId}/end': [401, 401, 404],
    'get /api/students/{studentId}/reader-pages': [401, 401, 404],
    'post /api/students/{studentId}/reader-pages/end': [401, 401, 404],
    'post /api/reader-pages/paper': [401, 401, 400],
    'post /api/reports': [401, 401, 400],
    'get /api/workbook': [401, 401, 400],
    'get /api/sections/{sectionId}/own-view': [401, 401, 404],
    'post /api/sections/{sectionId}/own-view': [401, 401, 404],
    'post /api/sections/{sectionId}/own-view/preview': [401, 401, 404],
    'post /api/sections/{sectionId}/cards': [401, 401, 404],
    'post /api/students/{studentId}/card': [401, 401, 404],
    'post /api/students/{studentId}/card/end': [401, 401, 404],
    'get /mine/{token}': [404, 404, 404],
    'post /mine/{token}': [404, 404, 404],
    'get /read/{token}': [404, 404, 404],
    'post /read/{token}': [404, 404, 404],
    'get /api/students/{studentId}/granted-path': [401, 401, 404],
    'get /api/archive': [401, 401, 200],
    'post /api/archive-reading': [401, 401, 422],
    'post /api/archive': [401, 401, 422],
    'get /api/archive-progress': [401, 401, 200],
    'get /api/backups': [401, 401, 200],
    'post /api/backups': [401, 401, 200],
    'get /api/backups/{name}': [401, 401, 422],
    'post /api/backups/{name}/return': [401, 401, 422],
    'get /api/standings/use': [401, 401, 200],
    'get /api/outbox': [401, 401, 200],
    'get /api/letters/{letterId}/eml': [401, 401, 404],
    'get /api/notices/{noticeId}/letters': [401, 401, 404],
    'post /api/letters/{letterId}/again': [401, 401, 400],
    'get /api/mail': [401, 401, 200],
    'post /api/mail': [401, 401, 400],
    'post /api/mail/end': [401, 401, 200],
    'post /api/mail/test': [401, 401, 400],
    'get /api/lessons': [401, 401, 400],
    'get /api/totals': [401, 401, 400],
    'get /api/sections/{sectionId}/roll': [401, 401, 404],
    'get /api/sections/{sectionId}/counts': [401, 401, 404],
    'get /api/sections/{sectionId}/counts-file': [401, 401, 404],
    'get /api/sections/{sectionId}/sweeps': [401, 401, 404],
    'get /api/sections/{sectionId}/played': [401, 401, 404],
    'get /api/sections/{sectionId}/observations': [401, 401, 404],
    'get /api/sections/{sectionId}/nods': [401, 401, 404],
    'get /api/school/nods': [401, 401, 400],
    'get /api/school/nodded-students': [401, 401, 400],
    'get /api/sections/{sectionId}/ticks-file': [401, 401, 404],
    'get /api/tick-columns/{columnId}/receipts': [401, 401, 404],
    'post /api/clipboard-pages': [401, 401, 400],
    'get /api/sections/{sectionId}/circles': [401, 401, 404],
    'get /api/circles/{circleId}/file': [401, 401, 404],
    'get /api/notes': [401, 401, 200],
    'get /api/notes/recent': [401, 401, 200],
    'get /api/notes/{noteId}': [401, 401, 404],
    'get /api/topics/counts': [401, 401, 400],
    'get /api/topics/speaking': [401, 401, 200],
    'get /api/topics/suggested': [401, 401, 200],
    'get /api/follow-ups/calendar': [401, 401, 200],
    'get /api/students/{studentId}/notes-file': [401, 401, 404],
    'get /api/students/{studentId}/erasure': [401, 401, 404],
    'post /api/students/{studentId}/erasure': [401, 401, 404],
    'post /api/sections/{sectionId}/roster-reading': [401, 401, 404],
    'post /api/sections/{sectionId}/participants-reading': [401, 401, 404],
    'post /api/sections/{sectionId}/check-in-links': [401, 401, 404],
    'post /api/sections/{sectionId}/check-in-links/end': [401, 401, 404],
    'get /api/check-in/{token}': [404, 404, 404],
    'post /api/check-in/{token}': [400, 400, 400],
    'get /api/events': [401, 401, 200],
    'post /api/days-off-reading': [401, 401, 422],
  };

  test('every route is in the table, and every kind of caller gets what it says', async () => {
    const document = (await (await ines.call('GET', '/api/openapi.json')).json()) as OpenApi;
    const routes = Object.entries(document.paths).flatMap(([route, methods]) =>
      Object.keys(methods).map((method) => [method, route] as const),
    );
    expect(routes.map(([method, route]) => `${method} ${route}`).sort()).toEqual(Object.keys(table).sort());
    const found: Record<string, number[]> = {};
    for (const [method, route] of routes) {
      if (route === '/api/sign-out') continue;
      const address = route
        .replace('{date}', '2026-11-23')
        .replace('{month}', '2026-11')
        .replace(/\{\w+\}/g, 'nobody');
      const callers = [callerOf(server.address), callerOf(server.address, 'slate_session=forged'), ines];
      const body = method === 'post' ? {} : undefined;
      found[`${method} ${route}`] = [];
      for (const caller of callers)
        found[`${method} ${route}`]!.push((await caller.call(method.toUpperCase(), address, body)).status);
    }
    const { 'post /api/sign-out': _out, ...expected } = table;
    expect(found).toEqual(expected);
  });

  test('problems are problem documents with a field for each error', async () => {
    const response = await ines.call('GET', '/api/days/tomorrow');
    expect(response.headers.get('content-type')).toContain('application/problem+json');
    expect(await response.json()).toMatchObject({
      status: 400,
      title: 'Not well formed',
      errors: [{ field: 'date', message: 'A date looks like 2026-11-23' }],
    });
    const broken = await ines.call('POST', '/api/changes', '{"changes":');
    expect([broken.status, ((await broken.json()) as { title: string }).title]).toEqual([
      400,
      'Not readable',
    ]);
    const nowhere = await ines.call('GET', '/api/nowhere');
    expect(nowhere.status).toBe(404);
  });

  test('the documentation says of a file what it is, and has the version of every package', async () => {
    const document = (await (await ines.call('GET', '/api/openapi.json')).json()) as OpenApi & {
      info: { version: string };
    };
    const roll = document.paths['/api/sections/{sectionId}/roll']?.['get'] as unknown as {
      operationId: string;
      responses: Record<string, { content: object }>;
    };
    expect(roll.operationId).toBe('rollFile');
    expect(Object.keys(roll.responses['200']?.content ?? {})).toEqual([
      'text/csv',
      'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet',
      'text/html',
      'application/pdf',
    ]);
    const root = path.join(__dirname, '../..');
    const places = ['.', 'app', 'bench', 'cli', 'core', 'demo', 'e2e', 'server'];
    const versions = places.map((place) => {
      const file = path.join(root, place, 'package.json');
      return (JSON.parse(fs.readFileSync(file, 'utf8')) as { version: string }).version;
    });
    const [, latest] = /^## (\S+)/m.exec(fs.readFileSync(path.join(root, 'CHANGELOG.md'), 'utf8')) ?? [];
    expect(new Set([...versions, document.info.version])).toEqual(new Set([latest]));
  });

  test.each([
    '/api/notes?to=9999-12-31',
    '/api/notes?from=0001-01-01',
    '/api/topics/counts?since=9999-12-31',
    '/api/days/9999-12-31',
    '/api/totals?from=9999-12-30&to=9999-12-31',
    '/api/lessons?from=9999-12-30&to=9999-12-31',
  ])('%s: days that nobody can reckon with are told as such', async (address) => {
    const answer = await ines.call('GET', address);
    expect(await answer.json()).toMatchObject({
      status: 400,
      errors: expect.arrayContaining([expect.objectContaining({ message: 'A day from 1900 to 2199' })]),
    });
  });

  test('answers carry the guards of the browser', async () => {
    const { headers } = await ines.call('GET', '/api/health');
    expect(headers.get('content-security-policy')).toContain("default-src 'none'");
    expect(headers.get('content-security-policy')).not.toMatch(/https?:/);
    expect(headers.get('x-content-type-options')).toBe('nosniff');
    expect(headers.get('permissions-policy')).toContain('camera=()');
    const signIn = await callerOf(server.address).call('POST', '/api/sign-in', {
      name: teacher.name,
      passphrase: teacher.passphrase,
    });
    expect(signIn.headers.getSetCookie()[0]).toMatch(/HttpOnly; SameSite=Strict/);
  });

  test('too much at once gets a sentence', async () => {
    const large = await ines.call('POST', '/api/changes', { changes: ['x'.repeat(2_100_000)] });
    expect(large.status).toBe(413);
    const many = await ines.call('POST', '/api/changes', {
      changes: Array.from({ length: 501 }, () => ({})),
    });
    expect(await many.json()).toMatchObject({
      status: 400,
      errors: [{ message: 'At most 500 changes at once' }],
    });
  });
});

test('the first start is closed once there is a teacher; signing in is slowed after ten tries', async () => {
  const stranger = callerOf(server.address);
  expect((await stranger.call('POST', '/api/first-start', teacher)).status).toBe(409);
  const statuses: number[] = [];
  for (let i = 0; i < 11; i += 1)
    statuses.push(
      (await stranger.call('POST', '/api/sign-in', { name: teacher.name, passphrase: 'wrong words here' }))
        .status,
    );
  expect(statuses).toEqual([...Array<number>(10).fill(401), 429]);
});

describe('what cannot be started says one clear line and touches nothing', () => {
  const folderWith = (bytes: Buffer) => {
    const folder = fs.mkdtempSync(path.join(os.tmpdir(), 'slate-'));
    fs.writeFileSync(path.join(folder, 'slate-path.db'), bytes);
    return folder;
  };
  const foreign = Buffer.concat([Buffer.from('SQLite format 3\0'), Buffer.alloc(4080)]);
  test.each([
    ['a text file', Buffer.from('dear diary, '.repeat(100)), /is not a database/],
    ['the database of another program', foreign, /of another program/],
  ])('%s', async (_what, bytes, sentence) => {
    const folder = folderWith(bytes);
    const started = await tryServer({ folder });
    expect(started).toMatchObject({ code: 1, said: expect.stringMatching(sentence) });
    expect(fs.readFileSync(path.join(folder, 'slate-path.db')).equals(bytes)).toBe(true);
    expect(fs.readdirSync(folder)).toEqual(['slate-path.db']);
  });
  test('a damaged database of our own', async () => {
    const whole = await startServer();
    await signedIn(whole.address);
    await whole.stop();
    const file = path.join(whole.folder, 'slate-path.db');
    const bytes = fs.readFileSync(file);
    bytes.fill(0xa5, 8192, 8192 + 20_000);
    fs.writeFileSync(file, bytes);
    expect(await tryServer({ folder: whole.folder })).toMatchObject({
      code: 1,
      said: expect.stringMatching(/is damaged/),
    });
    expect(fs.readFileSync(file).equals(bytes)).toBe(true);
  });
  test('a port in use', async () => {
    const port = Number(new URL(server.address).port);
    expect(await tryServer({ port })).toMatchObject({
      code: 1,
      said: expect.stringMatching(/^Port \d+ is in use/),
    });
  });
  test('a data folder that cannot be written', async () => {
    const file = path.join(fs.mkdtempSync(path.join(os.tmpdir(), 'slate-')), 'file');
    fs.writeFileSync(file, '');
    expect(await tryServer({ folder: path.join(file, 'data') })).toMatchObject({
      code: 1,
      said: expect.stringMatching(/cannot be written/),
    });
  });
});
