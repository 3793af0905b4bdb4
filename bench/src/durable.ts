import fs from 'node:fs';
import path from 'node:path';
import Database from 'better-sqlite3';
import { ulid } from 'ulid';
import { makeClassroom, send } from '@slate-path/e2e/src/classroom';
import { RestartableServer } from '@slate-path/e2e/src/server';
import { median, percentile } from './percentile';

const times = 300;

/** Milliseconds of each insert-and-commit of a line as long as a change's, on the same disk, as safe. */
function bareInserts(folder: string): number[] {
  const database = new Database(path.join(folder, 'bare.db'));
  database.pragma('journal_mode = WAL');
  database.pragma('synchronous = FULL');
  database.exec('CREATE TABLE line (id TEXT PRIMARY KEY, body TEXT NOT NULL)');
  const insert = database.prepare('INSERT INTO line VALUES (?, ?)');
  const took = Array.from({ length: times }, (_, index) => {
    const begun = performance.now();
    insert.run(ulid(), `${index}${'x'.repeat(900)}`);
    return performance.now() - begun;
  });
  database.close();
  return took;
}

/** A change acknowledged over HTTP, one at a time, beside the bare insert-and-commit. */
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
  const took: number[] = [];
  for (let index = 0; index < times + 30; index += 1) {
    const mark = {
      studentId: room.studentIds[index % 36],
      standingId: index % 2 ? away : null,
      arrivedAt: null,
      leftAt: null,
    };
    const change = {
      id: ulid(),
      kind: 'roll.mark',
      payload: { lesson, marks: [mark] },
      madeAt: new Date().toISOString(),
      device: 'bench',
    };
    const begun = performance.now();
    const [answer] = await send(room.client, [change]);
    if (answer?.outcome !== 'applied') throw new Error('The change was not applied');
    // The first ones warm up the server.
    if (index >= 30) took.push(performance.now() - begun);
  }
  const bare = bareInserts(server.folder);
  await server.end('SIGTERM');
  fs.rmSync(server.folder, { recursive: true });
  return {
    'change p50 ms': median(took),
    'change p95 ms': percentile(took, 0.95),
    'bare insert p50 ms': median(bare),
    'change p50 / bare p50': median(took) / median(bare),
  };
}
