import fs from 'node:fs';
import path from 'node:path';
import type { AnswerOf } from '@slate-path/core/api/contract';
import {
  callerOf,
  change,
  signedIn,
  startServer,
  type Caller,
  type TestServer,
} from '../../server/test/server';
import { makeClass, send } from '../../server/test/smallClass';
import { startMailServer, type MailServer } from '../src/mail/startMailServer';

type Letter = AnswerOf<'outbox'>['letters'][number];

const begun = { now: '2026-11-23T10:42:00Z', runs: true };
const haste = { SLATE_MAIL_HASTE: '600' };
const environmentFor = (mail: MailServer): Record<string, string> => ({
  ...haste,
  SLATE_MAIL_HOST: '127.0.0.1',
  SLATE_MAIL_PORT: String(mail.port),
  SLATE_MAIL_SECURITY: 'none',
  SLATE_MAIL_SENDER: 'office@ternrock.example',
  SLATE_MAIL_REPLY_TO: 'ines@ternrock.example',
  SLATE_MAIL_PER_MINUTE: '6000',
});

const message = (id: string, addresses: string[], own: object = {}) => ({
  ...{ id, noticeId: 'notice', studentId: 'mei', occasion: 'all', reason: 'to all', toWhom: 'guardians' },
  ...{ addresses, subject: 'Tides', body: `Good day, ${id}.`, writtenAt: '2026-11-23T10:44:00.000Z', ...own },
});
const written = (messages: object[]) => change('message.send', { messages });
const lettersOf = async (caller: Caller) =>
  (await (await caller.call('GET', '/api/outbox')).json()) as AnswerOf<'outbox'>;

async function settled(
  caller: Caller,
  isSo: (letters: Letter[]) => boolean,
  seconds = 60,
): Promise<Letter[]> {
  for (let waited = 0; waited < seconds * 10; waited += 1) {
    const { letters } = await lettersOf(caller);
    if (isSo(letters)) return letters;
    await new Promise((resolve) => setTimeout(resolve, 100));
  }
  throw new Error(JSON.stringify((await lettersOf(caller)).letters));
}
const copiesIn = ({ folder }: TestServer) => fs.readdirSync(path.join(folder, 'outbox'));
const nodTo = (id: string, notBefore: string) => ({
  nods: [{ id, studentId: 'mei' }],
  ...{ sectionId: 'boats', at: '2026-11-23T10:42:00', reason: 'Kept at it', place: 'Shed', comment: '' },
  messages: [message(`${id}.guardians`, [`${id}@x.example`], { notBefore })],
});
const none = (letters: Letter[]) => letters.length > 0 && letters.every(({ state }) => state !== 'waiting');

let mail: MailServer;
let server: TestServer;
let ines: Caller;

async function begin(env: Record<string, string>) {
  server = await startServer({ ...begun, env });
  ines = await signedIn(server.address);
  await makeClass(ines, 'boats', { mei: 'Mei' });
}

describe('with a mail server', () => {
  beforeAll(async () => {
    mail = await startMailServer();
    await begin(environmentFor(mail));
  });
  afterAll(async () => {
    await server.stop();
    await mail.close();
  });

  test('each address gets a letter of its own; refused, put off and cut ones are told and tried as they should be', async () => {
    const addresses = [
      'anna@x.example',
      'nobody@x.example',
      'later@x.example',
      'cut@x.example',
      'full@x.example',
    ];
    await send(ines, [written([message('m1', addresses, { body: 'Grüße, {name}\n.\nlast' })])]);
    const letters = await settled(ines, none);
    expect(
      letters.map(({ address, state, words }) => [address, state, words.replace(/\d\d:\d\d/, 'TIME')]),
    ).toEqual([
      ['anna@x.example', 'handed', 'handed to the mail server at TIME'],
      ['nobody@x.example', 'refused', 'refused: no such address'],
      ['later@x.example', 'handed', 'handed to the mail server at TIME'],
      ['cut@x.example', 'handed', 'handed to the mail server at TIME'],
      ['full@x.example', 'refused', 'refused: their mailbox is full'],
    ]);
    expect(letters[1]!.said).toContain('5.1.1');
    const came = await mail.mailbox.read();
    expect(came.map(({ to }) => to)).toEqual(
      expect.arrayContaining([['anna@x.example'], ['later@x.example'], ['cut@x.example']]),
    );
    expect(came).toHaveLength(3);
    const [first] = came;
    expect(first).toMatchObject({
      ...{
        from: 'Ines Halloran <office@ternrock.example>',
        replyTo: 'ines@ternrock.example',
        subject: 'Tides',
      },
      ...{ named: 'For Mei Tanaka <anna@x.example>', messageId: 'm1@ternrock.example' },
    });
    expect(first!.text.trim()).toBe('Grüße, {name}\n.\nlast');
    expect(first!.date).toBe('2026-11-23T10:44:00.000Z');
    expect([...mail.mailbox.handed.values()]).toEqual([1, 1, 1]);
  });

  test('a refused address is set right and the same words go there; one that waits, or of somebody else, does not', async () => {
    const refused = (await lettersOf(ines)).letters.find(({ state }) => state === 'refused')!;
    const again = (address: string, id = refused.id) =>
      ines.call('POST', `/api/letters/${id}/again`, { address });
    expect((await again('no address')).status).toBe(400);
    expect((await again('mei@x.example', 'none')).status).toBe(404);
    expect((await again('mei@x.example')).status).toBe(200);
    await settled(ines, none);
    const last = (await mail.mailbox.read()).at(-1)!;
    expect([last.to, last.subject]).toEqual([['mei@x.example'], 'Tides']);
    const eml = await (await ines.call('GET', '/api/letters/m1/eml')).text();
    expect(eml).toContain('Date: Mon, 23 Nov 2026 10:44:00 +0000');
  });

  test('a link goes by mail and is kept nowhere once it has gone', async () => {
    const invited = { name: 'Ove Lind', role: 'teacher', sectionId: null, email: 'ove@x.example' };
    const made = (await (await ines.call('POST', '/api/invitations', invited)).json()) as AnswerOf<'invite'>;
    expect(made.mailed).toBe(true);
    await settled(ines, none);
    expect((await mail.mailbox.read()).at(-1)!.text).toContain(`/join/${made.token}`);
    const { letters } = await lettersOf(ines);
    const link = letters.find(({ kind }) => kind === 'invitation');
    expect(link).toMatchObject({ address: 'ove@x.example', state: 'handed' });
    expect((await ines.call('GET', `/api/letters/${made.id}/eml`)).status).toBe(404);
  });

  test('the environment’s settings are shown without the password and not changed from here; a test is told in words', async () => {
    const shown = await (await ines.call('GET', '/api/mail')).text();
    expect(JSON.parse(shown)).toMatchObject({ by: 'environment', hasPassword: false, trouble: null });
    expect((await ines.call('POST', '/api/mail/end')).status).toBe(409);
    const test = async (address: string): Promise<unknown> =>
      (await ines.call('POST', '/api/mail/test', { address })).json();
    expect(await test('me@x.example')).toEqual({ words: null, said: '' });
    expect(await test('nobody@x.example')).toMatchObject({ words: 'no such address' });
  });

  test('a nod is told when its time has come, not before; one that was taken back is told to nobody', async () => {
    const { now } = (await (await ines.call('GET', '/api/session')).json()) as { now: string };
    const soon = new Date(Date.parse(now) + 2500).toISOString();
    const later = '2026-11-23T11:42:00.000Z';
    const back = change('nod.give', nodTo('back', soon));
    await send(ines, [
      change('nod.give', nodTo('soon', soon)),
      back,
      change('nod.give', nodTo('evening', later)),
    ]);
    await send(ines, [change('undo', { changeId: (back as { id: string }).id })]);
    const stateOf = (letters: Letter[], address: string) =>
      letters.find((one) => one.address === `${address}@x.example`)?.state;
    expect(stateOf((await lettersOf(ines)).letters, 'soon')).toBe('waiting');
    const letters = await settled(ines, (all) => stateOf(all, 'soon') === 'handed');
    expect([stateOf(letters, 'evening'), stateOf(letters, 'back')]).toEqual(['waiting', undefined]);
    expect(letters.find(({ address }) => address === 'evening@x.example')?.words).toBe(
      'waiting: it goes at 11:42',
    );
    const came = await mail.mailbox.read();
    const told = came.filter(({ to }) => /^(soon|evening|back)@/.test(to[0] ?? ''));
    expect(told.map(({ to, text }) => [to, text.includes('Good day, soon')])).toEqual([
      [['soon@x.example'], true],
    ]);
    await send(ines, [change('nod.remove', { ids: ['evening'], messageIds: ['evening.guardians'] })]);
  });
});

test('without a mail server letters are kept and called so; set up on Desk, what is new goes out', async () => {
  await begin(haste);
  await send(ines, [written([message('kept1', ['anna@x.example'])])]);
  const [kept] = await settled(ines, none);
  expect(kept!.words).toBe('kept here, sent nowhere');
  expect((await lettersOf(ines)).isSent).toBe(false);
  await ines.call('POST', `/api/letters/${kept!.id}/again`, { address: 'anna@y.example' });
  await settled(ines, (letters) => letters.length === 2 && none(letters));
  expect(copiesIn(server)).toHaveLength(2);
  const settings = {
    ...{ host: '127.0.0.1', port: 1, security: 'none', user: 'office', password: 'tide table' },
    ...{ sender: 'office@ternrock.example', replyTo: '', perMinute: 6000 },
  };
  expect((await ines.call('POST', '/api/mail', { ...settings, port: 0 })).status).toBe(400);
  expect((await ines.call('POST', '/api/mail', settings)).status).toBe(200);
  await send(ines, [written([message('late1', ['anna@x.example'])])]);
  const isHeld = ({ words }: Letter) => words.startsWith('waiting: there is no mail server at that place');
  await settled(ines, (letters) => letters.some(isHeld));
  const shown = await (await ines.call('GET', '/api/mail')).text();
  expect(shown).not.toContain('tide table');
  expect(JSON.parse(shown)).toMatchObject({
    hasPassword: true,
    by: 'desk',
    trouble: { words: expect.any(String) },
  });

  const here = await startMailServer();
  const corrected = { ...settings, port: here.port, user: '', password: null };
  expect((await ines.call('POST', '/api/mail', corrected)).status).toBe(200);
  await settled(ines, none);
  expect((await here.mailbox.read()).map(({ to }) => to)).toEqual([['anna@x.example']]);
  await here.close();
  await ines.call('POST', '/api/students/mei/erasure', { name: 'Mei Tanaka' });
  expect([copiesIn(server), (await lettersOf(ines)).letters]).toEqual([[], []]);
  await server.stop();
});

test('300 letters, killed again and again while they go: each arrives once, and none is lost', async () => {
  const temporarily = new Set<string>();
  mail = await startMailServer({
    behaviour: (address) => {
      const at = Number(/\d+/.exec(address)?.[0] ?? 0);
      if (at % 20 === 7) return 'nobody';
      if (at % 10 !== 3 || temporarily.has(address)) return 'take';
      temporarily.add(address);
      return at % 4 === 1 ? 'cut' : 'later';
    },
  });
  await begin(environmentFor(mail));
  const count = 300;
  const all = Array.from({ length: count }, (_, at) => message(`k${at}`, [`g${at}@x.example`]));
  await send(ines, [written(all)]);
  const { folder } = server;
  for (let kills = 0; kills < 4; kills += 1) {
    await new Promise((resolve) => setTimeout(resolve, 350));
    await server.stop('SIGKILL');
    server = await startServer({ ...begun, folder, env: environmentFor(mail) });
    ines = callerOf(server.address, ines.cookie);
  }
  const letters = await settled(ines, (found) => found.length === count && none(found), 120);
  expect(letters.filter(({ state }) => state === 'refused')).toHaveLength(15);
  expect(letters.filter(({ state }) => state === 'handed')).toHaveLength(285);
  expect(mail.mailbox.size).toBe(285);
  // Where the kill fell between the answer and its being written down, the same Message-ID came twice.
  const twice = [...mail.mailbox.handed].filter(([, times]) => times > 1).map(([id]) => id.split('@')[0]);
  const said = letters.filter(({ words }) => words.includes('perhaps twice')).map(({ id }) => id);
  expect(said).toEqual(expect.arrayContaining(twice));
  expect(twice.length).toBeLessThanOrEqual(4);
  await server.stop();
  await mail.close();
});
