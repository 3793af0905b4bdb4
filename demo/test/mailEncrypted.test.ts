import fs from 'node:fs';
import path from 'node:path';
import { strFromU8, unzipSync } from 'fflate';
import type { AnswerOf } from '@slate-path/core/api/contract';
import { change, signedIn, startServer, type Caller, type TestServer } from '../../server/test/server';
import { makeClass, send } from '../../server/test/smallClass';
import { startMailServer, type MailServer } from '../src/mail/startMailServer';

/** Of an authority that nobody knows, and the mail server's own for localhost and 127.0.0.1; made for this alone. */
const fileOf = (name: string) => path.join(__dirname, 'certificates', name);
const textOf = (name: string) => fs.readFileSync(fileOf(name), 'utf8');
const account = { user: 'office', password: 'Kittiwake 7' };

let mail: MailServer;
let server: TestServer;
let ines: Caller;

async function begin(fromTheStart: boolean, env: Record<string, string>) {
  mail = await startMailServer({
    host: env['SLATE_MAIL_HOST'] ?? '127.0.0.1',
    encrypted: { key: textOf('mail.key'), cert: textOf('mail.pem'), fromTheStart },
    account,
  });
  server = await startServer({
    ...{ now: '2026-11-23T10:42:00Z', runs: true },
    env: {
      ...{ SLATE_MAIL_HASTE: '600', SLATE_MAIL_HOST: 'localhost', SLATE_MAIL_PORT: String(mail.port) },
      ...{ SLATE_MAIL_SENDER: 'office@ternrock.example', SLATE_MAIL_USER: account.user },
      ...{ SLATE_MAIL_PASSWORD: account.password, SLATE_MAIL_SECURITY: fromTheStart ? 'tls' : 'starttls' },
      ...env,
    },
  });
  ines = await signedIn(server.address);
  await makeClass(ines, 'boats', { mei: 'Mei' });
  const message = {
    ...{ id: 'm1', noticeId: 'notice', studentId: 'mei', occasion: 'all', reason: 'to all' },
    ...{ toWhom: 'guardians', addresses: ['anna@x.example', 'bo@x.example'], showsAddresses: true },
    ...{ subject: 'Tides', body: 'Good day.', writtenAt: '2026-11-23T10:44:00.000Z' },
  };
  await send(ines, [change('message.send', { messages: [message] })]);
}

afterEach(async () => {
  await server.stop();
  await mail.close();
});

const trusted = { NODE_EXTRA_CA_CERTS: fileOf('authority.pem') };

/** Asks until it is so. */
async function until<T>(ask: () => Promise<T>, isSo: (found: T) => boolean): Promise<T> {
  for (let waited = 0; waited < 300; waited += 1) {
    const found = await ask();
    if (isSo(found)) return found;
    await new Promise((resolve) => setTimeout(resolve, 100));
  }
  return ask();
}
const get = async <N extends 'outbox' | 'mail'>(name: N) =>
  (await (await ines.call('GET', `/api/${name}`)).json()) as AnswerOf<N>;

test.each([
  ['from the start', true],
  ['from the greeting on', false],
])('encrypted %s, with user and password, letters arrive', async (_how, fromTheStart) => {
  await begin(fromTheStart, trusted);
  await until(
    () => get('outbox'),
    ({ letters }) => letters.length === 2 && letters.every(({ state }) => state === 'handed'),
  );
  const came = await mail.mailbox.read();
  // Each has a copy of their own, which says who else has one, as it was asked for.
  expect(came.map(({ to }) => to).sort()).toEqual([['anna@x.example'], ['bo@x.example']]);
  for (const { named } of came)
    expect([named.includes('anna@x'), named.includes('bo@x')]).toEqual([true, true]);
  const zip = await ines.call('GET', '/api/notices/notice/letters');
  expect(zip.headers.get('Content-Type')).toBe('application/zip');
  const files = Object.values(unzipSync(new Uint8Array(await zip.arrayBuffer()))).map((file) =>
    strFromU8(file),
  );
  expect(files).toHaveLength(2);
  expect(files[0]).toContain('Subject: Tides');
});

test.each([
  ['a certificate that nobody vouches for', {}, 'certificate'],
  ['another name than the certificate’s', { ...trusted, SLATE_MAIL_HOST: '127.0.0.2' }, 'certificate'],
  [
    'a wrong password',
    { ...trusted, SLATE_MAIL_PASSWORD: 'wrong' },
    'does not accept the user or the password',
  ],
])('%s is told in one sentence, and the letters wait', async (_what, env, words) => {
  await begin(true, env);
  const { trouble } = await until(
    () => get('mail'),
    (found) => found.trouble !== null,
  );
  expect(trouble?.words).toContain(words);
  expect((await get('outbox')).letters.map(({ state }) => state)).toEqual(['waiting', 'waiting']);
  expect(mail.mailbox.size).toBe(0);
  expect(JSON.stringify(await get('mail'))).not.toContain('Kittiwake');
});
