import { strToU8, unzipSync, zipSync } from 'fflate';
import type { AnswerOf } from '@slate-path/core/api/contract';
import { routes } from '../src/http/routes';
import { invited } from './colleagues';
import { callerOf, change, signedIn, startServer, type Caller, type TestServer } from './server';
import { makeClass, send } from './smallClass';

const clock = { at: '2026-11-23T12:00:00Z' };
const lesson = { id: 'boats1', sectionId: 'boats', date: '2026-11-23', startsAt: '10:40', endsAt: '11:30' };
let server: TestServer;
let ines: Caller;
let bela: Caller;

const settings = {
  ...{ studentIds: ['ann'], reader: 'Mo Tanaka', relation: 'home', language: 'en' },
  ...{ from: '2026-11-02', to: null, presence: true, engagement: true, work: true, weather: false },
  ...{ lookFors: [], noteIds: [], stepIds: [], summary: '', mayWriteBack: true },
};
const page = (own: object = {}, rest: object = {}) => ({
  ...{ settings: { ...settings, ...own }, until: '2026-12-07', code: '', email: '' },
  ...rest,
});
const make = async (own: object = {}, rest: object = {}, by = ines) => {
  const answer = await by.call('POST', '/api/reader-pages', page(own, rest));
  return (await answer.json()) as AnswerOf<'makePage'>;
};
const preview = async (own: object = {}) => {
  const { email: _none, ...wanted } = page(own);
  return (await (
    await ines.call('POST', '/api/reader-pages/preview', wanted)
  ).json()) as AnswerOf<'previewPage'>;
};
const open = (token: string) => fetch(`${server.address}/read/${token}`);
const form = (token: string, fields: Record<string, string>) =>
  fetch(`${server.address}/read/${token}`, { method: 'POST', body: new URLSearchParams(fields) });
const notesOf = async (studentId: string) => {
  const answer = await ines.call('GET', `/api/students/${studentId}/path`);
  return ((await answer.json()) as AnswerOf<'studentPath'>).note;
};
const noteOn = (id: string, text: string, own = false) =>
  change('note.write', {
    ...{ id, text, own, at: '2026-11-23T11:00:00.000Z', happenedAt: null, lesson, sectionId: 'boats' },
    ...{ place: '', doubts: [], students: [{ studentId: 'ann', spans: [] }], topics: [], lookAgainOn: null },
  });

beforeAll(async () => {
  server = await startServer({ now: clock.at });
  ines = await signedIn(server.address);
  await makeClass(ines, 'boats', { ann: 'Annika', bo: 'Bogdan', cy: 'Cyrille' });
  await makeClass(ines, 'knots', { kit: 'Kittiwake' }, 'k');
  bela = await invited(server, ines, { name: 'Bela Roth', role: 'teacher', sectionId: 'boats' });
  await send(ines, [
    change('roll.mark', { lesson, marks: [], takenAt: '2026-11-23T10:41:00.000Z' }),
    noteOn('noteA', 'Annika helped Bogdan and Kittiwake with the knot <b>twice</b>.'),
    noteOn('noteOwn', 'Only for me.', true),
  ]);
});
afterAll(() => server.stop());

test('what is previewed is what its reader gets, byte for byte, and no script, cookie or cache is in it', async () => {
  const { html, named, shortened } = await preview({ noteIds: ['noteA', 'noteOwn'] });
  expect(named).toEqual(['Annika Tanaka', 'Ines Halloran']);
  expect(shortened.map(({ as }) => as).sort()).toEqual(['B. T.', 'K. T.']);
  const { token } = await make({ noteIds: ['noteA', 'noteOwn'] });
  const answer = await open(token);
  const text = await answer.text();
  expect(text).toBe(html);
  expect(text).toContain('1 of 1 lessons');
  expect(text).toContain('Annika helped B. T. and K. T. with the knot &lt;b&gt;twice&lt;/b&gt;.');
  expect(text).not.toMatch(/Bogdan|Kittiwake|Only for me|<script|javascript:/i);
  expect(answer.headers.get('cache-control')).toBe('no-store');
  expect(answer.headers.get('x-robots-tag')).toContain('noindex');
  expect(answer.headers.get('set-cookie')).toBeNull();
  expect(answer.headers.get('content-security-policy')).toMatch(/^default-src 'none'; style-src/);
});

test('ended, wrong and never made answer alike; what was opened is told', async () => {
  const { id, token } = await make();
  for (let time = 0; time < 3; time += 1) expect((await open(token)).status).toBe(200);
  const { pages } = (await (
    await bela.call('GET', '/api/students/ann/reader-pages')
  ).json()) as AnswerOf<'pages'>;
  const told = pages.find((one) => one.id === id)!;
  expect(told).toMatchObject({
    openings: 3,
    isOpen: true,
    madeBy: 'Ines Halloran',
    names: ['Annika Tanaka'],
  });
  expect(told.lately).toEqual([{ minute: '2026-11-23T12:00Z', times: 3 }]);
  expect((await ines.call('POST', `/api/reader-pages/${id}/end`)).status).toBe(200);
  const seen = await Promise.all(
    [token, `${token.slice(1)}x`, 'none'].map(async (one) => {
      const answer = await open(one);
      const headers = [...answer.headers].filter(([name]) => !['date', 'content-length'].includes(name));
      return [answer.status, await answer.text(), headers];
    }),
  );
  expect(seen[0]![0]).toBe(404);
  expect(seen[1]).toEqual(seen[0]);
  expect(seen[2]).toEqual(seen[0]);
});

test('a code is asked for, wrong ones are slowed, and the right one is not taken meanwhile', async () => {
  const { token } = await make({}, { code: 'Tern 12' });
  expect(await (await open(token)).text()).not.toContain('Annika');
  for (let time = 0; time < 5; time += 1) {
    const answer = await form(token, { code: 'guess' });
    expect([answer.status, (await answer.text()).includes('This is not the code')]).toEqual([403, true]);
  }
  const slowed = await form(token, { code: 'tern 12' });
  expect([slowed.status, (await slowed.text()).includes('Too many tries')]).toEqual([403, true]);
  const { token: other } = await make({}, { code: 'Tern 12' });
  expect(await (await form(other, { code: 'tern 12' })).text()).toContain('Annika Tanaka');
});

test('what a reader writes back is a note of the teacher’s own; long, empty, repeated and many are bounded', async () => {
  const { token } = await make();
  const before = (await notesOf('ann')).length;
  expect(await (await form(token, { words: '' })).text()).toContain('Nothing was written');
  const words = '<img src=x onerror=alert(1)> Annika is ill';
  const thanks = await (await form(token, { words })).text();
  expect(thanks).toContain('Your words have reached Ines Halloran');
  await form(token, { words });
  const [note, ...others] = (await notesOf('ann')).slice(before);
  expect(others).toEqual([]);
  expect(note).toMatchObject({ text: `Mo Tanaka wrote back:\n\n${words}`, own: true });
  expect(await (await form(token, { words: 'ü'.repeat(20_000) })).text()).toContain('first 2000 characters');
  for (let time = 0; time < 9; time += 1) await form(token, { words: `more ${time}` });
  expect(await (await form(token, { words: 'one more' })).text()).toContain('Nothing more can be written');
  expect((await notesOf('ann')).length - before).toBe(10);
  const { token: silent } = await make({ mayWriteBack: false });
  expect(await (await form(silent, { words: 'hello' })).text()).not.toContain('reached');
});

test('a token opens its own page and nothing else; a page of nobody one teaches is not made', async () => {
  const { token } = await make({}, {}, bela);
  const stranger = callerOf(server.address, `session=${token}; slate=${token}`);
  const tried: Record<string, number> = {};
  for (const { path, method, allow } of routes) {
    if (allow === 'anyone') continue;
    const address = path.replace(/\{\w+\}/g, token);
    const answer = await stranger.call(method.toUpperCase(), address, method === 'post' ? {} : undefined);
    if (answer.status !== 401) tried[`${method} ${path}`] = answer.status;
  }
  expect(tried).toEqual({});
  const notTaught = await bela.call('POST', '/api/reader-pages', page({ studentIds: ['kit'] }));
  expect(notTaught.status).toBe(404);
  expect((await bela.call('POST', '/api/reader-pages', page({}, { until: '2026-11-22' }))).status).toBe(400);
  expect(
    (await bela.call('POST', '/api/reader-pages', page({ presence: false, engagement: false, work: false })))
      .status,
  ).toBe(400);
});

test('a page ends with the rights of its maker, and goes with an erased student', async () => {
  const { token } = await make({}, {}, bela);
  expect((await open(token)).status).toBe(200);
  const { teachings } = (await (await ines.call('GET', '/api/colleagues')).json()) as AnswerOf<'colleagues'>;
  const session = (await (await bela.call('GET', '/api/session')).json()) as AnswerOf<'session'>;
  const ofBela = teachings.find(({ personId }) => personId === session.teacher?.id)!;
  expect((await ines.call('POST', `/api/teachings/${ofBela.id}/end`)).status).toBe(200);
  expect((await open(token)).status).toBe(404);

  const { token: ofBo } = await make({ studentIds: ['bo'] });
  expect((await open(ofBo)).status).toBe(200);
  await ines.call('POST', '/api/students/bo/erasure', { name: 'Bogdan Tanaka' });
  expect((await open(ofBo)).status).toBe(404);
  const answer = (await (await ines.call('POST', '/api/students/ann/reader-pages/end')).json()) as {
    ended: number;
  };
  expect(answer.ended).toBeGreaterThan(3);
  const { pages } = (await (await ines.call('GET', '/api/reader-pages')).json()) as AnswerOf<'pages'>;
  expect(pages.filter(({ isOpen }) => isOpen)).toEqual([]);
  expect(JSON.stringify(pages)).not.toContain('Bogdan');
});

test('a class without names: sums alone, nobody in any text, and none where one could guess', async () => {
  const crew = { p1: 'Odalys', p2: 'Emre', p3: 'Maeve', p4: 'Saoirse', p5: 'Ngoc' };
  await makeClass(ines, 'crew', crew, 'c');
  const met = { id: 'crew1', sectionId: 'crew', date: '2026-11-23', startsAt: '10:40', endsAt: '11:30' };
  const mark = { arrivedAt: null, leftAt: null, comment: '', source: 'hand' };
  const { standing } = (await (await ines.call('GET', '/api/setup')).json()) as AnswerOf<'setup'>;
  const away = standing.find(({ countsAs, excused }) => countsAs === 'away' && !excused)!;
  const sweep = (studentId: string, level: number) => ({ studentId, level });
  await send(ines, [
    change('roll.mark', {
      ...{ lesson: met, takenAt: '2026-11-23T10:41:00.000Z' },
      marks: [{ ...mark, studentId: 'p1', standingId: away.id }],
    }),
    change('sweep.set', { lesson: met, levels: Object.keys(crew).map((id, at) => sweep(id, at % 4)) }),
  ]);
  const wanted = { studentIds: [], sectionId: 'crew', summary: 'Odalys and Emre led.', language: 'de' };
  const { html, named, draft } = await preview(wanted);
  expect(named).toEqual(['Ines Halloran']);
  expect(html).toMatch(
    /Boats[^]*Schülerinnen und Schüler: 5[^]*O\. T\. and E\. T\. led[^]*80 %[^]*Erfasste Stunden/,
  );
  expect(draft).toContain('In the one lesson taken 4 of 5 students were there.');
  expect(draft).toContain('half of the class or more was “Coasting” or above');
  const { token } = await make(wanted);
  const text = await (await open(token)).text();
  expect(text).toBe(html);
  for (const name of Object.values(crew)) expect(text).not.toContain(name);
  const { pages } = (await (await ines.call('GET', '/api/reader-pages')).json()) as AnswerOf<'pages'>;
  const made = pages.find(({ settings: { sectionId } }) => sectionId === 'crew');
  expect(made).toMatchObject({ names: [], className: 'Boats', isOpen: true });

  await ines.call('POST', '/api/students/p5/erasure', { name: 'Ngoc Tanaka' });
  expect((await open(token)).status).toBe(404);
  const refused = async (own: object, by = ines) => {
    const answer = await by.call('POST', '/api/reader-pages', page({ ...wanted, ...own }));
    return [answer.status, ((await answer.json()) as { detail: string }).detail];
  };
  expect(await refused({})).toEqual([400, expect.stringContaining('fewer than 5 students')]);
  expect(await refused({}, bela)).toEqual([404, expect.stringContaining('no such class')]);
  expect((await refused({ studentIds: ['ann'] }))[0]).toBe(400);
  expect((await refused({ noteIds: ['noteA'] }))[0]).toBe(400);
});

test('what was written of somebody on a page about another is cleaned when they are erased', async () => {
  const { token } = await make({ summary: 'Annika sits beside Cyrille.' });
  expect(await (await open(token)).text()).toContain('Annika sits beside C. T.');
  await ines.call('POST', '/api/students/cy/erasure', { name: 'Cyrille Tanaka' });
  const answer = await open(token);
  expect(answer.status).toBe(200);
  expect(await answer.text()).not.toContain('Cyrille');
  expect(await (await ines.call('GET', '/api/reader-pages')).text()).not.toContain('Cyrille');
});

test('nods that came with an archive stand on a page and on the student’s own, for what and where', async () => {
  const files = unzipSync(new Uint8Array(await (await ines.call('GET', '/api/archive')).arrayBuffer()));
  const nods = `id,student_id,at,reason,place,comment\r\nnod1,ann,2026-11-20T10:50,Helped,quay,"with Kittiwake, twice"\r\n`;
  const archive = zipSync({ ...files, 'nods.csv': strToU8(nods) });
  const fresh = await startServer({ now: clock.at });
  const there = await signedIn(fresh.address);
  expect((await there.call('POST', '/api/archive', archive)).status).toBe(200);
  const { email: _none, ...wanted } = page({ nods: true });
  const shown = (await (
    await there.call('POST', '/api/reader-pages/preview', wanted)
  ).json()) as AnswerOf<'previewPage'>;
  expect(shown.html).toMatch(/Nods[^]*20 November[^]*Helped, quay: with K\. T\., twice/);
  const own = { settings: { nods: true, language: 'de' } };
  await there.call('POST', '/api/sections/boats/own-view', own);
  const { token } = (await (await there.call('POST', '/api/students/ann/card', {})).json()) as {
    token: string;
  };
  const read = await (await fetch(`${fresh.address}/mine/${token}`)).text();
  expect(read).toMatch(/Anerkennung[^]*Helped, quay/);
  await fresh.stop();
});
