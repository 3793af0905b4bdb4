import { fork } from 'node:child_process';
import fs from 'node:fs';
import http from 'node:http';
import type { AddressInfo } from 'node:net';
import path from 'node:path';
import { fileURLToPath } from 'node:url';
import Database from 'better-sqlite3';
import { ulid } from 'ulid';
import type { ChangeAnswer } from '@slate-path/core/changes/schema';
import { makeClassroom } from '@slate-path/e2e/src/classroom';
import { RestartableServer } from '@slate-path/e2e/src/server';
import { median, percentile } from './percentile';

const warmUp = 500;
const times = 1000;

/** Milliseconds of each of some runs, after as many as it takes the engine to compile what it runs. */
async function timed(work: (index: number) => unknown): Promise<number[]> {
  const took: number[] = [];
  for (let index = 0; index < warmUp + times; index += 1) {
    const begun = performance.now();
    await work(index);
    if (index >= warmUp) took.push(performance.now() - begun);
  }
  return took;
}

/** Insert-and-commit of a line as long as a change's, on the same disk, as safe. */
async function bareInserts(folder: string): Promise<number[]> {
  const database = new Database(path.join(folder, 'bare.db'));
  database.pragma('journal_mode = WAL');
  database.pragma('synchronous = FULL');
  database.exec('CREATE TABLE line (id TEXT PRIMARY KEY, body TEXT NOT NULL)');
  const insert = database.prepare('INSERT INTO line VALUES (?, ?)');
  const took = await timed((index) => insert.run(ulid(), `${index}${'x'.repeat(900)}`));
  database.close();
  return took;
}

const agent = new http.Agent({ keepAlive: true, maxSockets: 1 });

/** One request after another on one connection, with as little of a client as there can be. */
function post(address: string, cookie: string, body: string): Promise<string> {
  return new Promise((resolve, reject) => {
    const headers = { cookie, 'content-type': 'application/json', 'content-length': Buffer.byteLength(body) };
    const request = http.request(address, { method: 'POST', agent, headers }, (response) => {
      let text = '';
      response.setEncoding('utf8');
      response.on('data', (part: string) => (text += part));
      response.on('end', () => {
        resolve(text);
      });
    });
    request.on('error', reject);
    request.end(body);
  });
}

/** What the same insert takes where a request brings it: with it, less without it. */
async function bareInsertsOverHttp(folder: string, body: string): Promise<number> {
  const child = fork(fileURLToPath(new URL('./bareServer.ts', import.meta.url)), [folder]);
  const { port } = await new Promise<AddressInfo>((resolve) => child.once('message', resolve as never));
  const address = `http://127.0.0.1:${port}`;
  const inserts = await timed(() => post(`${address}/insert`, '', body));
  const nothing = await timed(() => post(`${address}/nothing`, '', body));
  child.kill();
  return median(inserts) - median(nothing);
}

/**
 * A change acknowledged over HTTP, one at a time, beside the bare insert-and-commit; and beside the
 * same request answered by a server that only reads it, for what two processes take to speak at all.
 */
export async function benchDurable(): Promise<Record<string, number>> {
  const server = await RestartableServer.create();
  await server.start();
  const room = await makeClassroom(server.address, 36);
  const lesson = {
    id: 'bench',
    sectionId: room.sectionId,
    date: '2026-11-23',
    startsAt: '10:40',
    endsAt: '11:30',
  };
  const away = room.standings.find(({ code }) => code === 'A')?.id ?? null;
  const bodyOf = (index: number) => {
    const standingId = index % 2 ? away : null;
    const mark = { studentId: room.studentIds[index % 36], standingId, arrivedAt: null, leftAt: null };
    const payload = { lesson, marks: [mark] };
    const madeAt = new Date().toISOString();
    return JSON.stringify({
      changes: [{ id: ulid(), kind: 'roll.mark', payload, madeAt, device: 'bench' }],
    });
  };
  const took = await timed(async (index) => {
    const answer = await post(`${server.address}/api/changes`, room.client.cookie, bodyOf(index));
    const { answers } = JSON.parse(answer) as { answers: ChangeAnswer[] };
    if (answers[0]?.outcome !== 'applied') throw new Error('The change was not applied');
  });
  const nothing = await timed((index) =>
    post(`${server.address}/api/changes`, room.client.cookie, `{"changes":[{"id":"${index}"}]}`),
  );
  const bare = await bareInserts(server.folder);
  const bareOverHttp = await bareInsertsOverHttp(server.folder, bodyOf(0));
  await server.end('SIGTERM');
  fs.rmSync(server.folder, { recursive: true });
  const writing = median(took) - median(nothing);
  return {
    'change p50 ms, over HTTP': median(took),
    'change p95 ms, over HTTP': percentile(took, 0.95),
    'a refused change p50 ms (nothing written)': median(nothing),
    'bare insert p50 ms': median(bare),
    'change p50 / bare p50': median(took) / median(bare),
    '(change - refused) p50 / bare p50': writing / median(bare),
    'bare insert over HTTP, beyond a bare request, p50 ms': bareOverHttp,
    '(change - refused) / (bare insert - bare request)': writing / bareOverHttp,
  };
}
