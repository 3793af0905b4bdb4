import { deleteDB, openDB, type DBSchema, type IDBPDatabase } from 'idb';
import { addressOf } from '@slate-path/core/api/address';
import type { Edit } from '@slate-path/core/changes/edit';
import type { Change } from '@slate-path/core/changes/schema';
import {
  emptyRecords,
  mergeRecords,
  withoutRecords,
  type RecordLists,
  type Records,
} from '@slate-path/core/records/records';
import type { TableName } from '@slate-path/core/records/schema';
import { tableNames } from '@slate-path/core/records/tables';
import { olderThan, type RecordKey } from '@slate-path/core/sync/older';

/** A change that the server has not acknowledged. */
export interface OutboxEntry {
  change: Change;
  edits: Edit[];
  /** What takes it back on this device. */
  inverse: Edit[];
  /** `new` is only on the screen; `kept` survives the tab; `refused` waits for the teacher. */
  state: 'new' | 'kept' | 'refused';
  reason: string | null;
}

/** An entry to be kept, with what can be taken back from now on, or no longer. */
export interface Keeping {
  entry: OutboxEntry;
  done: DoneChange | null;
  undoneId: string | null;
}

/** A change that can still be taken back, and whose history it belongs to. */
export interface DoneChange {
  id: string;
  about: string;
  inverse: Edit[];
}

interface Schema extends DBSchema {
  outbox: { key: string; value: OutboxEntry };
  records: { key: [string, string]; value: { table: TableName; id: string; row: unknown } };
  answers: { key: string; value: { path: string; etag: string | null; answer: unknown } };
  done: { key: string; value: DoneChange };
}

const storeNames = ['outbox', 'records', 'answers', 'done'] as const;
const mostDone = 50;

/** What one teacher has on this device: the part of the records known here, and what is not sent yet. */
export class Device {
  private constructor(
    private readonly db: IDBPDatabase<Schema>,
    readonly teacherId: string,
  ) {}

  static async open(teacherId: string): Promise<Device> {
    const db = await openDB<Schema>(`slate-${teacherId}`, 1, {
      upgrade(fresh) {
        fresh.createObjectStore('outbox', { keyPath: 'change.id' });
        fresh.createObjectStore('records', { keyPath: ['table', 'id'] });
        fresh.createObjectStore('answers', { keyPath: 'path' });
        fresh.createObjectStore('done', { keyPath: 'id' });
      },
    });
    return new Device(db, teacherId);
  }

  /** @param before `YYYY-MM-DD`: what was recorded earlier is forgotten, unless something waits to be sent about it */
  async loadRecords(before: string): Promise<Records> {
    const records = await this.readRecords();
    const waiting = new Set((await this.loadOutbox()).flatMap(({ edits }) => edits.map(({ id }) => id)));
    const old = olderThan(records, before).filter(({ id }) => !waiting.has(id));
    if (old.length === 0) return records;
    await this.forgetOld(old);
    return withoutRecords(records, old);
  }

  /** Views that were answered with some of these are asked for whole the next time. */
  private async forgetOld(old: readonly RecordKey[]): Promise<void> {
    const writing = this.db.transaction(['records', 'answers'], 'readwrite');
    const records = writing.objectStore('records');
    const answers = writing.objectStore('answers');
    const views = (await answers.getAllKeys()).filter((path) => path !== addressOf('sync'));
    await Promise.all([
      ...old.map(({ table, id }) => records.delete([table, id])),
      ...views.map((path) => answers.delete(path)),
    ]);
    await writing.done;
  }

  private async readRecords(): Promise<Records> {
    const lists: Record<string, unknown[]> = {};
    for (const { table, row } of await this.db.getAll('records')) (lists[table] ??= []).push(row);
    return mergeRecords(emptyRecords(), lists);
  }

  /** In the order in which they were made: their ids are ULIDs. */
  loadOutbox(): Promise<OutboxEntry[]> {
    return this.db.getAll('outbox');
  }

  /** The last that can be taken back; what is older is forgotten. */
  async loadDone(): Promise<DoneChange[]> {
    const all = await this.db.getAll('done');
    const old = all.slice(0, Math.max(all.length - mostDone, 0));
    const writing = this.db.transaction('done', 'readwrite');
    await Promise.all([...old.map(({ id }) => writing.store.delete(id)), writing.done]);
    return all.slice(old.length);
  }

  async loadAnswers(): Promise<Record<string, { etag: string | null; answer: unknown }>> {
    const answers = await this.db.getAll('answers');
    return Object.fromEntries(answers.map(({ path, etag, answer }) => [path, { etag, answer }]));
  }

  /**
   * Resolves when the entries would survive the tab being closed, or the battery dying. All is asked for and
   * committed in one go, without waiting for the answers: a page that is being closed hears none any more.
   */
  async keep(all: readonly Keeping[]): Promise<void> {
    const writing = this.db.transaction(['outbox', 'done'], 'readwrite', { durability: 'strict' });
    const outbox = writing.objectStore('outbox');
    const history = writing.objectStore('done');
    const asked = all.flatMap(({ entry, done, undoneId }): Promise<unknown>[] => [
      outbox.put({ ...entry, state: entry.state === 'new' ? 'kept' : entry.state }),
      ...(undoneId ? [history.delete(undoneId)] : []),
      ...(done ? [history.put(done)] : []),
    ]);
    writing.commit();
    await Promise.all([...asked, writing.done]);
  }

  /** The server has answered for these: they leave the outbox, and what they changed is remembered. */
  async settle(changeIds: string[], rows: RecordLists): Promise<void> {
    const writing = this.db.transaction(['outbox', 'records'], 'readwrite');
    const outbox = writing.objectStore('outbox');
    await Promise.all(changeIds.map((id) => outbox.delete(id)));
    const records = writing.objectStore('records');
    await Promise.all(
      tableNames.flatMap((table) =>
        (rows[table] ?? []).map((row) => records.put({ table, id: row.id, row })),
      ),
    );
    await writing.done;
  }

  async keepAnswer(path: string, etag: string | null, answer: unknown, rows: RecordLists): Promise<void> {
    await this.settle([], rows);
    await this.db.put('answers', { path, etag, answer });
  }

  async forgetAnswer(path: string): Promise<void> {
    await this.db.delete('answers', path);
  }

  /** Forgets what the server knows, and how to take things back; what is not sent stays. */
  async forgetRecords(): Promise<void> {
    const forgotten = ['records', 'answers', 'done'] as const;
    const writing = this.db.transaction(forgotten, 'readwrite');
    await Promise.all(forgotten.map((name) => writing.objectStore(name).clear()));
    await writing.done;
  }

  /** Forgets everything, as after signing out of a shared device. */
  async forget(): Promise<void> {
    const writing = this.db.transaction([...storeNames], 'readwrite');
    await Promise.all(storeNames.map((name) => writing.objectStore(name).clear()));
    await writing.done;
    this.db.close();
    await deleteDB(`slate-${this.teacherId}`);
  }
}

/** A name for this device in the history, made once: only that it is another one matters. */
export function deviceName(fresh: () => string): string {
  const kept = localStorage.getItem('slate-device');
  if (kept) return kept;
  const name = fresh().slice(-8);
  localStorage.setItem('slate-device', name);
  return name;
}
