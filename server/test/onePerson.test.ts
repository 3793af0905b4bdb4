import { invited, keeperElsewhere } from './colleagues';
import { change, signedIn, startServer, type Caller, type TestServer } from './server';
import { makeClass, send } from './smallClass';

const now = '2026-11-23T12:00:00Z';
/** Ann is in Ines's Boats, and from the second test on in Bela's Tides. */
const people = ['ines', 'bela', 'asa', 'hela', 'noor', 'far'] as const;
type Person = (typeof people)[number];

let server: TestServer;
let callers: Record<Person, Caller>;
let ids: Record<Person, string>;

const json = async <T>(person: Person, method: string, route: string, body?: unknown): Promise<T> =>
  (await (await callers[person].call(method, route, body)).json()) as T;
const status = async (person: Person, method: string, route: string, body?: unknown) =>
  (await callers[person].call(method, route, body)).status;

const invite = (name: string, role: string, sectionId: string | null) =>
  invited(server, callers.ines, { name, role, sectionId });

beforeAll(async () => {
  server = await startServer({ now });
  callers = { ines: await signedIn(server.address) } as Record<Person, Caller>;
  await makeClass(callers.ines, 'boats', { ann: 'Ann', bo: 'Bo' });
  callers.bela = await invite('Bela Roth', 'teacher', null);
  callers.asa = await invite('Asa Quill', 'assistant', 'boats');
  callers.hela = await invite('Hela Brandt', 'reader', null);
  callers.noor = await invite('Noor Pahl', 'teacher', null);
  callers.far = await keeperElsewhere(server, now);
  ids = {} as Record<Person, string>;
  for (const person of people) {
    const { teacher } = await json<{ teacher: { id: string } }>(person, 'GET', '/api/session');
    ids[person] = teacher.id;
  }
  for (const person of ['bela', 'far'] as const)
    await send(callers[person], [
      change('section.set', { id: `tides of ${person}`, name: 'Tides', subject: '', room: '' }),
    ]);
});
afterAll(() => server.stop());

interface Row {
  fate: string;
  studentId: string | null;
  candidates: string[];
  atSchool: unknown[];
}
const readBy = async (person: Person, text: string) =>
  (await json<{ rows: Row[] }>(person, 'POST', `/api/sections/tides of ${person}/roster-reading`, text)).rows;
const asking = { givenName: 'Ann', familyName: 'Tanaka', email: '', schoolId: '' };
const joining = (person: Person) => ({
  sectionId: `tides of ${person}`,
  people: [
    {
      ...{ id: 'ann', added: null, changed: {}, guardians: [] },
      enrolment: { id: `ann in tides of ${person}`, cohort: '', startsOn: null },
    },
  ],
});

test('a roster proposes that somebody is in a colleague’s class already; another school hears nothing', async () => {
  const [row] = await readBy('bela', 'Name\nAnn Tanaka');
  expect([row?.fate, row?.candidates, row?.atSchool]).toEqual([
    'in_doubt',
    ['ann'],
    [{ id: 'ann', taught: 'in Ines Halloran’s Boats' }],
  ]);
  const [far] = await readBy('far', 'Name\nAnn Tanaka');
  expect([far?.fate, far?.atSchool]).toEqual(['new', []]);
  const asked = (person: Person) =>
    json<{ found: unknown[] }>(person, 'POST', `/api/sections/tides of ${person}/at-school`, asking);
  expect((await asked('bela')).found).toEqual([{ id: 'ann', taught: 'in Ines Halloran’s Boats' }]);
  expect((await asked('far')).found).toEqual([]);
});

test('they come into a second class as one person, of the same school only', async () => {
  const answers = async (person: Person) => {
    const changes = [change('roster.accept', joining(person))];
    const { answers: found } = await json<{ answers: { outcome: string }[] }>(
      ...([person, 'POST', '/api/changes', { changes }] as const),
    );
    return found.map(({ outcome }) => outcome);
  };
  expect(await answers('far')).toEqual(['refused']);
  expect(await answers('bela')).toEqual(['applied']);
  const { student } = await json<{ student: { id: string; givenName: string }[] }>(
    'bela',
    'GET',
    '/api/setup',
  );
  expect(student.map(({ id, givenName }) => [id, givenName])).toEqual([['ann', 'Ann']]);
  const [row] = await readBy('bela', 'Name\nAnn Tanaka');
  expect([row?.fate, row?.studentId, row?.atSchool]).toEqual(['same', 'ann', []]);
});

const lesson = (sectionId: string) => ({
  ...{ id: `lesson of ${sectionId}`, sectionId, date: '2026-11-23' },
  ...{ startsAt: '10:40', endsAt: '11:30' },
});
const note = (id: string, sectionId: string, own: boolean) =>
  change('note.write', {
    ...{ id, own, at: '2026-11-23T11:00:00.000Z', happenedAt: null, lesson: lesson(sectionId), sectionId },
    text: 'Ann rowed with Bo',
    ...{ place: '', doubts: [], topics: [], lookAgainOn: null },
    students: [
      { studentId: 'ann', spans: [{ from: 0, to: 3 }] },
      ...(sectionId === 'boats' ? [{ studentId: 'bo', spans: [{ from: 15, to: 17 }] }] : []),
    ],
  });
const mark = (sectionId: string, standingId: string) =>
  change('roll.mark', {
    lesson: lesson(sectionId),
    marks: [{ studentId: 'ann', standingId, arrivedAt: null, leftAt: null }],
  });

interface Path {
  mark: { lessonId: string }[];
  note: { id: string; text: string }[];
  work: { title: string }[];
  handIn: { studentId: string; score: number }[];
}

test('each teacher sees their own part of the path', async () => {
  const { standing } = await json<{ standing: { id: string }[] }>('ines', 'GET', '/api/setup');
  await send(callers.ines, [
    mark('boats', standing[0]!.id),
    note('of boats', 'boats', false),
    note('of Ines alone', 'boats', true),
  ]);
  await send(callers.bela, [
    mark('tides of bela', standing[0]!.id),
    note('of tides', 'tides of bela', false),
    note('of Bela alone', 'tides of bela', true),
  ]);
  const seen = async (person: Person) => {
    const path = await json<Path>(person, 'GET', '/api/students/ann/path');
    return [...path.mark.map(({ lessonId }) => lessonId), ...path.note.map(({ id }) => id)].sort();
  };
  expect(await seen('ines')).toEqual(['lesson of boats', 'of Ines alone', 'of boats']);
  expect(await seen('bela')).toEqual(['lesson of tides of bela', 'of Bela alone', 'of tides']);
});

describe('a path that is given to somebody', () => {
  let grantId: string;
  const whole = '/api/students/ann/granted-path';
  const give = (person: Person, to: Person) =>
    status(person, 'POST', '/api/students/ann/path-grants', { personId: ids[to] });

  test.each<[Person, Person, number, string]>([
    ['asa', 'hela', 404, 'an assistant gives nothing'],
    ['noor', 'hela', 404, 'nor does somebody who does not teach them'],
    ['far', 'hela', 404, 'nor another school'],
    ['hela', 'hela', 404, 'nor a reader'],
    ['ines', 'ines', 403, 'nobody gives it to themselves'],
    ['ines', 'asa', 409, 'nobody to an assistant'],
    ['ines', 'far', 404, 'nobody to another school'],
  ])('%s to %s: %d, %s', async (by, to, expected) => {
    expect(await give(by, to)).toBe(expected);
    expect(await status(to, 'GET', whole)).toBe(404);
  });

  test('is read whole: all classes, no own notes, other students by their initials', async () => {
    const log = 'Name,When,Action,Course\nAnn Tanaka,2026-11-18 09:05,opened,Log book\n';
    await callers.ines.call('POST', '/api/sections/boats/activity', new TextEncoder().encode(log));
    const grades = { assignedAt: null, dueAt: '2026-11-20T08:30:00', points: 20, studentId: null };
    const came = { handedInAt: null, handedBackAt: null, score: 15 };
    await send(callers.ines, [
      change('piece.set', { id: 'log', sectionId: 'boats', title: 'Log 1', ...grades }),
      change('handIn.set', {
        ...{ sectionId: 'boats', workId: 'log' },
        handIns: ['ann', 'bo'].map((studentId) => ({ studentId, status: 'handed_in', ...came })),
      }),
    ]);
    const given = await json<{ id: string }>('ines', 'POST', '/api/students/ann/path-grants', {
      personId: ids.hela,
    });
    grantId = given.id;
    interface Given extends Record<'classes' | 'elsewhere', unknown> {
      path: Path;
      writers: Record<string, string>;
    }
    const found = await json<Given>('hela', 'GET', whole);
    expect(found.elsewhere).toEqual([{ day: '2026-11-18', count: 1 }]);
    expect(found.path.work.map(({ title }) => title)).toEqual(['Log 1']);
    expect(found.path.handIn.map(({ studentId, score }) => [studentId, score])).toEqual([['ann', 15]]);
    expect(found.path.mark.map(({ lessonId }) => lessonId).sort()).toEqual([
      'lesson of boats',
      'lesson of tides of bela',
    ]);
    expect(found.path.note.map(({ id, text }) => [id, text]).sort()).toEqual([
      ['of boats', 'Ann rowed with B. T.'],
      ['of tides', 'Ann rowed with Bo'],
    ]);
    expect(found.writers).toEqual({ 'of boats': 'Ines Halloran', 'of tides': 'Bela Roth' });
    expect(found.classes).toEqual([
      { sectionId: 'boats', name: 'Boats', teachers: ['Ines Halloran'] },
      { sectionId: 'tides of bela', name: 'Tides', teachers: ['Bela Roth'] },
    ]);
    const { given: list } = await json<{ given: { student: { id: string } }[] }>(
      'hela',
      'GET',
      '/api/path-grants',
    );
    expect(list.map(({ student }) => student.id)).toEqual(['ann']);
    const setup = await json<Record<string, unknown[]>>('hela', 'GET', '/api/setup');
    expect([setup['student'], setup['section'], setup['lesson']]).toEqual([[], [], []]);
  });

  test.each<[Person, number, number]>([
    ['ines', 404, 200],
    ['bela', 404, 200],
    ['asa', 404, 404],
    ['hela', 200, 404],
    ['noor', 404, 404],
    ['far', 404, 404],
  ])('%s: the whole path %d, to whom it is given %d', async (person, path, to) => {
    expect(await status(person, 'GET', whole)).toBe(path);
    expect(await status(person, 'GET', '/api/students/ann/path-grants')).toBe(to);
  });

  test('a reader writes nothing, and is shared no class', async () => {
    const { answers } = await json<{ answers: { outcome: string }[] }>('hela', 'POST', '/api/changes', {
      changes: [
        note('of Hela', 'boats', false),
        change('section.set', { id: 's', name: 'S', subject: '', room: '' }),
      ],
    });
    expect(answers.map(({ outcome }) => outcome)).toEqual(['refused', 'refused']);
    const body = { personId: ids.hela, role: 'teacher', startsOn: null, endsOn: null };
    expect(await status('ines', 'POST', '/api/sections/boats/teachings', body)).toBe(409);
    const invitation = { name: 'Ora', role: 'reader', sectionId: 'boats' };
    expect(await status('ines', 'POST', '/api/invitations', invitation)).toBe(400);
  });

  test.each<[Person, number]>([
    ['asa', 404],
    ['noor', 404],
    ['far', 404],
    ['bela', 200],
    ['bela', 404],
  ])('%s takes it back: %d', async (person, expected) => {
    expect(await status(person, 'POST', `/api/path-grants/${grantId}/end`, {})).toBe(expected);
    expect(await status('hela', 'GET', whole)).toBe(expected === 404 && person !== 'bela' ? 200 : 404);
  });
});

test('whoever assists in a class brings its student into their own, with what the roster says otherwise', async () => {
  const body = { personId: ids.noor, role: 'assistant', startsOn: null, endsOn: null };
  expect(await status('ines', 'POST', '/api/sections/boats/teachings', body)).toBe(200);
  await send(callers.noor, [
    change('section.set', { id: 'tides of noor', name: 'Tides', subject: '', room: '' }),
  ]);
  const bo = { ...joining('noor').people[0], id: 'bo', changed: { email: 'bo@x.example' } };
  const elsewhere = { ...bo, enrolment: null };
  const outcome = async (person: object) => {
    const changes = [change('roster.accept', { sectionId: 'tides of noor', people: [person] })];
    const { answers } = await json<{ answers: { outcome: string }[] }>('noor', 'POST', '/api/changes', {
      changes,
    });
    return answers[0]?.outcome;
  };
  expect([await outcome(elsewhere), await outcome(bo)]).toEqual(['refused', 'applied']);
  const { student } = await json<{ student: { id: string; email: string }[] }>('ines', 'GET', '/api/setup');
  expect(student.find(({ id }) => id === 'bo')?.email).toBe('bo@x.example');
});

test('what somebody is in classes follows from what they are at the school', async () => {
  const set = (role: string) => status('ines', 'POST', `/api/members/${ids.bela}`, { role, isKeeper: false });
  expect(await set('assistant')).toBe(409);
  const body = { personId: ids.noor, role: 'teacher', startsOn: null, endsOn: null };
  expect(await status('bela', 'POST', '/api/sections/tides of bela/teachings', body)).toBe(200);
  expect(await set('assistant')).toBe(200);
  const roles = async () =>
    (
      await json<{ teachings: { personId: string; role: string }[] }>('noor', 'GET', '/api/colleagues')
    ).teachings
      .filter(({ personId }) => personId === ids.bela)
      .map(({ role }) => role);
  expect(await roles()).toEqual(['assistant']);
  expect(await set('reader')).toBe(200);
  expect(await roles()).toEqual([]);
  expect((await json<{ section: unknown[] }>('bela', 'GET', '/api/setup')).section).toEqual([]);
});
