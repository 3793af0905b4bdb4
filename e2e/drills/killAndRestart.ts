import path from 'node:path';
import Database from 'better-sqlite3';
import { ulid } from 'ulid';
import type { ChangeAnswer } from '@slate-path/core/changes/schema';
import { makeClassroom, type Classroom } from '../src/classroom';
import { RestartableServer } from '../src/server';

/** What a drill found: how much was tried, and what must all be 0. */
export interface DrillResult {
  rounds: number;
  acknowledged: number;
  /** Acknowledged, but not in the log afterwards. */
  lost: number;
  /** More than once in the log, or in the records. */
  doubled: number;
  /** In the log without the record it makes, or the other way round. */
  half: number;
}

/** Three changes: marks in one lesson, a class to count by, and a comment. */
function nextBatch({ sectionId, studentIds, standings }: Classroom): { id: string }[] {
  const lesson = { id: 'drill', sectionId, date: '2026-11-23', startsAt: '10:40', endsAt: '11:30' };
  const envelope = () => ({ id: ulid(), madeAt: new Date().toISOString(), device: 'drill' });
  const away = { standingId: standings[3]?.id ?? null, arrivedAt: null, leftAt: null };
  const counted = envelope();
  const changes = [
    {
      ...envelope(),
      kind: 'roll.mark',
      payload: { lesson, marks: studentIds.map((studentId) => ({ studentId, ...away })) },
    },
    {
      ...counted,
      kind: 'section.set',
      payload: { id: `drill-${counted.id}`, name: counted.id, subject: '', room: '' },
    },
    {
      ...envelope(),
      kind: 'roll.comment',
      payload: { lesson, studentId: studentIds[0], comment: counted.id },
    },
  ];
  return changes;
}

/** Sends batches one after another, as the application does: what was cut off is sent again first. */
class Writer {
  readonly acknowledged = new Set<string>();
  private pending: { id: string }[] = [];

  constructor(private readonly room: Classroom) {}

  /** Writes until told to stop, or until the server is gone. */
  async write(goOn: () => boolean): Promise<void> {
    while (goOn() || this.pending.length > 0) {
      if (this.pending.length === 0) this.pending = nextBatch(this.room);
      try {
        const body = { changes: this.pending };
        const { answers } = await this.room.client.postJson<{ answers: ChangeAnswer[] }>(
          '/api/changes',
          body,
        );
        for (const { id, outcome } of answers) if (outcome === 'applied') this.acknowledged.add(id);
        this.pending = [];
      } catch {
        return;
      }
    }
  }
}

function inspect(
  folder: string,
  acknowledged: ReadonlySet<string>,
): Omit<DrillResult, 'rounds' | 'acknowledged'> {
  const database = new Database(path.join(folder, 'slate-path.db'), { readonly: true });
  const column = (sql: string) => database.prepare(sql).pluck().all() as string[];
  const logged = column('SELECT id FROM change');
  const made = column(`SELECT id FROM change WHERE kind = 'section.set' AND device = 'drill'`);
  const there = column(`SELECT name FROM section WHERE id LIKE 'drill-%'`);
  database.close();
  const [inLog, inRecords] = [new Set(logged), new Set(there)];
  return {
    lost: [...acknowledged].filter((id) => !inLog.has(id)).length,
    doubled: logged.length - inLog.size + there.length - inRecords.size,
    half: made.filter((id) => !inRecords.has(id)).length + there.filter((id) => !made.includes(id)).length,
  };
}

/**
 * Writes without a pause while the server is killed (SIGKILL) at a moment of chance and started
 * again, round after round; then compares what it acknowledged with what its database holds.
 * @param random 0 to 1, decides when each round's kill comes
 */
export async function killAndRestart(rounds: number, random: () => number): Promise<DrillResult> {
  const server = await RestartableServer.create();
  await server.start();
  const writer = new Writer(await makeClassroom(server.address, 5));
  for (let round = 0; round < rounds; round += 1) {
    const until = Date.now() + 20 + random() * 180;
    const writing = writer.write(() => Date.now() < until + 1000);
    await new Promise((resolve) => setTimeout(resolve, until - Date.now()));
    await server.end('SIGKILL');
    await writing;
    await server.start();
  }
  await writer.write(() => false);
  await server.end('SIGTERM');
  const { acknowledged } = writer;
  return { rounds, acknowledged: acknowledged.size, ...inspect(server.folder, acknowledged) };
}
