import fs from 'node:fs';
import path from 'node:path';
import { invited, keeperElsewhere } from './colleagues';
import { callerOf, change, signedIn, startServer, type Caller, type TestServer } from './server';
import { makeClass, send } from './smallClass';

const now = '2026-11-23T12:00:00Z';
const lesson = { id: 'boats1', sectionId: 'boats', date: '2026-11-23', startsAt: '10:40', endsAt: '11:30' };
/** In the order of the columns of the table below. */
const people = ['ines', 'bela', 'cora', 'asa', 'gone', 'noor', 'far'] as const;
type Person = (typeof people)[number];

let server: TestServer;
let callers: Record<Person, Caller>;
let ids: Record<Person, string>;

const json = async <T>(caller: Caller, method: string, route: string, body?: unknown): Promise<T> =>
  (await (await caller.call(method, route, body)).json()) as T;
const status = async (caller: Caller, method: string, route: string, body?: unknown) =>
  (await caller.call(method, route, body)).status;

async function sessionOf(caller: Caller): Promise<string> {
  const { teacher } = await json<{ teacher: { id: string } }>(caller, 'GET', '/api/session');
  return teacher.id;
}

const invite = (name: string, role: 'teacher' | 'assistant', sectionId: string | null) =>
  invited(server, callers.ines, { name, role, sectionId });

const share = (personId: string, role: string, days: [string, string] | null = null) =>
  json<{ id: string }>(callers.ines, 'POST', '/api/sections/boats/teachings', {
    personId,
    role,
    startsOn: days?.[0] ?? null,
    endsOn: days?.[1] ?? null,
  });

const standingOf = async (code: string) => {
  const { standing } = await json<{ standing: { id: string; code: string }[] }>(
    callers.ines,
    'GET',
    '/api/setup',
  );
  return standing.find((one) => one.code === code)!.id;
};

const note = (id: string, text: string, own: boolean) =>
  change('note.write', {
    id,
    text,
    own,
    at: '2026-11-23T11:00:00.000Z',
    happenedAt: null,
    lesson,
    sectionId: 'boats',
    place: '',
    doubts: [],
    students: [{ studentId: 'ann', spans: [] }],
    topics: [],
    lookAgainOn: null,
  });

const mark = async (studentId: string, code: string) =>
  change('roll.mark', {
    lesson,
    marks: [{ studentId, standingId: await standingOf(code), arrivedAt: null, leftAt: null }],
  });

beforeAll(async () => {
  server = await startServer({ now });
  callers = { ines: await signedIn(server.address) } as Record<Person, Caller>;
  await makeClass(callers.ines, 'boats', { ann: 'Ann', bo: 'Bo' });
  await makeClass(callers.ines, 'knots', { kit: 'Kit' }, 'k');
  callers.bela = await invite('Bela Roth', 'teacher', 'boats');
  callers.cora = await invite('Cora Lund', 'teacher', null);
  callers.asa = await invite('Asa Quill', 'assistant', 'boats');
  callers.gone = await invite('Ged Marsh', 'teacher', 'boats');
  callers.noor = await invite('Noor Pahl', 'teacher', null);
  callers.far = await keeperElsewhere(server, now);
  ids = {} as Record<Person, string>;
  for (const person of people) ids[person] = await sessionOf(callers[person]);
  await share(ids.cora, 'cover', ['2026-11-23', '2026-11-23']);
  await send(callers.ines, [await mark('ann', 'H'), note('noteShared', 'Ann helped Bo', false)]);
  await send(callers.ines, [note('noteOwn', 'Ann worries me', true)]);
  const { teachings } = await json<{ teachings: { id: string; personId: string }[] }>(
    callers.ines,
    'GET',
    '/api/colleagues',
  );
  const former = teachings.find(({ personId }) => personId === ids.gone)!;
  expect(await status(callers.ines, 'POST', `/api/teachings/${former.id}/end`, {})).toBe(200);
});
afterAll(() => server.stop());

interface Setup {
  section: { id: string }[];
  student: { id: string }[];
  guardian: unknown[];
  lesson: { id: string }[];
}
const setupOf = (person: Person) => json<Setup>(callers[person], 'GET', '/api/setup');
const idsOf = (rows: { id: string }[]) => rows.map(({ id }) => id).sort();

describe('who sees what of a class that is shared', () => {
  test.each<[Person, string[], string[]]>([
    ['ines', ['boats', 'knots'], ['ann', 'bo', 'kit']],
    ['bela', ['boats'], ['ann', 'bo']],
    ['cora', ['boats'], ['ann', 'bo']],
    ['asa', ['boats'], ['ann', 'bo']],
    ['gone', [], []],
    ['noor', [], []],
    ['far', [], []],
  ])('%s', async (person, sections, students) => {
    const setup = await setupOf(person);
    expect([idsOf(setup.section), idsOf(setup.student)]).toEqual([sections, students]);
  });

  test.each<[Person, string[]]>([
    ['ines', ['noteOwn', 'noteShared']],
    ['bela', ['noteShared']],
    ['cora', []],
    ['asa', []],
    ['gone', []],
    ['noor', []],
    ['far', []],
  ])('notes: %s, by searching, by the day and by what is recent', async (person, expected) => {
    const caller = callers[person];
    const found = await json<{ note: { id: string }[] }>(caller, 'GET', '/api/notes?words=ann');
    const day = await json<{ note: { id: string }[] }>(caller, 'GET', '/api/days/2026-11-23');
    const recent = await json<{ note: { id: string }[] }>(caller, 'GET', '/api/notes/recent');
    expect([found, day, recent].map((one) => idsOf(one.note))).toEqual([expected, expected, expected]);
  });
});

/** What each gets, in the order of `people`: teacher and keeper, teacher, cover, assistant, formerly, nothing here, elsewhere. */
const reading: Record<string, number[]> = {
  '/api/sections/boats/months/2026-11': [200, 200, 200, 200, 404, 404, 404],
  '/api/sections/knots/months/2026-11': [200, 404, 404, 404, 404, 404, 404],
  '/api/lessons/boats1/history': [200, 200, 200, 200, 404, 404, 404],
  '/api/students/ann/path': [200, 200, 200, 200, 404, 404, 404],
  '/api/students/kit/path': [200, 404, 404, 404, 404, 404, 404],
  '/api/students/ann/notes-file?format=csv': [200, 200, 200, 200, 404, 404, 404],
  '/api/students/ann/erasure': [200, 404, 404, 404, 404, 404, 404],
  '/api/notes/noteShared': [200, 200, 404, 404, 404, 404, 404],
  '/api/notes/noteOwn': [200, 404, 404, 404, 404, 404, 404],
  '/api/sections/boats/roll?from=2026-11-02&to=2026-11-23&format=csv': [200, 200, 200, 200, 404, 404, 404],
  '/api/sections/boats/counts?from=2026-11-02&to=2026-11-23': [200, 200, 200, 200, 404, 404, 404],
  '/api/sections/boats/counts-file?from=2026-11-02&to=2026-11-23&format=csv': [
    200, 200, 200, 200, 404, 404, 404,
  ],
  '/api/sections/boats/sweeps?from=2026-11-02&to=2026-11-23': [200, 200, 200, 200, 404, 404, 404],
  '/api/sections/boats/played?from=2026-11-02&to=2026-11-23': [200, 200, 200, 200, 404, 404, 404],
  '/api/sections/boats/observations?from=2026-11-02&to=2026-11-23': [200, 200, 200, 200, 404, 404, 404],
  '/api/sections/boats/nods?from=2026-11-02&to=2026-11-23': [200, 200, 200, 200, 404, 404, 404],
  '/api/school/nods?from=2026-11-02&to=2026-11-23': [200, 403, 403, 403, 403, 403, 200],
  '/api/school/nodded-students?from=2026-11-02&to=2026-11-23': [200, 200, 200, 403, 200, 200, 200],
  '/api/sections/boats/ticks-file?format=csv': [200, 200, 200, 200, 404, 404, 404],
  '/api/sections/boats/circles': [200, 200, 200, 200, 404, 404, 404],
  '/api/sections/boats/glance': [200, 200, 404, 404, 404, 404, 404],
  '/api/sections/boats/work-file?from=2026-11-01&to=2026-11-30': [200, 200, 404, 404, 404, 404, 404],
  '/api/sections/boats/work?from=2026-11-01&to=2026-11-30': [200, 200, 404, 404, 404, 404, 404],
  '/api/sections/boats/feeds': [200, 200, 404, 404, 404, 404, 404],
  '/api/students/ann/reader-pages': [200, 200, 404, 404, 404, 404, 404],
  '/api/sections/boats/own-view': [200, 200, 404, 404, 404, 404, 404],
  '/api/backups': [200, 403, 403, 403, 403, 403, 200],
  '/api/mail': [200, 403, 403, 403, 403, 403, 200],
};
const posting: Record<string, number[]> = {
  '/api/sections/boats/watch-preview': [400, 400, 404, 404, 404, 404, 404],
  '/api/sections/boats/roster-reading': [200, 200, 404, 404, 404, 404, 404],
  '/api/sections/boats/work-reading': [422, 422, 404, 404, 404, 404, 404],
  '/api/sections/boats/activity': [422, 422, 404, 404, 404, 404, 404],
  '/api/sections/boats/feeds/none/end': [404, 404, 404, 404, 404, 404, 404],
  '/api/sections/boats/feeds/none/ask': [404, 404, 404, 404, 404, 404, 404],
  '/api/sections/boats/participants-reading': [422, 422, 422, 422, 404, 404, 404],
  '/api/sections/boats/check-in-links': [200, 200, 404, 404, 404, 404, 404],
  '/api/sections/boats/check-in-links/end': [200, 200, 404, 404, 404, 404, 404],
  '/api/sections/boats/teachings': [400, 400, 400, 400, 400, 400, 400],
  '/api/students/ann/erasure': [400, 404, 404, 404, 404, 404, 404],
  '/api/students/ann/reader-pages/end': [200, 200, 404, 404, 404, 404, 404],
  '/api/students/ann/card': [200, 200, 404, 404, 404, 404, 404],
  '/api/students/ann/card/end': [200, 200, 404, 404, 404, 404, 404],
  '/api/sections/boats/cards': [400, 400, 404, 404, 404, 404, 404],
  '/api/sections/boats/own-view/preview': [400, 400, 404, 404, 404, 404, 404],
  '/api/invitations': [400, 403, 403, 403, 403, 403, 400],
  '/api/mail': [400, 403, 403, 403, 403, 403, 400],
  '/api/mail/test': [400, 403, 403, 403, 403, 403, 400],
};

test('every route that names a record, tried by everybody: a stranger is told the same as where there is none', async () => {
  const found: Record<string, number[]> = {};
  for (const [routes, method] of [
    [reading, 'GET'],
    [posting, 'POST'],
  ] as const)
    for (const route of Object.keys(routes)) {
      found[route] = [];
      for (const person of people)
        found[route].push(await status(callers[person], method, route, method === 'POST' ? {} : undefined));
    }
  const { '/api/students/ann/erasure': _both, ...read } = reading;
  expect(found).toEqual({ ...read, ...posting });
});

describe('what each may write', () => {
  const outcomes = async (made: (person: Person) => unknown) => {
    const found: string[] = [];
    for (const person of people) {
      const { answers } = await json<{ answers: { outcome: string }[] }>(
        callers[person],
        'POST',
        '/api/changes',
        { changes: [await made(person)] },
      );
      found.push(answers[0]!.outcome);
    }
    return found.map((outcome) => (outcome === 'applied' ? 'yes' : 'no'));
  };
  const table: [what: string, expected: string, made: (person: Person) => unknown][] = [
    ['a mark', 'yes yes yes yes no no no', () => mark('ann', 'A')],
    ['a mark of a student of another class', 'yes no no no no no no', () => mark('kit', 'A')],
    [
      'the class',
      'yes yes no no no no no',
      () => change('section.set', { id: 'boats', name: 'Boats', subject: '', room: 'Shed' }),
    ],
    [
      'a term of the school',
      'yes no no no no no no',
      () => change('term.set', { id: 'term', name: 'A', startsOn: '2026-11-02', endsOn: '2026-12-04' }),
    ],
    [
      'the note of the class',
      'yes yes no no no no no',
      () => change('note.edit', { id: 'noteShared', text: 'Ann helped Bo a lot', students: [], topics: [] }),
    ],
    [
      'a note of the first one’s own',
      'yes no no no no no no',
      () => change('note.edit', { id: 'noteOwn', text: 'Ann worries me', students: [], topics: [] }),
    ],
    ['a note in the lesson', 'yes yes yes yes no no no', (person) => note(`by-${person}`, 'Seen', false)],
    [
      'a class of one’s own',
      'yes yes yes no yes yes yes',
      (person) => change('section.set', { id: `of-${person}`, name: 'New', subject: '', room: '' }),
    ],
  ];
  test.each(table)('%s', async (_what, expected, made) => {
    expect((await outcomes(made)).join(' ')).toBe(expected);
  });

  test('a note that a cover or an assistant writes is their own; a colleague’s is the class’s', async () => {
    const { note: notes } = await json<{ note: { id: string }[] }>(
      callers.ines,
      'GET',
      '/api/notes?words=seen',
    );
    expect(idsOf(notes)).toEqual(['by-bela', 'by-ines']);
  });
});

test('an invitation’s letter has a link that works, and its copy goes once it is of no use', async () => {
  const wanted = { name: 'Ove Lind', role: 'teacher', sectionId: null, email: 'ove@x.example' };
  const made = await json<{ id: string; token: string; mailed: boolean }>(
    ...([callers.ines, 'POST', '/api/invitations', wanted] as const),
  );
  // No mail server is set up: it is kept, and not called sent.
  expect(made.mailed).toBe(false);
  const letter = path.join(server.folder, 'outbox', `${made.id}.eml`);
  for (let waited = 0; waited < 100 && !fs.existsSync(letter); waited += 1)
    await new Promise((resolve) => setTimeout(resolve, 50));
  const text = fs.readFileSync(letter, 'utf8');
  expect(text).toContain('To: Ove Lind <ove@x.example>');
  expect(text.replace(/=\r\n/g, '')).toContain(`${server.address}/join/${made.token}`);
  const { invitations } = await json<{ invitations: { id: string; letter: object }[] }>(
    ...([callers.ines, 'GET', '/api/colleagues'] as const),
  );
  expect(invitations.find(({ id }) => id === made.id)?.letter).toMatchObject({
    ...{ address: 'ove@x.example', words: 'kept here, sent nowhere' },
  });
  expect(await status(callers.bela, 'GET', `/api/letters/${made.id}/eml`)).toBe(404);
  expect(await status(callers.bela, 'POST', '/api/invitations', wanted)).toBe(403);
  expect(await status(callers.ines, 'POST', '/api/invitations', { ...wanted, email: 'ove' })).toBe(400);
  expect(await status(callers.ines, 'POST', `/api/invitations/${made.id}/end`, {})).toBe(200);
  expect(fs.existsSync(letter)).toBe(false);
});

test('the keeper shares a class of others with somebody, but not with themselves', async () => {
  await send(callers.bela, [change('section.set', { id: 'belas', name: 'Nets', subject: '', room: '' })]);
  const shareWith = (personId: string) =>
    status(callers.ines, 'POST', '/api/sections/belas/teachings', {
      ...{ personId, role: 'teacher', startsOn: null, endsOn: null },
    });
  expect([await shareWith(ids.ines), await shareWith(ids.noor)]).toEqual([403, 200]);
  expect(idsOf((await setupOf('ines')).section)).not.toContain('belas');
});

test('a colleague’s mark makes one’s view old, a change of another class does not', async () => {
  const tag = async () => (await callers.bela.call('GET', '/api/days/2026-11-23')).headers.get('etag') ?? '';
  const before = await tag();
  await send(callers.ines, [
    change('section.set', { id: 'knots', name: 'Knots', subject: '', room: 'Loft' }),
  ]);
  expect(await tag()).toBe(before);
  await send(callers.ines, [await mark('bo', 'L')]);
  expect(await tag()).not.toBe(before);
  const { mark: marks } = await json<{ mark: { studentId: string; standingId: string }[] }>(
    callers.bela,
    'GET',
    '/api/days/2026-11-23',
  );
  expect(marks.find(({ studentId }) => studentId === 'bo')?.standingId).toBe(await standingOf('L'));
});

test('a cover ends with its last day, also for what was not sent before', async () => {
  const folder = server.folder;
  await server.stop();
  server = await startServer({ folder, now: '2026-11-24T08:00:00Z' });
  for (const person of people) callers[person] = callerOf(server.address, callers[person].cookie);
  expect(idsOf((await setupOf('cora')).section)).toEqual(['of-cora']);
  const late = await json<{ answers: { outcome: string; reason: string }[] }>(
    callers.cora,
    'POST',
    '/api/changes',
    { changes: [await mark('ann', 'H')] },
  );
  expect(late.answers[0]).toMatchObject({ outcome: 'refused' });
});
