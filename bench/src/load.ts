import { spawn } from 'node:child_process';
import fs from 'node:fs';
import http from 'node:http';
import { ulid } from 'ulid';
import { makeClassroom } from '@slate-path/e2e/src/classroom';
import { RestartableServer } from '@slate-path/e2e/src/server';
import { median, percentile } from './percentile';

const devices = 30;
const listeners = 200;
const reads = 1000;
const askEveryMs = 100;

type Classroom = Awaited<ReturnType<typeof makeClassroom>>;

/** One request. @returns its status, when all of the answer is there */
function ask(address: string, agent: http.Agent, cookie: string, body?: string): Promise<number> {
  return new Promise((resolve, reject) => {
    const headers = { cookie, 'content-type': 'application/json' };
    const request = http.request(address, { method: body ? 'POST' : 'GET', agent, headers }, (response) => {
      response.resume();
      response.on('end', () => {
        resolve(response.statusCode ?? 0);
      });
    });
    request.on('error', reject);
    request.end(body);
  });
}

/** A device that taps as fast as it is answered. @returns how many changes were acknowledged */
async function device(address: string, room: Classroom, name: string, until: number): Promise<number> {
  const agent = new http.Agent({ keepAlive: true, maxSockets: 1 });
  const lesson = {
    id: 'load',
    sectionId: room.sectionId,
    date: '2026-11-23',
    startsAt: '10:40',
    endsAt: '11:30',
  };
  let count = 0;
  for (; Date.now() < until; count += 1) {
    const mark = { studentId: room.studentIds[count % 36], standingId: null, arrivedAt: null, leftAt: null };
    const madeAt = new Date().toISOString();
    const change = {
      id: ulid(),
      kind: 'roll.mark',
      payload: { lesson, marks: [mark] },
      madeAt,
      device: name,
    };
    const status = await ask(
      `${address}/api/changes`,
      agent,
      room.client.cookie,
      JSON.stringify({ changes: [change] }),
    );
    if (status !== 200) throw new Error(`A change was answered ${status}.`);
  }
  agent.destroy();
  return count;
}

/** Open pages that hear of every change. @returns a function that closes them and tells how much they heard */
async function listen(address: string, cookie: string): Promise<() => number> {
  let heard = 0;
  const requests = await Promise.all(
    Array.from(
      { length: listeners },
      () =>
        new Promise<http.ClientRequest>((resolve, reject) => {
          const request = http.get(
            `${address}/api/events`,
            { headers: { cookie }, agent: false },
            (answer) => {
              answer.on('data', () => (heard += 1));
              answer.on('error', () => undefined);
              resolve(request);
            },
          );
          request.on('error', reject);
        }),
    ),
  );
  return () => {
    for (const request of requests) request.destroy();
    return heard;
  };
}

/** How long health waits meanwhile, asked by a process of its own. */
function healthTimes(address: string, seconds: number): Promise<number[]> {
  const program = `
    const times = [];
    const until = Date.now() + ${seconds * 1000};
    const ask = async () => {
      const begun = performance.now();
      await (await fetch('${address}/api/health')).text();
      times.push(performance.now() - begun);
      if (Date.now() < until) setTimeout(ask, ${askEveryMs});
      else console.log(JSON.stringify(times));
    };
    ask();`;
  const child = spawn('node', ['-e', program], { stdio: ['ignore', 'pipe', 'inherit'] });
  let said = '';
  child.stdout.on('data', (bytes: Buffer) => (said += bytes.toString()));
  return new Promise((resolve) =>
    child.once('close', () => {
      resolve(JSON.parse(said) as number[]);
    }),
  );
}

/**
 * 30 devices that tap as fast as they are answered and 200 open pages; then 1,000 reads at once.
 * @param seconds of the first part: five minutes, unless SLATE_LOAD_SECONDS says another
 */
export async function benchLoad(): Promise<Record<string, number>> {
  const seconds = Number(process.env['SLATE_LOAD_SECONDS'] ?? 300);
  const server = await RestartableServer.create();
  await server.start();
  const { address, folder } = server;
  const room = await makeClassroom(address, 36);
  const quiet = await healthTimes(address, 5);
  const closeListeners = await listen(address, room.client.cookie);
  const health = healthTimes(address, seconds);
  const until = Date.now() + seconds * 1000;
  const counts = await Promise.all(
    Array.from({ length: devices }, (_, index) => device(address, room, `device ${index}`, until)),
  );
  const busy = await health;
  const heard = closeListeners();
  const changes = counts.reduce((sum, count) => sum + count, 0);
  const agent = new http.Agent({ maxSockets: reads });
  const begun = performance.now();
  const statuses = await Promise.all(
    Array.from({ length: reads }, () => ask(`${address}/api/days/2026-11-23`, agent, room.client.cookie)),
  );
  const readsTook = performance.now() - begun;
  await server.end('SIGTERM');
  fs.rmSync(folder, { recursive: true });
  return {
    'changes a second': changes / seconds,
    'changes acknowledged': changes,
    'health, nothing else, p50 ms': median(quiet),
    'health under load, p50 ms': median(busy),
    'health under load, p95 ms': percentile(busy, 0.95),
    'heard by a listener, of each change': heard / listeners / changes,
    '1,000 reads at once, ms': readsTook,
    'reads that failed': statuses.filter((status) => status !== 200).length,
  };
}
