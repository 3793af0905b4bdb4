import { spawn, type ChildProcess } from 'node:child_process';
import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { monotonicFactory } from 'ulid';

const root = path.join(__dirname, '..', '..');

/** A server of one's own, as a process, on a data folder of its own. */
export interface TestServer {
  address: string;
  folder: string;
  process: ChildProcess;
  stop(signal?: NodeJS.Signals): Promise<number | null>;
}

/** Starts a server and waits for its address. @returns the server, or what it said when it gave up */
export async function tryServer(
  options: {
    folder?: string;
    port?: number;
    now?: string;
    runs?: boolean;
    pages?: boolean;
    env?: Record<string, string>;
  } = {},
): Promise<TestServer | { code: number | null; said: string }> {
  const folder = options.folder ?? fs.mkdtempSync(path.join(os.tmpdir(), 'slate-'));
  const child = spawn('node', ['--import', 'tsx', 'server/src/main.ts'], {
    cwd: root,
    env: {
      ...process.env,
      SLATE_DATA: folder,
      PORT: String(options.port ?? 0),
      ...(options.now ? { SLATE_NOW: options.now, SLATE_NOW_RUNS: options.runs ? 'yes' : 'no' } : {}),
      ...(options.pages ? {} : { SLATE_API_ONLY: '1' }),
      ...options.env,
    },
  });
  let said = '';
  child.stderr.on('data', (bytes: Buffer) => (said += bytes.toString()));
  return new Promise((resolve) => {
    child.once('exit', (code) => resolve({ code, said }));
    child.stdout.on('data', (bytes: Buffer) => {
      const address = /http:\S+/.exec(bytes.toString())?.[0];
      if (!address) return;
      child.removeAllListeners('exit');
      resolve({ address, folder, process: child, stop: (signal = 'SIGTERM') => stop(child, signal) });
    });
  });
}

export async function startServer(options: Parameters<typeof tryServer>[0] = {}): Promise<TestServer> {
  const started = await tryServer(options);
  if ('said' in started) throw new Error(started.said);
  return started;
}

function stop(child: ChildProcess, signal: NodeJS.Signals): Promise<number | null> {
  if (child.exitCode !== null || child.signalCode !== null) return Promise.resolve(child.exitCode);
  return new Promise((resolve) => {
    child.once('exit', (code) => resolve(code));
    child.kill(signal);
  });
}

export const teacher = {
  name: 'Ines Halloran',
  passphrase: 'harbour bell rings',
  school: { name: 'Tern Rock', zone: 'Europe/Dublin' },
};

const nextId = monotonicFactory();

/** A change as a device would make it, before any test’s own time. */
export function change(kind: string, payload: unknown) {
  return { id: nextId(), kind, payload, madeAt: '2026-08-01T00:00:00.000Z', device: 'setup' };
}

export interface Caller {
  cookie: string;
  call(method: string, path: string, body?: unknown, headers?: Record<string, string>): Promise<Response>;
}

/** Bytes and text as they are, anything else as JSON. */
function bodyOf(body: unknown): RequestInit['body'] {
  if (body === undefined || typeof body === 'string') return body;
  return ArrayBuffer.isView(body) ? (body as RequestInit['body']) : JSON.stringify(body);
}

export function callerOf(address: string, cookie = ''): Caller {
  return {
    cookie,
    call: (method, route, body, headers = {}) =>
      fetch(address + route, {
        method,
        headers: { ...(cookie ? { cookie } : {}), 'content-type': 'application/json', ...headers },
        body: bodyOf(body),
      }),
  };
}

/** Makes the first teacher, or signs one in. */
export async function signedIn(address: string, route = '/api/first-start'): Promise<Caller> {
  const { school: _school, ...known } = teacher;
  const response = await callerOf(address).call('POST', route, route === '/api/sign-in' ? known : teacher);
  if (!response.ok) throw new Error(await response.text());
  return callerOf(address, response.headers.getSetCookie()[0]!.split(';')[0]);
}
