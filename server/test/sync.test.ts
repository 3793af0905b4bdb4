import fc from 'fast-check';
import { change, callerOf, signedIn, startServer, type Caller, type TestServer } from './server';
import { makeClass, send } from './smallClass';

const now = '2026-11-23T12:00:00Z';
const students = ['ann', 'bo', 'cy'];
const lessonOf = (sectionId: string, date: string) => ({
  ...{ id: `${sectionId}.${date}`, sectionId, date },
  ...{ startsAt: '10:40', endsAt: '11:30' },
});

let server: TestServer;
let ines: Caller;
let bela: Caller;
let belaId: string;
let standings: string[];

interface Answer extends Record<string, unknown> {
  anew: boolean;
  cursor: string;
  more: boolean;
}

/** A device that keeps what it is told. */
class Device {
  rows = new Map<string, unknown>();
  cursor = '';
  begun = 0;

  constructor(readonly caller: Caller) {}

  async sync(): Promise<void> {
    for (let more = true; more;) {
      const asked = this.cursor ? `?cursor=${encodeURIComponent(this.cursor)}` : '';
      const answer = (await (await this.caller.call('GET', `/api/sync${asked}`)).json()) as Answer;
      if (answer.anew) {
        this.rows.clear();
        this.begun += 1;
      }
      for (const [table, list] of Object.entries(answer))
        if (Array.isArray(list))
          for (const row of list as { id: string }[]) this.rows.set(`${table} ${row.id}`, row);
      this.cursor = answer.cursor;
      more = answer.more;
    }
  }
}

async function fresh(caller: Caller): Promise<Map<string, unknown>> {
  const device = new Device(caller);
  await device.sync();
  return device.rows;
}

beforeAll(async () => {
  server = await startServer({ now });
  ines = await signedIn(server.address);
  await makeClass(ines, 'boats', { ann: 'Ann', bo: 'Bo', cy: 'Cy' });
  await makeClass(ines, 'knots', { kit: 'Kit' }, 'k');
  const made = await ines.call('POST', '/api/invitations', {
    name: 'Bela',
    role: 'teacher',
    sectionId: null,
  });
  const { token } = (await made.json()) as { token: string };
  const account = { name: 'Bela', passphrase: 'seven grey herons' };
  const answer = await callerOf(server.address).call('POST', `/api/invitations/${token}/accept`, account);
  bela = callerOf(server.address, answer.headers.getSetCookie()[0]!.split(';')[0]);
  belaId = ((await (await bela.call('GET', '/api/session')).json()) as { teacher: { id: string } }).teacher
    .id;
  const setup = (await (await ines.call('GET', '/api/setup')).json()) as { standing: { id: string }[] };
  standings = setup.standing.map(({ id }) => id);
});
afterAll(() => server.stop());

async function belasTeaching(): Promise<string | undefined> {
  const { teachings } = (await (await ines.call('GET', '/api/colleagues')).json()) as {
    teachings: { id: string; personId: string }[];
  };
  return teachings.find(({ personId }) => personId === belaId)?.id;
}

let made = 0;
/** What happens between two looks; each may be refused, which is as good. */
const steps: Record<string, (by: Caller, n: number) => Promise<unknown>> = {
  mark: (by, n) =>
    changes(
      by,
      change('roll.mark', {
        lesson: lessonOf('boats', '2026-11-16'),
        marks: [
          {
            ...{ studentId: students[n % 3], standingId: standings[n % standings.length] },
            ...{ arrivedAt: null, leftAt: null },
          },
        ],
      }),
    ),
  note: (by, n) => changes(by, noteOf(`note${(made += 1)}`, n % 2 === 0)),
  withdraw: (by, n) =>
    changes(by, change('note.edit', { id: `note${n}`, own: n % 3 === 0, students: [], topics: [] })),
  rename: (by, n) =>
    changes(by, change('section.set', { id: 'boats', name: `Boats ${n}`, subject: '', room: '' })),
  class: (by) =>
    changes(by, change('section.set', { id: `class${(made += 1)}`, name: 'New', subject: '', room: '' })),
  share: async () =>
    (await belasTeaching()) === undefined &&
    ines.call('POST', '/api/sections/boats/teachings', {
      ...{ personId: belaId, role: 'teacher', startsOn: null, endsOn: null },
    }),
  phrase: (by, n) =>
    changes(
      by,
      change('phrase.add', { id: `p${(made += 1)}`, text: 'Ask {name}', shared: n % 2 === 0, personId: 'x' }),
      change('phrase.favour', { phraseId: `p${n}`, personId: by === ines ? 'i' : 'b', favourite: n % 3 > 0 }),
    ),
  reshare: (by, n) =>
    changes(by, change('phrase.set', { id: `p${n}`, text: `Ask {name} ${n}`, shared: n % 3 === 0 })),
  end: async () => ines.call('POST', `/api/teachings/${(await belasTeaching()) ?? 'none'}/end`, {}),
};

const changes = (by: Caller, ...some: unknown[]) => by.call('POST', '/api/changes', { changes: some });

const noteOf = (id: string, own: boolean) =>
  change('note.write', {
    ...{ id, text: `Of ${id}`, own, at: '2026-11-16T11:00:00.000Z', happenedAt: null, place: '' },
    ...{ lesson: lessonOf('boats', '2026-11-16'), sectionId: 'boats', doubts: [], lookAgainOn: null },
    ...{ students: [{ studentId: 'ann', spans: [] }], topics: [] },
  });

test('two devices that look now and then hold what a new one is told, whatever happened between', async () => {
  const step = fc.record({
    what: fc.constantFrom(...Object.keys(steps)),
    byInes: fc.boolean(),
    n: fc.nat(20),
    looks: fc.constantFrom<'none' | 'ines' | 'bela' | 'both'>('none', 'ines', 'bela', 'both'),
  });
  await fc.assert(
    fc.asyncProperty(fc.array(step, { minLength: 5, maxLength: 25 }), async (all) => {
      const [one, two] = [new Device(ines), new Device(bela)];
      for (const { what, byInes, n, looks } of all) {
        await steps[what]!(byInes ? ines : bela, n);
        if (looks === 'ines' || looks === 'both') await one.sync();
        if (looks === 'bela' || looks === 'both') await two.sync();
      }
      await one.sync();
      await two.sync();
      expect(one.rows).toEqual(await fresh(ines));
      expect(two.rows).toEqual(await fresh(bela));
    }),
    { numRuns: 12, seed: 21 },
  );
});

test('a difference is small, nothing is told twice, and an own class begins nothing anew', async () => {
  const device = new Device(ines);
  await device.sync();
  await steps['mark']!(ines, 1);
  await steps['class']!(ines, 0);
  const answer = (await (await ines.call('GET', `/api/sync?cursor=${device.cursor}`)).json()) as Answer;
  const told = Object.entries(answer).filter(([, list]) => Array.isArray(list));
  expect(told.map(([table]) => table).sort()).toEqual(['lesson', 'mark', 'section']);
  await device.sync();
  expect(device.begun).toBe(1);
  const again = (await (await ines.call('GET', `/api/sync?cursor=${device.cursor}`)).json()) as Answer;
  expect(Object.keys(again).sort()).toEqual(['anew', 'cursor', 'more']);
});

test.each([
  ['of nothing that was ever told', 'nonsense'],
  [
    'of a line that is another now',
    Buffer.from(JSON.stringify([3, 'other', '', '', null])).toString('base64url'),
  ],
  [
    'with a place that is none',
    Buffer.from(JSON.stringify([1, 'x', 'y', 'z', [99, -5]])).toString('base64url'),
  ],
])('a cursor %s begins anew', async (_what, cursor) => {
  const answer = (await (await ines.call('GET', `/api/sync?cursor=${cursor}`)).json()) as Answer;
  expect(answer.anew).toBe(true);
});

test('what was brought in bulk, and an erasure, are told by beginning anew', async () => {
  const device = new Device(ines);
  await device.sync();
  await send(ines, [
    change('student.set', {
      id: 'zoe',
      student: { givenName: 'Zoe', familyName: '', called: '', email: '', grade: '', schoolId: '' },
      guardians: [],
    }),
  ]);
  await device.sync();
  expect(device.rows.has('student zoe')).toBe(true);
  expect((await ines.call('POST', '/api/students/zoe/erasure', { name: 'Zoe' })).status).toBe(200);
  await device.sync();
  expect([device.begun, device.rows.has('student zoe')]).toEqual([2, false]);
  const archive = new Uint8Array(await (await ines.call('GET', '/api/archive')).arrayBuffer());
  expect((await ines.call('POST', '/api/archive', archive)).status).toBe(200);
  await device.sync();
  expect(device.begun).toBe(3);
  expect(device.rows).toEqual(await fresh(ines));
});
