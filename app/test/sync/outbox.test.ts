import 'fake-indexeddb/auto';
import fc from 'fast-check';
import type * as DeviceModule from '../../src/sync/device';
import type * as OutboxModule from '../../src/sync/outbox';
import type * as RecordsModule from '../../src/sync/useRecords';
import type * as SyncModule from '../../src/sync/sync';
import { ModelServer } from './modelServer';

const kept: Record<string, string> = {};
Object.assign(globalThis, {
  localStorage: {
    getItem: (key: string) => kept[key] ?? null,
    setItem: (key: string, value: string) => (kept[key] = value),
  },
  navigator: {},
  document: { hidden: true, addEventListener: () => undefined },
  structuredClone: <T>(value: T): T => JSON.parse(JSON.stringify(value)) as T,
});
// A page's own timers would go on after the page is gone.
globalThis.setInterval = (() => 0) as never;

/** How a device stands to the server at the moment; `lost` answers are those of changes that were taken. */
type Line = 'online' | 'offline' | 'lost';

class ApiProblem extends Error {
  errors = [];
  constructor(
    readonly status: number,
    readonly detail: string,
  ) {
    super(detail);
  }
}

interface Modules {
  device: typeof DeviceModule;
  outbox: typeof OutboxModule;
  records: typeof RecordsModule;
  sync: typeof SyncModule;
}

const never = new Promise<never>(() => undefined);

/** A page on a device: it can be closed at any moment and opened again on what the device kept. */
class Page {
  line: Line = 'online';
  private modules!: Modules;
  private isClosed: { is: boolean } = { is: false };
  /** Answered for by the server, as this device heard it. */
  readonly acknowledged = new Set<string>();

  constructor(
    readonly name: string,
    private readonly server: ModelServer,
  ) {}

  private api(isClosed: () => boolean) {
    const travel = async <T>(there: () => T): Promise<T> => {
      await new Promise((resolve) => setImmediate(resolve));
      if (isClosed()) return never;
      if (this.line === 'offline') throw new ApiProblem(0, 'No answer');
      const answer = there();
      await new Promise((resolve) => setImmediate(resolve));
      if (isClosed()) return never;
      if (this.line !== 'online') throw new ApiProblem(0, 'No answer');
      return JSON.parse(JSON.stringify(answer)) as T;
    };
    return {
      ApiProblem,
      request: () => never,
      post: async (_address: string, { changes }: { changes: never[] }) => {
        const { answers } = await travel(() => this.server.take(this.name, changes));
        for (const { id, outcome } of answers) if (outcome === 'applied') this.acknowledged.add(id);
        return { answers };
      },
      ask: (address: string) =>
        travel(() =>
          this.server.changesSince(
            this.name,
            new URL(address, 'http://x').searchParams.get('cursor') ?? undefined,
          ),
        ),
    };
  }

  async open(): Promise<void> {
    const closed = { is: false };
    this.isClosed = closed;
    jest.isolateModules(() => {
      jest.doMock('../../src/sync/api', () => this.api(() => closed.is));
      this.modules = {
        device: jest.requireActual('../../src/sync/device'),
        records: jest.requireActual('../../src/sync/useRecords'),
        outbox: jest.requireActual('../../src/sync/outbox'),
        sync: jest.requireActual('../../src/sync/sync'),
      };
    });
    const { device, outbox, records, sync } = this.modules;
    const store = await device.Device.open(this.name);
    const answers = await store.loadAnswers();
    sync.openSync(store, answers['/api/sync']);
    const plain = Object.fromEntries(Object.entries(answers).map(([path, { answer }]) => [path, answer]));
    records.restore(
      await store.loadRecords('2000-01-01'),
      await store.loadOutbox(),
      await store.loadDone(),
      plain,
    );
    outbox.openOutbox(store, () => void sync.syncNow());
  }

  close(): void {
    this.isClosed.is = true;
  }

  write(studentId: string, field: string, value: string): void {
    const { outbox, records } = this.modules;
    const known = records.useRecords.getState().current.student[studentId];
    const blank = { givenName: 'New', familyName: '', called: '', email: '', grade: '', schoolId: '' };
    const { givenName, familyName, called, email, grade, schoolId } = known ?? blank;
    const student = { givenName, familyName, called, email, grade, schoolId, [field]: value };
    outbox.makeChange('student.set', { id: studentId, student, guardians: [] }, studentId);
  }

  sync(): Promise<void> {
    return this.modules.sync.syncNow();
  }

  send(): void {
    this.modules.outbox.sendNow();
  }

  get state() {
    return this.modules.records.useRecords.getState();
  }
}

/** As long as keeping and sending take. */
const settle = () => new Promise((resolve) => setTimeout(resolve, 8));

/** `kill` is at once, `close` when all is kept. */
const happenings = {
  write: 4,
  offline: 2,
  lost: 2,
  online: 2,
  sync: 2,
  wait: 1,
  kill: 1,
  close: 2,
  hide: 1,
};
type Happening = keyof typeof happenings;
type Step = [page: number, what: Happening, student: number, word: string];
const fields = ['givenName', 'familyName', 'called'] as const;
const happening = fc.oneof(
  ...Object.entries(happenings).map(([what, weight]) => ({
    weight,
    arbitrary: fc.constant(what as Happening),
  })),
);
const steps: fc.Arbitrary<Step[]> = fc.array(
  fc.tuple(fc.nat(1), happening, fc.nat(2), fc.stringMatching(/^[a-z]{1,4}$/)),
  { minLength: 1, maxLength: 24 },
);

let run = 0;

async function live(all: readonly Step[]): Promise<void> {
  const server = new ModelServer();
  run += 1;
  const pages = [new Page(`phone ${run}`, server), new Page(`desk ${run}`, server)] as const;
  for (const page of pages) await page.open();
  /** Changes that a page said were kept, when it was closed. */
  const saidKept = new Set<string>();
  for (const [at, what, student, word] of all) {
    const page = pages[at] ?? pages[0];
    if (what === 'write') page.write(`student${student}`, fields[student] ?? 'called', word);
    if (what === 'offline' || what === 'lost' || what === 'online') page.line = what;
    if (what === 'online') page.send();
    if (what === 'sync') void page.sync();
    if (what === 'hide') server.hide(page.name, `student${student}`);
    if (what === 'wait' || what === 'close') await settle();
    if (what === 'kill' || what === 'close') {
      for (const { change, state } of page.state.entries) if (state !== 'new') saidKept.add(change.id);
      page.close();
      await page.open();
      for (const { change } of page.state.entries) saidKept.delete(change.id);
      // What is not in the outbox any more was answered for.
      for (const id of saidKept) if (server.applied.has(id)) saidKept.delete(id);
      expect([...saidKept]).toEqual([]);
    }
  }
  for (const page of pages) page.line = 'online';
  for (let turn = 0; turn < 3; turn += 1)
    for (const page of pages) {
      page.send();
      await settle();
      await page.sync();
      await settle();
    }
  for (const page of pages) {
    const { entries, current } = page.state;
    expect(entries.filter(({ state }) => state !== 'refused')).toEqual([]);
    const shown = Object.values(current.student).sort((a, b) => (a.id < b.id ? -1 : 1));
    expect(shown).toEqual(server.visibleTo(page.name).toSorted((a, b) => (a.id < b.id ? -1 : 1)));
    for (const id of page.acknowledged) expect(server.applied.get(id)).toBe(1);
    page.close();
  }
}

test('devices that write, lose the line and are killed end as the server has it, and nothing that was kept is lost', async () => {
  await fc.assert(fc.asyncProperty(steps, live), { numRuns: 80 });
});
