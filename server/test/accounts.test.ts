import http from 'node:http';
import path from 'node:path';
import Database from 'better-sqlite3';
import { asTry, type Counted } from '../src/accounts/tries';
import { callerOf, signedIn, startServer, teacher, type Caller, type TestServer } from './server';

const { school: _school, ...known } = teacher;
const wrong = { ...known, passphrase: 'wrong words here' };
const chrome =
  'Mozilla/5.0 (Linux; Android 14; Pixel 8) AppleWebKit/537.36 (KHTML, like Gecko) Chrome/140.0.0.0 Mobile Safari/537.36';

let server: TestServer;
/** Behind one proxy, whose word is taken. */
let ines: Caller;
const stranger = () => callerOf(server.address);
const from = (address: string) => ({ 'x-forwarded-for': address });

beforeAll(async () => {
  server = await startServer({ env: { SLATE_PROXIES: '1', SLATE_HOSTS: 'slate.ternrock.example' } });
});
afterAll(() => server.stop());

const cookiesOf = (response: Response) =>
  response.headers.getSetCookie().map((cookie) => cookie.split(';')[0] ?? '');
const signIn = (body: object, headers: Record<string, string> = {}) =>
  stranger().call('POST', '/api/sign-in', body, headers);
const signedInAgain = async (passphrase = known.passphrase, headers = {}) => {
  const response = await signIn({ ...known, passphrase }, headers);
  expect(response.status).toBe(200);
  return callerOf(server.address, cookiesOf(response).join('; '));
};
async function json<T>(response: Promise<Response>): Promise<T> {
  return (await (await response).json()) as T;
}
interface Sessions {
  hasRecoveryCode: boolean;
  sessions: { id: string; device: string; isThis: boolean }[];
}
const sessions = (caller: Caller) => json<Sessions>(caller.call('GET', '/api/sessions'));

test('of several first starts at one moment one is the first, and nothing of the others is left', async () => {
  const answers = await Promise.all(
    ['Ines Halloran', 'Ines Halloran', 'Rui Adler'].map((name) =>
      stranger().call('POST', '/api/first-start', { ...teacher, name }),
    ),
  );
  expect(answers.map(({ status }) => status).sort()).toEqual([200, 409, 409]);
  const won = answers.find(({ ok }) => ok)!;
  ines = callerOf(server.address, cookiesOf(won).join('; '));
  const { standing } = await json<{ standing: unknown[] }>(ines.call('GET', '/api/setup'));
  expect(standing).toHaveLength(6);
  const { teacher: first } = await json<{ teacher: { name: string } }>(ines.call('GET', '/api/session'));
  // The rest of this file is about one of this name.
  const db = new Database(path.join(server.folder, 'slate-path.db'));
  db.prepare('UPDATE "teacher" SET "name" = ?').run(known.name);
  db.close();
  expect(['Ines Halloran', 'Rui Adler']).toContain(first.name);
});

describe('guessing is slowed, and nobody else is locked out by it', () => {
  test('ten wrong ones of one place; a device that was here before gets in', async () => {
    const tries: number[] = [];
    for (let i = 0; i < 11; i += 1) tries.push((await signIn(wrong, from('10.0.0.1'))).status);
    expect(tries).toEqual([...Array<number>(10).fill(401), 429]);
    expect((await signIn(known, from('10.0.0.1'))).status).toBe(429);
    const before = await ines.call('POST', '/api/sign-in', known, from('10.0.0.1'));
    expect(before.status).toBe(200);
    // And from elsewhere the same account is open.
    expect((await signIn(known, from('10.0.0.2'))).status).toBe(200);
  });
  test('right ones are not counted, nor what fails for another reason; from many places there is a limit too', async () => {
    const at = (place: number): Counted => ({
      accountHere: `${place} Ada`,
      account: 'Ada',
      address: String(place),
    });
    const right = () => Promise.resolve(true);
    const wrongOne = () => Promise.resolve(false);
    for (let i = 0; i < 200; i += 1) expect(await asTry(at(0), right)).toBe(true);
    const full = () => Promise.reject(new Error('the queue is full'));
    for (let i = 0; i < 40; i += 1) await expect(asTry(at(0), full)).rejects.toThrow('queue');
    for (let place = 0; place < 30; place += 1) expect(await asTry(at(place), wrongOne)).toBe(false);
    await expect(asTry(at(99), right)).rejects.toMatchObject({ status: 429 });
    expect(await asTry({ device: 'known' }, right)).toBe(true);
    // Many at one moment are counted before the first is answered.
    const slowly = () => new Promise<boolean>((resolve) => setTimeout(() => resolve(false), 50));
    const many = await Promise.allSettled(
      Array.from({ length: 25 }, () => asTry({ device: 'another' }, slowly)),
    );
    expect(many.filter(({ status }) => status === 'fulfilled')).toHaveLength(10);
  });
  test('many at once wait in a short row, the rest are told; others are served meanwhile', async () => {
    const many = Array.from({ length: 40 }, (_, i) =>
      signIn({ ...known, name: `Caller ${i}` }, from(`10.2.0.${i}`)),
    );
    let answered = false;
    const all = Promise.all(many).then((answers) => {
      answered = true;
      return answers.map(({ status }) => status);
    });
    expect((await stranger().call('GET', '/api/health')).status).toBe(200);
    expect(answered).toBe(false);
    const statuses = await all;
    expect(new Set(statuses)).toEqual(new Set([401, 503]));
    expect(statuses.filter((status) => status === 401)).toHaveLength(20);
  });
});

test('the devices are listed in words, and a lost one is signed out by itself', async () => {
  const phone = await signedInAgain(known.passphrase, { 'user-agent': chrome });
  const before = await sessions(phone);
  expect(before.sessions.find(({ isThis }) => isThis)?.device).toBe('Chrome on Android');
  const lost = before.sessions.find(({ isThis }) => isThis)!;
  expect((await ines.call('POST', `/api/sessions/${lost.id}/end`)).status).toBe(200);
  expect((await phone.call('GET', '/api/setup')).status).toBe(401);
  expect((await ines.call('POST', `/api/sessions/${lost.id}/end`)).status).toBe(404);
  await ines.call('POST', '/api/sessions/end-others');
  expect((await sessions(ines)).sessions).toHaveLength(1);
});

test('who was not seen for eight days has to sign in again', async () => {
  const idle = await signedInAgain();
  const setUsed = (days: number) => {
    const db = new Database(path.join(server.folder, 'slate-path.db'));
    const at = new Date(Date.now() - days * 86_400_000).toISOString();
    db.prepare('UPDATE "session" SET "usedAt" = ?').run(at);
    db.close();
  };
  setUsed(6);
  expect((await idle.call('GET', '/api/setup')).status).toBe(200);
  setUsed(8);
  expect((await idle.call('GET', '/api/setup')).status).toBe(401);
  ines = await signedInAgain();
});

test('the passphrase is changed by whoever knows it, and ends all other sessions', async () => {
  const other = await signedInAgain();
  const change = (current: string, passphrase: string) =>
    ines.call('POST', '/api/passphrase', { current, passphrase });
  expect(await json(change('not this one', 'lanterns over water'))).toMatchObject({
    status: 403,
    errors: [{ field: 'current' }],
  });
  expect((await change(known.passphrase, 'short')).status).toBe(400);
  expect((await change(known.passphrase, 'lanterns over water')).status).toBe(200);
  expect((await other.call('GET', '/api/setup')).status).toBe(401);
  expect((await ines.call('GET', '/api/setup')).status).toBe(200);
  expect((await signIn(known)).status).toBe(401);
  await signedInAgain('lanterns over water');
});

test('a recovery code sets a new passphrase once, however it is typed', async () => {
  const current = 'lanterns over water';
  expect((await ines.call('POST', '/api/recovery-code', { current: 'nonsense' })).status).toBe(403);
  const make = () => json<{ code: string }>(ines.call('POST', '/api/recovery-code', { current }));
  const void_ = await make();
  const { code } = await make();
  expect(code).toMatch(/^([A-Z2-9]{4}-){4}[A-Z2-9]{4}$/);
  expect((await sessions(ines)).hasRecoveryCode).toBe(true);
  const recover = (given: string, passphrase = 'rope and tar smell') =>
    stranger().call('POST', '/api/recover', { name: known.name, code: given, passphrase });
  expect((await recover(void_.code)).status).toBe(401);
  expect((await recover(code, 'short')).status).toBe(400);
  const typed = ` ${code.toLowerCase().replaceAll('-', ' ')} `;
  const both = await Promise.all([recover(typed), recover(typed)]);
  expect(both.filter(({ ok }) => ok)).toHaveLength(1);
  expect((await recover(code)).status).toBe(401);
  expect((await ines.call('GET', '/api/setup')).status).toBe(401);
  await signedInAgain('rope and tar smell');
});

test('behind a proxy that speaks HTTPS the cookie is for HTTPS alone', async () => {
  const body = { ...known, passphrase: 'rope and tar smell' };
  const secure = await signIn(body, { 'x-forwarded-proto': 'https' });
  for (const cookie of secure.headers.getSetCookie()) expect(cookie).toContain('; Secure');
  for (const cookie of (await signIn(body)).headers.getSetCookie()) expect(cookie).not.toContain('Secure');
});

test('without such a setting nobody chooses an address of their own', async () => {
  const plain = await startServer();
  await signedIn(plain.address);
  const tries: number[] = [];
  for (let i = 0; i < 11; i += 1)
    tries.push(
      (await callerOf(plain.address).call('POST', '/api/sign-in', wrong, from(`10.3.0.${i}`))).status,
    );
  expect(tries.at(-1)).toBe(429);
  await plain.stop();
});

test('it answers to its own names only', async () => {
  const { port } = new URL(server.address);
  const asked = (host: string) =>
    new Promise<number>((resolve, reject) => {
      http
        .get({ port, host: '127.0.0.1', path: '/api/health', headers: { host } }, (answer) => {
          answer.resume();
          resolve(answer.statusCode ?? 0);
        })
        .on('error', reject);
    });
  const names = [
    '127.0.0.1',
    'localhost:80',
    '[::1]:4180',
    'slate.ternrock.example',
    'SLATE.ternrock.example:443',
  ];
  for (const name of names) expect([name, await asked(name)]).toEqual([name, 200]);
  for (const name of ['evil.example', 'localhost.evil.example', '127.0.0.1.evil.example'])
    expect([name, await asked(name)]).toEqual([name, 421]);
});
