import path from 'node:path';
import Database from 'better-sqlite3';
import { ulid } from 'ulid';
import { addressOf } from '@slate-path/core/api/address';
import { ApiClient } from '@slate-path/demo/apiClient';
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
  /** Own classes and own notes that their writers were told of; so many there are to be seen. */
  told: number;
  /** Own classes and own notes of one that the other was told of. */
  seenByOther: number;
  /** Records that a device which asked for differences has otherwise than a new one. */
  astray: number;
}

/** Four changes: marks in one lesson that both write, a class of one's own to count by, a comment, a note of one's own. */
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
    {
      ...envelope(),
      kind: 'note.write',
      payload: {
        ...{ id: `note-${counted.id}`, text: counted.id, own: true, at: new Date().toISOString() },
        ...{ happenedAt: null, lesson, sectionId, place: '', doubts: [], lookAgainOn: null },
        ...{ students: [], topics: [] },
      },
    },
  ];
  return changes;
}

/** Sends batches one after another, as the application does: what was cut off is sent again first. */
class Writer {
  readonly acknowledged = new Set<string>();
  /** Ids after which own classes and notes are called, whether or not they came to be. */
  readonly made = new Set<string>();
  private pending: { id: string }[] = [];

  constructor(private readonly room: Classroom) {}

  /** Writes until told to stop, or until the server is gone. */
  async write(goOn: () => boolean): Promise<void> {
    while (goOn() || this.pending.length > 0) {
      if (this.pending.length === 0) {
        this.pending = nextBatch(this.room);
        this.made.add(this.pending[1]?.id ?? '');
      }
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
): Pick<DrillResult, 'lost' | 'doubled' | 'half'> {
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

/** A colleague who teaches the class too. */
async function colleagueIn(room: Classroom, address: string): Promise<Classroom> {
  const { sectionId } = room;
  const invitation = { name: 'Bela Roth', role: 'teacher', sectionId };
  const { token } = await room.client.postJson<{ token: string }>('/api/invitations', invitation);
  const account = { name: 'Bela Roth', passphrase: 'seven grey herons' };
  return { ...room, client: await ApiClient.signIn(address, `/api/invitations/${token}/accept`, account) };
}

/** A device that asks for what changed. */
class Device {
  rows = new Map<string, string>();
  private cursor = '';

  constructor(private readonly client: ApiClient) {}

  async sync(): Promise<void> {
    for (let more = true; more;) {
      const asked = this.cursor ? { cursor: this.cursor } : {};
      const { anew, cursor, more: another, ...tables } = await this.client.get(addressOf('sync', asked));
      if (anew) this.rows.clear();
      for (const [table, rows] of Object.entries(tables))
        for (const row of rows) this.rows.set(`${table} ${row.id}`, JSON.stringify(row));
      this.cursor = cursor;
      more = another;
    }
  }
}

/** What somebody is told of by a device that begins now, and where one that asked all along has something else. */
async function compare({ client }: Classroom, device: Device): Promise<{ told: string[]; astray: number }> {
  await device.sync();
  const fresh = new Device(client);
  await fresh.sync();
  const keys = new Set([...fresh.rows.keys(), ...device.rows.keys()]);
  const astray = [...keys].filter((key) => fresh.rows.get(key) !== device.rows.get(key)).length;
  return { told: [...fresh.rows.keys()], astray };
}

/** Of what one made for themselves alone, the ids. */
const ownOf = ({ made }: Writer) =>
  new Set([...made].flatMap((id) => [`section drill-${id}`, `note note-${id}`]));

/**
 * Two teachers of a class write without a pause while the server is killed (SIGKILL) at a moment of chance and started
 * again, round after round; then compares what it acknowledged with what its database holds.
 * @param random 0 to 1, decides when each round's kill comes
 */
export async function killAndRestart(rounds: number, random: () => number): Promise<DrillResult> {
  const server = await RestartableServer.create();
  await server.start();
  const room = await makeClassroom(server.address, 5);
  const rooms = [room, await colleagueIn(room, server.address)];
  const writers = rooms.map((one) => new Writer(one));
  const devices = rooms.map(({ client }) => new Device(client));
  for (let round = 0; round < rounds; round += 1) {
    const until = Date.now() + 20 + random() * 180;
    const writing = Promise.all(writers.map((writer) => writer.write(() => Date.now() < until + 1000)));
    await new Promise((resolve) => setTimeout(resolve, until - Date.now()));
    await server.end('SIGKILL');
    await writing;
    await server.start();
    for (const device of devices) await device.sync();
  }
  for (const writer of writers) await writer.write(() => false);
  let [told, seenByOther, astray] = [0, 0, 0];
  for (const [index, one] of rooms.entries()) {
    const found = await compare(one, devices[index] ?? new Device(one.client));
    const others = new Set(writers.flatMap((writer, at) => (at === index ? [] : [...ownOf(writer)])));
    const own = ownOf(writers[index] ?? new Writer(one));
    told += found.told.filter((key) => own.has(key)).length;
    seenByOther += found.told.filter((key) => others.has(key)).length;
    astray += found.astray;
  }
  await server.end('SIGTERM');
  const acknowledged = new Set(writers.flatMap((writer) => [...writer.acknowledged]));
  const counts = inspect(server.folder, acknowledged);
  return { rounds, acknowledged: acknowledged.size, ...counts, told, seenByOther, astray };
}
