import path from 'node:path';
import Database from 'better-sqlite3';
import { ulid } from 'ulid';
import { change, makeClassroom, send } from '@slate-path/e2e/src/classroom';
import { RestartableServer } from '@slate-path/e2e/src/server';
import { percentile } from './percentile';

const lines = 175_000;
const ofStudent = 20;

/** A log as long as that of many terms: copies of two taps, every twentieth about the student who goes. */
function lengthen(folder: string): void {
  const database = new Database(path.join(folder, 'slate-path.db'));
  const [others, own] = ['others', 'own'].map((device) =>
    database.prepare('SELECT * FROM "change" WHERE "device" = ?').get(device),
  ) as [Record<string, unknown>, Record<string, unknown>];
  const insert = database.prepare(
    'INSERT INTO "change" ("id", "teacherId", "kind", "about", "device", "madeAt", "receivedAt", "payload", "edits") VALUES (@id, @teacherId, @kind, @about, @device, @madeAt, @receivedAt, @payload, @edits)',
  );
  database.transaction(() => {
    for (let n = 0; n < lines; n += 1) insert.run({ ...(n % ofStudent === 0 ? own : others), id: ulid() });
  })();
  database.close();
}

/** Erasing a student from a log of 175,000 changes: the preview, all of it, and what a tap waits meanwhile. */
export async function benchErasing(): Promise<Record<string, number>> {
  const server = await RestartableServer.create();
  await server.start('2026-11-23T10:44:00Z', 'runs');
  const room = await makeClassroom(server.address, 30);
  const { client, sectionId, studentIds } = room;
  const [gone = '', ...rest] = studentIds;
  const lesson = { id: 'erasing', sectionId, date: '2026-11-23', startsAt: '10:40', endsAt: '11:30' };
  const marks = (ids: readonly string[]) => ({
    lesson,
    marks: ids.map((studentId) => ({ studentId, standingId: null, arrivedAt: null, leftAt: null })),
  });
  await send(client, [
    { ...change('roll.mark', marks(rest.slice(0, 1))), device: 'others' },
    { ...change('roll.comment', { lesson, studentId: gone, comment: 'Pupil01 helped' }), device: 'own' },
  ]);
  await server.end('SIGTERM');
  lengthen(server.folder);
  await server.start('2026-11-23T10:44:00Z', 'runs');
  const timed = async (work: () => Promise<unknown>) => {
    const begun = performance.now();
    await work();
    return performance.now() - begun;
  };
  const address = `/api/students/${gone}/erasure`;
  const taps: number[] = [];
  const state = { isOn: true };
  const tapping = (async () => {
    while (state.isOn) {
      taps.push(await timed(() => send(client, [change('roll.mark', marks(rest.slice(0, 1)))])));
      await new Promise((resolve) => setTimeout(resolve, 100));
    }
  })();
  const preview = await timed(() => client.get<unknown>(address));
  const tapsOfPreview = taps.splice(0);
  let found: { lines: number; unfinished: boolean } | null = null;
  const erasing = await timed(async () => {
    found = await client.postJson(address, { name: 'Pupil01 Abara' });
  });
  state.isOn = false;
  await tapping;
  await server.end('SIGTERM');
  server.remove();
  return {
    'changes in the log': lines,
    'lines that erasing cleaned': (found as { lines: number } | null)?.lines ?? 0,
    'preview of an erasure, s': preview / 1000,
    'a tap during the preview, p95 ms': percentile(tapsOfPreview, 0.95),
    'erasing, s': erasing / 1000,
    'a tap during the erasing, p95 ms': percentile(taps, 0.95),
    'a tap during the erasing, longest ms': Math.max(...taps),
  };
}
