import { execFile, spawn } from 'node:child_process';
import fs from 'node:fs';
import path from 'node:path';
import { promisify } from 'node:util';
import Database from 'better-sqlite3';
import { ulid } from 'ulid';
import type { ChangeAnswer } from '@slate-path/core/changes/schema';
import { makeClassroom, type Classroom } from '../src/classroom';
import { RestartableServer } from '../src/server';

const operations = ['write', 'erase', 'back up', 'bring', 'restore'] as const;

/** What was done, and what must all be 0. */
export interface OperationsResult {
  rounds: number;
  /** Rounds in which the operation had come to its end before the kill, by its name. */
  done: Record<string, number>;
  acknowledged: number;
  /** Acknowledged, but not in the log afterwards. */
  lost: number;
  /** Names of students who were erased, in the database or its journal. */
  left: number;
  /** Students who were not erased and are not there. */
  gone: number;
  /** Starts that did not come. */
  notStarted: number;
}

const blank = { called: '', email: '', grade: '', schoolId: '' };
const run = promisify(execFile);

/** A name that stands nowhere else. */
const nameOf = (round: number) => `Zyqux${String(round).padStart(4, '0')}`;

class Drill {
  readonly acknowledged = new Set<string>();
  readonly done: Record<string, number> = {};
  notStarted = 0;
  /** Students who were added, by round. */
  readonly added = new Map<number, string>();

  constructor(
    private readonly server: RestartableServer,
    private readonly room: Classroom,
    private readonly archive: Uint8Array,
    private readonly random: () => number,
  ) {}

  private async send(...changes: [kind: string, payload: unknown][]): Promise<void> {
    const madeAt = new Date().toISOString();
    const all = changes.map(([kind, payload]) => ({ id: ulid(), kind, payload, madeAt, device: 'drill' }));
    const { answers } = await this.room.client.postJson<{ answers: ChangeAnswer[] }>('/api/changes', {
      changes: all,
    });
    for (const { id, outcome } of answers) if (outcome === 'applied') this.acknowledged.add(id);
  }

  /** Somebody who is named in a note, in a comment and in another one's note. */
  private async add(round: number): Promise<string> {
    const [id, name, { sectionId, studentIds }] = [ulid(), nameOf(round), this.room];
    const lesson = { id: 'drill', sectionId, date: '2026-11-23', startsAt: '10:40', endsAt: '11:30' };
    const student = { givenName: name, familyName: '', ...blank };
    await this.send(
      ['student.set', { id, student, guardians: [] }],
      ['roll.comment', { lesson, studentId: id, comment: 'was early' }],
      ['roll.comment', { lesson, studentId: studentIds[0], comment: `sat beside ${name}` }],
    );
    this.added.set(round, id);
    return id;
  }

  /** Writes until the server is gone. */
  private async write(goOn: () => boolean): Promise<void> {
    while (goOn())
      await this.send(['section.set', { id: `drill-${ulid()}`, name: 'Drill', subject: '', room: '' }]);
  }

  private perform(operation: (typeof operations)[number], studentId: string, name: string): Promise<unknown> {
    const { client } = this.room;
    if (operation === 'erase') return client.postJson(`/api/students/${studentId}/erasure`, { name });
    if (operation === 'back up') return client.postJson('/api/backups', {});
    if (operation === 'bring') return client.postFile('/api/archive?erased=leaveOut', this.archive);
    return new Promise((resolve) => setTimeout(resolve, 40));
  }

  /** One operation while others write, and a kill in the middle. */
  async round(round: number): Promise<void> {
    const operation = operations[round % operations.length] ?? 'write';
    const studentId = await this.add(round);
    if (operation === 'restore') {
      await this.restore();
      return;
    }
    let isOn = true;
    const settled = () => undefined;
    const writing = this.write(() => isOn).catch(settled);
    const doing = this.perform(operation, studentId, nameOf(round)).then(() => {
      this.done[operation] = (this.done[operation] ?? 0) + 1;
    }, settled);
    await new Promise((resolve) => setTimeout(resolve, 10 + this.random() ** 2 * 2500));
    await this.server.end('SIGKILL');
    isOn = false;
    await Promise.all([writing, doing]);
    await this.start();
  }

  /** A backup of just now put in place, killed at any moment; with or without it all is there. */
  private async restore(): Promise<void> {
    await this.server.end('SIGTERM');
    const { folder } = this.server;
    const copy = path.join(folder, `copy-${ulid()}.db`);
    const slate = ['--import', 'tsx', 'cli/src/main.ts'];
    await run('node', [...slate, 'backup', '--data', folder, '--out', copy]);
    const child = spawn('node', [...slate, 'restore', copy, '--data', folder], { stdio: 'ignore' });
    const ended = new Promise<number | null>((resolve) => child.once('exit', resolve));
    // Most of it is the start of the program itself.
    const timer = setTimeout(() => child.kill('SIGKILL'), 1200 + this.random() * 1600);
    if ((await ended) === 0) this.done['restore'] = (this.done['restore'] ?? 0) + 1;
    clearTimeout(timer);
    await this.start();
    for (const name of fs.readdirSync(folder).filter((found) => /^copy-|\.before-/.test(found)))
      fs.rmSync(path.join(folder, name));
  }

  private async start(): Promise<void> {
    try {
      await this.server.start();
    } catch {
      this.notStarted += 1;
      await this.server.start();
    }
  }
}

/** Waits until what a kill broke off is finished, as the server does by itself. */
async function untilErased(folder: string): Promise<void> {
  const database = new Database(path.join(folder, 'slate-path.db'), { readonly: true });
  const left = database.prepare('SELECT count(*) FROM "erasing"').pluck();
  for (let waited = 0; waited < 300 && left.get() !== 0; waited += 1)
    await new Promise((resolve) => setTimeout(resolve, 200));
  database.close();
}

function inspect(folder: string, { acknowledged, added }: Drill) {
  const file = path.join(folder, 'slate-path.db');
  const database = new Database(file, { readonly: true });
  const column = (sql: string) => new Set(database.prepare(sql).pluck().all() as string[]);
  const logged = column('SELECT "id" FROM "change"');
  const erased = column('SELECT "studentId" FROM "erasure"');
  const there = column('SELECT "id" FROM "student"');
  database.close();
  const bytes = [file, `${file}-wal`]
    .filter((name) => fs.existsSync(name))
    .map((name) => fs.readFileSync(name));
  const isLeft = (name: string) => bytes.some((part) => part.includes(name));
  const all = [...added];
  return {
    lost: [...acknowledged].filter((id) => !logged.has(id)).length,
    left: all.filter(([round, id]) => erased.has(id) && isLeft(nameOf(round))).length,
    gone: all.filter(([, id]) => !erased.has(id) && !there.has(id)).length,
  };
}

/**
 * Kills the server (or the restore) at moments of chance while students are erased, backups are made, an archive is
 * brought in and a backup is put in place, each beside others that write.
 * @param random 0 to 1, decides when each round's kill comes
 */
export async function eraseAndRestore(rounds: number, random: () => number): Promise<OperationsResult> {
  const server = await RestartableServer.create();
  await server.start();
  const room = await makeClassroom(server.address, 5);
  const archive = new Uint8Array(await (await room.client.fetch('/api/archive')).arrayBuffer());
  const drill = new Drill(server, room, archive, random);
  for (let round = 0; round < rounds; round += 1) await drill.round(round);
  await untilErased(server.folder);
  await server.end('SIGTERM');
  const { acknowledged, done, notStarted } = drill;
  const found = inspect(server.folder, drill);
  server.remove();
  return { rounds, done, acknowledged: acknowledged.size, ...found, notStarted };
}
