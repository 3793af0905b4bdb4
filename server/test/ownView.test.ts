import type { AnswerOf } from '@slate-path/core/api/contract';
import { routes } from '../src/http/routes';
import { invited } from './colleagues';
import { facesOfPdf, sheetsOfPdf, textOfPdf } from './pdfText';
import { callerOf, change, signedIn, startServer, type Caller, type TestServer } from './server';
import { makeClass, send } from './smallClass';

const lesson = { id: 'boats1', sectionId: 'boats', date: '2026-11-23', startsAt: '10:40', endsAt: '11:30' };
const at = '2026-11-23T10:55:00.000Z';
const settings = {
  ...{ presence: true, circles: true, work: true, weather: true, words: true, language: 'en' },
};
let server: TestServer;
let ines: Caller;
let bela: Caller;

const json = async <T>(answer: Promise<Response>): Promise<T> => (await (await answer).json()) as T;
const show = (own: object | null = {}, section = 'boats', by = ines) =>
  by.call('POST', `/api/sections/${section}/own-view`, { settings: own && { ...settings, ...own } });
const card = async (studentId: string, by = ines) =>
  (await json<AnswerOf<'replaceCard'>>(by.call('POST', `/api/students/${studentId}/card`))).token;
const open = (token: string) => fetch(`${server.address}/mine/${token}`);
const page = async (token: string) => (await open(token)).text();
const write = (token: string, fields: Record<string, string>) =>
  fetch(`${server.address}/mine/${token}`, { method: 'POST', body: new URLSearchParams(fields) });

beforeAll(async () => {
  server = await startServer({ now: '2026-11-23T12:00:00Z' });
  ines = await signedIn(server.address);
  await makeClass(ines, 'boats', { ann: 'Annika', bo: 'Bogdan', cy: 'Cyrille' });
  await makeClass(ines, 'knots', { kit: 'Kittiwake' }, 'k');
  bela = await invited(server, ines, { name: 'Bela Roth', role: 'teacher', sectionId: 'boats' });
  const setup = await json<{ lookFor: { id: string }[]; standing: { id: string; countsAs: string }[] }>(
    ines.call('GET', '/api/setup'),
  );
  const lookForId = setup.lookFor[0]!.id;
  const late = setup.standing.find(({ countsAs }) => countsAs === 'late')!.id;
  const member = (studentId: string, place: number, feedback: string) => ({
    ...{ studentId, place, feedback, goalLookForId: lookForId, goalCount: 1 },
    ...{ nextLookForId: null, nextCount: null },
  });
  await send(ines, [
    change('roll.mark', {
      lesson,
      marks: [{ studentId: 'ann', standingId: late, arrivedAt: '10:52', leftAt: null }],
      takenAt: at,
    }),
    change('circle.begin', {
      ...{ lesson, id: 'ring', lookForIds: [lookForId], groupName: '', startedAt: at },
      members: [member('ann', 0, 'You let Bogdan finish. Good.'), member('bo', 1, 'For Bogdan only.')],
    }),
    change('circle.end', { id: 'ring', endedAt: '2026-11-23T11:20:00.000Z' }),
    change('note.write', {
      ...{ id: 'noteA', text: 'Annika worries me.', own: false, at, happenedAt: null, lesson },
      ...{ sectionId: 'boats', place: '', doubts: [], students: [{ studentId: 'ann', spans: [] }] },
      ...{ topics: [], lookAgainOn: null },
    }),
  ]);
});
afterAll(() => server.stop());

test('a class shows nothing until its teacher says so; then a card shows what was chosen, and nothing of anybody else', async () => {
  const token = await card('ann');
  expect((await open(token)).status).toBe(404);
  expect((await show()).status).toBe(200);
  const answer = await open(token);
  const text = await answer.text();
  expect(answer.headers.get('cache-control')).toBe('no-store');
  expect(text).toContain('Annika Tanaka');
  expect(text).toContain('1 of 1 lessons');
  expect(text).toContain('counts as there, but late');
  expect(text).toContain('You let B. T. finish. Good.');
  expect(text).not.toMatch(/Bogdan|Cyrille|worries|For Bogdan|<script/);
  await show({ circles: false, presence: false });
  expect(await page(token)).not.toMatch(/of 1 lessons|counts as|finish/);
  await show({ language: 'de' });
  expect(await page(token)).toMatch(/Deine eigene Seite[^]*1 von 1/);
  expect(
    (await show({ presence: false, circles: false, work: false, weather: false, words: false })).status,
  ).toBe(400);
  await show(null);
  expect((await open(token)).status).toBe(404);
  await show();
});

test('what a teacher sees of it is what the student gets', async () => {
  const { html } = await json<AnswerOf<'previewOwnView'>>(
    ines.call('POST', '/api/sections/boats/own-view/preview', { settings, studentId: 'ann' }),
  );
  expect(await page(await card('ann'))).toBe(html);
  const other = ines.call('POST', '/api/sections/boats/own-view/preview', { settings, studentId: 'kit' });
  expect((await other).status).toBe(404);
});

test('a card that is replaced or ended, one with a slip in it, and one that never was answer alike', async () => {
  const lost = await card('ann');
  const found = await card('ann');
  const ended = await card('bo');
  await ines.call('POST', '/api/students/bo/card/end');
  expect((await open(found)).status).toBe(200);
  const seen = await Promise.all(
    [lost, ended, `${found.slice(1)}x`, 'none'].map(async (one) => {
      const answer = await open(one);
      const headers = [...answer.headers].filter(([name]) => !['date', 'content-length'].includes(name));
      return [answer.status, await answer.text(), headers];
    }),
  );
  expect(seen[0]![0]).toBe(404);
  for (const one of seen) expect(one).toEqual(seen[0]);
  const { cards } = await json<AnswerOf<'ownView'>>(bela.call('GET', '/api/sections/boats/own-view'));
  expect(cards.find(({ studentId }) => studentId === 'ann')).toMatchObject({
    openings: 1,
    openedAt: expect.any(String),
  });
  expect(cards.find(({ studentId }) => studentId === 'bo')).toMatchObject({ madeAt: null, openings: 0 });
});

test('a card opens its own page and no other route', async () => {
  const token = await card('ann');
  const stranger = callerOf(server.address, `session=${token}; slate=${token}`);
  const tried: Record<string, number> = {};
  for (const { path, method, allow } of routes) {
    if (path === '/mine/{token}') continue;
    const address = path.replace(/\{\w+\}/g, token);
    const answer = await stranger.call(method.toUpperCase(), address, method === 'post' ? {} : undefined);
    const refused =
      allow === 'anyone'
        ? answer.status < 500 && !(await answer.text()).includes('Annika')
        : answer.status === 401;
    if (!refused) tried[`${method} ${path}`] = answer.status;
  }
  expect(tried).toEqual({});
});

test('a word to the teacher is a note of their own; empty, repeated, long and many are bounded, and only where it was offered', async () => {
  const token = await card('cy');
  const notes = async () =>
    (await json<AnswerOf<'studentPath'>>(ines.call('GET', '/api/students/cy/path'))).note;
  const words = '<img src=x onerror=alert(1)> may I sit in front?';
  expect(await (await write(token, { section: 'boats', words })).text()).toContain(
    'Ines Halloran has your words',
  );
  await write(token, { section: 'boats', words });
  expect(await notes()).toMatchObject([
    { text: `Cyrille Tanaka wrote:\n\n${words}`, own: true, sectionId: 'boats' },
  ]);
  expect(await (await write(token, { section: 'boats', words: ' ' })).text()).toContain(
    'Nothing was written',
  );
  expect(await (await write(token, { section: 'boats', words: 'ü'.repeat(20_000) })).text()).toContain(
    'first 2000',
  );
  for (let time = 0; time < 9; time += 1) await write(token, { section: 'boats', words: `more ${time}` });
  expect(await (await write(token, { section: 'boats', words: 'again' })).text()).toContain(
    'Nothing more can be',
  );
  expect(await notes()).toHaveLength(10);
  await write(token, { section: 'knots', words: 'to another class' });
  await show({ words: false });
  expect(await page(token)).not.toContain('<form');
  await write(token, { section: 'boats', words: 'not offered' });
  expect(await notes()).toHaveLength(10);
  await show();
});

test('cards come eight to a sheet, with names and codes of their own; only for who is in the class', async () => {
  const made = await ines.call('POST', '/api/sections/boats/cards', {
    studentIds: ['ann', 'bo', 'cy'],
    paper: 'Letter',
  });
  const pdf = new Uint8Array(await made.arrayBuffer());
  expect([made.status, sheetsOfPdf(pdf).pages, sheetsOfPdf(pdf).size]).toEqual([
    200,
    1,
    expect.stringContaining('letter'),
  ]);
  const text = textOfPdf(pdf);
  for (const name of ['Annika', 'Bogdan', 'Cyrille']) expect(text).toContain(name);
  expect(facesOfPdf(pdf).filter(({ embedded }) => !embedded)).toEqual([]);
  expect((await ines.call('POST', '/api/sections/boats/cards', { studentIds: ['kit'] })).status).toBe(404);
});

test('a class is shown with the rights of who decided it, and a card goes with an erased student', async () => {
  await show({}, 'boats', bela);
  const token = await card('ann');
  expect(await page(token)).toContain('Bela Roth');
  const { teachings } = await json<AnswerOf<'colleagues'>>(ines.call('GET', '/api/colleagues'));
  const session = await json<AnswerOf<'session'>>(bela.call('GET', '/api/session'));
  const ofBela = teachings.find(({ personId }) => personId === session.teacher?.id)!;
  await ines.call('POST', `/api/teachings/${ofBela.id}/end`);
  expect((await open(token)).status).toBe(404);
  await show();
  expect(await page(token)).toContain('Ines Halloran');
  const bos = await card('bo');
  await ines.call('POST', '/api/students/bo/erasure', { name: 'Bogdan Tanaka' });
  expect((await open(bos)).status).toBe(404);
});
