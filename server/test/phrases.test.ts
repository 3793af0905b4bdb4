import { invited, keeperElsewhere } from './colleagues';
import { change, signedIn, startServer, type Caller, type TestServer } from './server';
import { makeClass, send } from './smallClass';

const now = '2026-11-23T12:00:00Z';
const at = '2026-11-23T11:00:00.000Z';

let server: TestServer;
let ines: Caller;
let bela: Caller;
let far: Caller;

beforeAll(async () => {
  server = await startServer({ now });
  ines = await signedIn(server.address);
  await makeClass(ines, 'boats', { ann: 'Ann', bo: 'Bo' });
  bela = await invited(server, ines, { name: 'Bela Roth', role: 'teacher', sectionId: null });
  far = await keeperElsewhere(server, now);
});
afterAll(() => server.stop());

interface Phrases {
  phrase?: { id: string; text: string; removed: boolean }[];
  phraseUse?: { id: string }[];
}
/** The texts of the phrases that somebody's new device is told. */
async function phrasesOf(caller: Caller): Promise<string[]> {
  const { phrase = [] } = (await (await caller.call('GET', '/api/sync')).json()) as Phrases;
  return phrase.flatMap(({ text, removed }) => (removed ? [] : [text])).sort();
}

/** What became of a change. */
async function outcomeOf(caller: Caller, made: unknown): Promise<string> {
  const answer = await caller.call('POST', '/api/changes', { changes: [made] });
  const { answers } = (await answer.json()) as { answers: { outcome: string }[] };
  return answers[0]?.outcome ?? '';
}

const phrase = (id: string, text: string, shared: boolean) =>
  change('phrase.add', { id, text, shared, personId: 'x' });

test('an own phrase is nobody else’s; a shared one is the school’s, changed by its writer and the keeper', async () => {
  await send(bela, [phrase('own', 'Mine {name}', false), phrase('shared', 'Ours {name}', true)]);
  expect(await phrasesOf(bela)).toEqual(['Mine {name}', 'Ours {name}']);
  expect(await phrasesOf(ines)).toEqual(['Ours {name}']);
  expect(await phrasesOf(far)).toEqual([]);

  const rewrite = (text: string, shared: boolean) => change('phrase.set', { id: 'shared', text, shared });
  expect(await outcomeOf(far, rewrite('Far', true))).toBe('refused');
  expect(await outcomeOf(ines, rewrite('Ours, {name}', true))).toBe('applied');
  expect(await outcomeOf(bela, rewrite('Ours again', true))).toBe('applied');
  expect(await phrasesOf(ines)).toEqual(['Ours again']);
  expect(await outcomeOf(ines, change('phrase.set', { id: 'own', text: 'Not mine', shared: true }))).toBe(
    'refused',
  );
});

test('a colleague uses and favours a shared phrase, and does not change or remove it; taken back it is private again', async () => {
  await send(ines, [phrase('of-ines', 'Ask {name}', true)]);
  const mine = { phraseId: 'of-ines', personId: 'bela' };
  expect(await outcomeOf(bela, change('phrase.favour', { ...mine, favourite: true }))).toBe('applied');
  expect(await outcomeOf(bela, change('phrase.use', { ...mine, usedAt: at }))).toBe('applied');
  expect(await outcomeOf(bela, change('phrase.remove', { id: 'of-ines' }))).toBe('refused');
  // One that was removed meanwhile is still used where it was open.
  await send(ines, [phrase('gone', 'Gone {name}', true), change('phrase.remove', { id: 'gone' })]);
  const use = { phraseId: 'gone', personId: 'bela', usedAt: at };
  expect(await outcomeOf(bela, change('phrase.use', use))).toBe('applied');
  expect(
    await outcomeOf(bela, change('phrase.set', { id: 'of-ines', text: 'Mine now', shared: false })),
  ).toBe('refused');
  const uses = async (caller: Caller) =>
    ((await (await caller.call('GET', '/api/sync')).json()) as Phrases).phraseUse?.map(({ id }) => id) ?? [];
  expect([await uses(bela), await uses(ines)]).toEqual([['of-ines.bela', 'gone.bela'], []]);

  await send(ines, [change('phrase.set', { id: 'of-ines', text: 'Ask {name}', shared: false })]);
  expect(await phrasesOf(bela)).not.toContain('Ask {name}');
  expect(await phrasesOf(ines)).toContain('Ask {name}');
});

test('a note on each of several is one change: each in its student’s history, all taken back at once', async () => {
  const noteTo = (studentId: string, text: string) => ({
    ...{ id: `each.${studentId}`, text, at, happenedAt: null, lesson: null, sectionId: 'boats' },
    ...{ place: '', own: false, doubts: [], topics: [], lookAgainOn: null },
    students: [{ studentId, spans: [] }],
  });
  const made = change('note.writeEach', {
    id: 'each',
    notes: [noteTo('ann', 'Ann was adrift'), noteTo('bo', 'Bo was adrift')],
  });
  await send(ines, [made]);
  const read = async () => {
    const answer = (await (await ines.call('GET', '/api/notes/each.bo')).json()) as {
      note: { text: string; removed: boolean }[];
      versions: { text: string }[];
    };
    return [answer.note.map(({ text, removed }) => [text, removed]), answer.versions.map(({ text }) => text)];
  };
  expect(await read()).toEqual([[['Bo was adrift', false]], ['Bo was adrift']]);
  await send(ines, [change('undo', { changeId: (made as { id: string }).id })]);
  expect(await read()).toEqual([[['Bo was adrift', true]], ['Bo was adrift']]);
});

test('phrases go along in an archive, also of somebody who does not keep the school', async () => {
  await send(bela, [phrase('along', 'Along {name}', false), phrase('ours', 'Ours too', true)]);
  const before = await phrasesOf(bela);
  const archive = new Uint8Array(await (await bela.call('GET', '/api/archive')).arrayBuffer());
  await send(bela, [change('phrase.remove', { id: 'along' }), change('phrase.remove', { id: 'ours' })]);
  expect((await bela.call('POST', '/api/archive', archive)).status).toBe(200);
  expect(await phrasesOf(bela)).toEqual(before);
});
