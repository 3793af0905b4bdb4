import fc from 'fast-check';
import type { AnswerOf } from '@slate-path/core/api/contract';
import { namesLeft, noteText, shown, students } from '../../core/test/namedNotes';
import { invited } from './colleagues';
import { facesOfPdf, sheetsOfPdf, textOfPdf } from './pdfText';
import { change, signedIn, startServer, type Caller, type TestServer } from './server';
import { makeClass, send } from './smallClass';

const lesson = { id: 'boats1', sectionId: 'boats', date: '2026-11-23', startsAt: '10:40', endsAt: '11:30' };
const names = {
  ann: 'Łucja Nguyễn',
  bo: 'Олександр',
  cy: 'أمينة خالد',
  dee: 'दीपा',
  eun: '김민준',
  fen: '李明',
  gur: 'ਗੁਰਪ੍ਰੀਤ',
  han: `Hannelore ${'Maria-Theresia '.repeat(5)}`.slice(0, 80),
};
const tally = (id: string, studentId: string, circleId: string | null = null) => ({
  ...{ id, studentId, lookForId: 'ask', amount: 1, circleId, at: '2026-11-23T10:55:00.000Z' },
});
let server: TestServer;
let ines: Caller;

beforeAll(async () => {
  server = await startServer({ now: '2026-11-23T12:00:00Z' });
  ines = await signedIn(server.address);
  await makeClass(ines, 'boats', names);
  await makeClass(ines, 'knots', { kit: 'Kittiwake' }, 'k');
  await send(ines, [
    change('roll.mark', { lesson, marks: [], takenAt: '2026-11-23T10:41:00.000Z' }),
    change('lookFor.set', {
      ...{ id: 'ask', name: 'Asked why', tone: 'wanted', sign: 'question', measure: 'count' },
      ...{ sectionId: null, position: 1 },
    }),
    change('tallying.set', { lesson, onAt: '2026-11-23T10:41:00.000Z', offAt: null, focusId: null }),
    change('tally.add', { lesson, tallies: [1, 2, 3].map((n) => tally(`t${n}`, 'ann')) }),
    change('circle.begin', {
      ...{ lesson, id: 'ring', lookForIds: ['ask'], groupName: '', startedAt: '2026-11-23T10:50:00.000Z' },
      members: Object.keys(names).map((studentId, place) => ({
        ...{ studentId, place, goalLookForId: 'ask', goalCount: 2, feedback: '' },
        ...{ nextLookForId: null, nextCount: null },
      })),
    }),
    change('tally.add', { lesson, tallies: [tally('r1', 'bo', 'ring')] }),
    change('circle.feedback', { circleId: 'ring', studentId: 'ann', feedback: 'Listen first.' }),
    change('circle.nextGoal', { circleId: 'ring', studentId: 'ann', nextLookForId: 'ask', nextCount: 3 }),
    change('circle.end', { id: 'ring', endedAt: '2026-11-23T11:20:00.000Z' }),
  ]);
});
afterAll(() => server.stop());

const bytesOf = async (answer: Response) => {
  expect([answer.status, answer.headers.get('content-type')]).toEqual([200, 'application/pdf']);
  return new Uint8Array(await answer.arrayBuffer());
};
const reports = (own: object = {}) => ({
  ...{ studentIds: Object.keys(names), language: 'en', from: '2026-11-02', to: '2026-11-23' },
  ...{ presence: true, engagement: false, work: false, weather: false, lookForIds: ['ask'] },
  ...{ sentences: true, comments: {}, paper: 'A4', ...own },
});

test('reports name each student on sheets of their own, in every script, and nobody else', async () => {
  const comments = { ann: 'She helped Олександр and Kittiwake; look up <b>.', cy: 'الطالبة مجتهدة' };
  const pdf = await bytesOf(await ines.call('POST', '/api/reports', reports({ comments, circles: true })));
  const sheets = textOfPdf(pdf).split('\f').filter(Boolean);
  expect(sheets).toHaveLength(8);
  const read = Object.values(names).map((name) => name.split(' ')[0]!);
  // Marks that are drawn before their letter are read in the order in which they stand: that of the Indic scripts.
  const plain = read.flatMap((name, at) => (/[\u0900-\u0A7F]/.test(name) ? [] : [{ name, at }]));
  for (const { name, at } of plain) {
    expect(sheets[at]).toContain(name);
    sheets.forEach((sheet, other) => {
      if (other !== at) expect(sheet).not.toContain(name);
    });
  }
  expect(sheets[0]).toContain('She helped О. T. and K. T.; look up <b>.');
  expect(sheets[0]).toContain('3 times in 1 lesson observed');
  expect(sheets[0]).toMatch(/From discussions[^]*Listen first\.\s+Goal: Asked why \(2\), not reached/);
  expect(sheets[2]).toContain('الطالبة مجتهدة');
  // An English sentence about somebody with an Arabic name is read from left to right.
  expect(sheets[2]).toMatch(/^ {0,12}\S? ?أمينة\S* ?was there in the one lesson taken\./m);
  expect(sheets[1]).toContain('Page 1');
});

test('every typeface is embedded and cut down, on A4 as on Letter', async () => {
  const pdf = await bytesOf(await ines.call('POST', '/api/reports', reports()));
  const faces = facesOfPdf(pdf);
  expect(faces.length).toBeGreaterThan(6);
  expect(faces.filter(({ embedded, subset }) => !embedded || !subset)).toEqual([]);
  expect(sheetsOfPdf(pdf).size).toContain('A4');
  const letter = await bytesOf(await ines.call('POST', '/api/reports', reports({ paper: 'Letter' })));
  expect(sheetsOfPdf(letter).size).toContain('letter');
});

test('a register, totals, counts, notes and a page are PDFs with what their tables have', async () => {
  const range = 'from=2026-11-02&to=2026-11-30';
  const get = async (path: string) => textOfPdf(await bytesOf(await ines.call('GET', path)));
  const register = await get(`/api/sections/boats/roll?${range}&format=pdf`);
  expect(register).toMatch(/Łucja Nguyễn Tanaka\s+–\s+–\s+–\s+H/);
  expect(register).toContain('23.11.');
  expect(await get(`/api/sections/boats/roll?${range}&format=pdf&detail=totals`)).not.toContain('23.11.');
  const counts = await get(`/api/sections/boats/counts-file?${range}&format=pdf&lookForId=ask`);
  expect(counts).toMatch(/Łucja Nguyễn\s+Tanaka\s+3|Łucja Nguyễn Tanaka\s+3/);
  expect(await get(`/api/sections/boats/counts-file?from=2026-10-01&to=2026-10-02&format=pdf`)).toContain(
    'Nothing was counted',
  );
  expect(await get('/api/students/ann/notes-file?format=pdf')).toContain('Notes on Łucja');
  expect(await get(`/api/sections/boats/work-file?${range}&format=pdf`)).not.toContain('Łucja');
  const settings = {
    ...{ studentIds: ['ann'], reader: 'Mo', relation: 'home', language: 'de', from: '2026-11-02', to: null },
    ...{ presence: true, engagement: false, work: false, weather: false, noteIds: [], stepIds: [] },
    ...{ lookFors: [{ id: 'ask', comment: 'Every day.' }], summary: 'Gut.', mayWriteBack: false },
  };
  const page = await bytesOf(await ines.call('POST', '/api/reader-pages/paper', { settings }));
  expect(textOfPdf(page)).toMatch(/Gut\.[^]*mal je Stunde[^]*Every day\./);
});

test('200 notes with several children name no other in a page or its PDF', async () => {
  const own = Object.fromEntries(students.map(({ id }) => [id, id]));
  await makeClass(ines, 'watch', own, 'w');
  await send(
    ines,
    students.map(({ id, ...rest }) =>
      change('student.set', { id, student: { ...rest, grade: '', schoolId: '' }, guardians: [] }),
    ),
  );
  const texts = fc.sample(noteText, { numRuns: 200, seed: 24 });
  const idOf = (at: number) => `told${at}`;
  await send(
    ines,
    texts.map((text, at) =>
      change('note.write', {
        ...{ id: idOf(at), text, own: false, at: '2026-11-23T11:00:00.000Z', happenedAt: null, lesson: null },
        ...{ sectionId: 'watch', place: '', doubts: [], topics: [], lookAgainOn: null },
        students: [{ studentId: shown!.id, spans: [] }],
      }),
    ),
  );
  const wanted = (noteIds: string[]) => ({
    ...{
      studentIds: [shown!.id],
      reader: 'Mo',
      relation: 'home',
      language: 'en',
      from: '2026-11-02',
      to: null,
    },
    ...{ presence: true, engagement: true, work: true, weather: true, circles: true, lookFors: [] },
    ...{ noteIds, stepIds: [], summary: texts[0], mayWriteBack: false },
  });
  let told = 0;
  for (let from = 0; from < texts.length; from += 50) {
    const settings = wanted(texts.slice(from, from + 50).map((_text, at) => idOf(from + at)));
    const rest = { settings, until: '2026-12-07', code: '' };
    const { html } = (await (
      await ines.call('POST', '/api/reader-pages/preview', rest)
    ).json()) as AnswerOf<'previewPage'>;
    const paper = await bytesOf(await ines.call('POST', '/api/reader-pages/paper', { settings }));
    const read = [html.replace(/<[^>]*>/g, ' '), textOfPdf(paper)];
    expect(read.map(namesLeft)).toEqual([[], []]);
    told += read[1]!.split('23 November').length - 2;
  }
  expect(told).toBeGreaterThan(190);
});

test('slips of feedback stand four to a sheet, each with its student’s name, goal and next goal', async () => {
  const pdf = await bytesOf(await ines.call('GET', '/api/circles/ring/file?format=pdf'));
  expect(sheetsOfPdf(pdf).pages).toBe(2);
  const text = textOfPdf(pdf);
  expect(text).toContain('Listen first.');
  expect(text).toContain('Goal: Asked why (2)');
  expect(text).toContain('Next time: Asked why (3)');
});

test('nothing chosen, nobody, an endless range and a stranger’s student are refused in words', async () => {
  const refused = async (own: object) => {
    const answer = await ines.call('POST', '/api/reports', reports(own));
    return [answer.status, ((await answer.json()) as { detail: string }).detail];
  };
  expect(await refused({ presence: false, lookForIds: [] })).toEqual([
    400,
    expect.stringContaining('Nothing is chosen'),
  ]);
  expect(await refused({ studentIds: [] })).toEqual([400, expect.stringContaining('Whom are they about')]);
  expect(await refused({ from: '2020-01-01' })).toEqual([400, expect.stringContaining('four years')]);
  expect(await refused({ studentIds: ['nobody'] })).toEqual([
    404,
    expect.stringContaining('no student of yours'),
  ]);
});

test('a PDF that nobody waits for is not made, and the server goes on', async () => {
  const controller = new AbortController();
  const many = Array.from({ length: 40 }, (_, at) => Object.keys(names)[at % 8]);
  const asked = fetch(`${server.address}/api/reports`, {
    method: 'POST',
    headers: { cookie: ines.cookie, 'content-type': 'application/json' },
    body: JSON.stringify(reports({ studentIds: many })),
    signal: controller.signal,
  });
  setTimeout(() => {
    controller.abort();
  }, 150);
  await expect(asked).rejects.toThrow('abort');
  expect((await ines.call('GET', '/api/setup')).status).toBe(200);
  await bytesOf(await ines.call('POST', '/api/reports', reports({ studentIds: ['ann'] })));
});

test('whoever makes a document stands at its foot, in whatever script', async () => {
  const odysseas = await invited(server, ines, {
    name: 'Οδυσσέας Παππάς',
    role: 'teacher',
    sectionId: 'knots',
  });
  const asked = reports({ studentIds: ['kit'], lookForIds: [] });
  const text = textOfPdf(await bytesOf(await odysseas.call('POST', '/api/reports', asked)));
  expect(text).toContain('Οδυσσέας Παππάς, 23 November 2026');
});

test('a letter that no typeface has is shown as missing, and long words stay on the sheet', async () => {
  const comments = { ann: `One 😀 two\u0007 ${'x'.repeat(400)}\nlast` };
  const asked = reports({ studentIds: ['ann'], presence: false, lookForIds: [], comments });
  const text = textOfPdf(await bytesOf(await ines.call('POST', '/api/reports', asked)));
  expect(text).toContain('One \uFFFD two');
  expect(text).toContain('last');
});
