import { execFile, spawn } from 'node:child_process';
import fs from 'node:fs';
import path from 'node:path';
import { promisify } from 'node:util';
import Database from 'better-sqlite3';
import { ulid } from 'ulid';
import type { ChangeAnswer } from '@slate-path/core/changes/schema';
import { makeClassroom, type Classroom } from '../src/classroom';
import { RestartableServer } from '../src/server';
import { kill, saysFull, type Trouble } from './troubles';

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
  /** Starts that did not come though nothing was wrong any more. */
  notStarted: number;
  /** What was answered to an operation that failed, where it is no sentence of the disk. */
  untrue: string[];
}

const blank = { called: '', email: '', grade: '', schoolId: '' };
const run = promisify(execFile);

/** A name that stands nowhere else. */
const nameOf = (round: number) => `Zyqux${String(round).padStart(4, '0')}`;

class Drill {
  readonly acknowledged = new Set<string>();
  readonly done: Record<string, number> = {};
  readonly untrue: string[] = [];
  notStarted = 0;
  /** Students who were added, by round. */
  readonly added = new Map<number, string>();

  constructor(
    private readonly server: RestartableServer,
    private readonly room: Classroom,
    private readonly archive: Uint8Array,
    private readonly random: () => number,
    private readonly trouble: Trouble,
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

  /** One operation while others write, and trouble in the middle. */
  async round(round: number): Promise<void> {
    const operation = operations[round % operations.length] ?? 'write';
    const studentId = await this.add(round);
    if (operation === 'restore') {
      await this.restore();
      return;
    }
    let isOn = true;
    const writing = this.write(() => isOn).catch(this.hear);
    const doing = this.perform(operation, studentId, nameOf(round)).then(() => {
      this.done[operation] = (this.done[operation] ?? 0) + 1;
    }, this.hear);
    await new Promise((resolve) => setTimeout(resolve, 10 + this.random() ** 2 * 2500));
    await this.trouble.strike(this.server);
    isOn = false;
    await Promise.all([writing, doing]);
    await this.mend();
  }

  /** A call that failed: either nobody answered, for the server is gone, or it is told what is wrong. */
  private readonly hear = (error: unknown): void => {
    const said = String(error);
    if (!/fetch failed|terminated|ECONN/.test(said) && !saysFull.test(said)) this.untrue.push(said);
  };

  /** A backup of just now put in place, in trouble at any moment; with or without it all is there. */
  private async restore(): Promise<void> {
    await this.server.end('SIGTERM');
    const { folder } = this.server;
    const copy = path.join(folder, `copy-${ulid()}.db`);
    const slate = ['--import', 'tsx', 'cli/src/main.ts'];
    const begun = Date.now();
    await run('node', [...slate, 'backup', '--data', folder, '--out', copy]);
    const usualMs = Date.now() - begun;
    const child = spawn('node', [...slate, 'restore', copy, '--data', folder]);
    let said = '';
    child.stderr.on('data', (bytes: Buffer) => (said += bytes.toString()));
    const ended = new Promise<number | null>((resolve) => child.once('close', resolve));
    // Most of it is the start of the program itself, which took about as long for the backup.
    await Promise.race([
      ended,
      new Promise((resolve) => setTimeout(resolve, usualMs * (0.6 + this.random() * 0.8))),
    ]);
    if (this.trouble === kill) child.kill('SIGKILL');
    else await this.trouble.strike(this.server);
    const code = await ended;
    if (code === 0) this.done['restore'] = (this.done['restore'] ?? 0) + 1;
    else if (code !== null && !(this.server.isRunning && said.includes('server is running'))) this.hear(said);
    await this.mend();
    for (const name of fs.readdirSync(folder).filter((found) => /^copy-|\.before-/.test(found)))
      fs.rmSync(path.join(folder, name));
  }

  /** A backup or two are enough, and a small disk has no room for more. */
  private dropBackups(): void {
    const backups = path.join(this.server.folder, 'backups');
    const kept = fs.existsSync(backups) ? fs.readdirSync(backups).sort().slice(0, -2) : [];
    for (const name of kept) fs.rmSync(path.join(backups, name));
  }

  private async mend(): Promise<void> {
    try {
      await this.trouble.mend(this.server);
    } catch {
      this.notStarted += 1;
      await this.trouble.mend(this.server);
    }
    this.dropBackups();
  }
}

/** Waits until what was broken off is finished, as the server does by itself. */
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
 * Troubles the server (or the restore) at moments of chance while students are erased, backups are made, an archive is
 * brought in and a backup is put in place, each beside others that write.
 * @param random 0 to 1, decides when each round's trouble comes
 * @param trouble a kill, unless another is given @param folder for the data; else a new one
 */
export async function eraseAndRestore(
  rounds: number,
  random: () => number,
  trouble: Trouble = kill,
  folder?: string,
): Promise<OperationsResult> {
  const server = await RestartableServer.create(folder);
  await server.start();
  const room = await makeClassroom(server.address, 5);
  const archive = new Uint8Array(await (await room.client.fetch('/api/archive')).arrayBuffer());
  const drill = new Drill(server, room, archive, random, trouble);
  for (let round = 0; round < rounds; round += 1) await drill.round(round);
  await untilErased(server.folder);
  await server.end('SIGTERM');
  const { acknowledged, done, notStarted, untrue } = drill;
  const found = inspect(server.folder, drill);
  if (folder === undefined) server.remove();
  return { rounds, done, acknowledged: acknowledged.size, ...found, notStarted, untrue };
}
