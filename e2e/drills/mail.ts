import type { AnswerOf } from '@slate-path/core/api/contract';
import type { ApiClient } from '@slate-path/demo/apiClient';
import { startMailServer } from '@slate-path/demo/mail/startMailServer';
import type { Behaviour } from '@slate-path/demo/mail/behaviours';
import { change, makeClassroom, send } from '../src/classroom';
import { RestartableServer } from '../src/server';

const count = 1000;
const mostInOne = 500;
const longestMs = 300_000;

/** One in ten is put off the first time, one in twenty refused for good, one in fifty cut in its middle. */
function behaviours(): (address: string) => Behaviour {
  const seen = new Set<string>();
  return (address) => {
    const at = Number(/\d+/.exec(address)?.[0] ?? 0);
    if (at % 20 === 7) return 'nobody';
    if (seen.has(address)) return 'take';
    seen.add(address);
    if (at % 50 === 1) return 'cut';
    return at % 10 === 3 ? 'later' : 'take';
  };
}

type Letter = AnswerOf<'outbox'>['letters'][number];

async function settled(client: ApiClient): Promise<Letter[]> {
  for (const begun = Date.now(); ;) {
    const { letters } = await client.get<AnswerOf<'outbox'>>('/api/outbox');
    const isOver = letters.length === count && letters.every(({ state }) => state !== 'waiting');
    if (isOver || Date.now() - begun > longestMs) return letters;
    await new Promise((resolve) => setTimeout(resolve, 500));
  }
}

/**
 * Writes 1,000 letters and kills the server again and again while they go to a mail server that refuses, puts off and
 * cuts some. Counted: letters that did not come, that are in the mailbox twice, and of which the page says something
 * else than what happened.
 */
export async function mailDrill(kills: number, chance: () => number): Promise<object> {
  const mail = await startMailServer({ behaviour: behaviours() });
  const server = await RestartableServer.create();
  server.environment = {
    ...{ SLATE_MAIL_HOST: '127.0.0.1', SLATE_MAIL_PORT: String(mail.port), SLATE_MAIL_SECURITY: 'none' },
    ...{ SLATE_MAIL_SENDER: 'office@x.example', SLATE_MAIL_PER_MINUTE: '6000', SLATE_MAIL_HASTE: '600' },
  };
  const now = '2026-11-23T10:42:00Z';
  await server.start(now, 'runs');
  const { client, studentIds } = await makeClassroom(server.address, 1);
  const [studentId = ''] = studentIds;
  const all = Array.from({ length: count }, (_, at) => ({
    ...{ id: `k${at}`, noticeId: 'all', studentId, occasion: 'all', reason: 'to all', toWhom: 'guardians' },
    ...{ addresses: [`g${at}@x.example`], subject: 'Tides', body: `Letter ${at}.` },
    writtenAt: '2026-11-23T10:42:00.000Z',
  }));
  for (let from = 0; from < count; from += mostInOne)
    await send(client, [change('message.send', { messages: all.slice(from, from + mostInOne) })]);
  let killed = 0;
  for (; killed < kills; killed += 1) {
    await new Promise((resolve) => setTimeout(resolve, chance() * 500));
    await server.end('SIGKILL');
    await server.start(now, 'runs');
  }
  const letters = await settled(client);
  const came = new Set([...mail.mailbox.handed.keys()].map((id) => id.split('@')[0]));
  const twice = [...mail.mailbox.handed].filter(([, times]) => times > 1).map(([id]) => id.split('@')[0]);
  const isRefused = (at: number) => at % 20 === 7;
  const expected = all.map((_, at) => at).filter((at) => !isRefused(at));
  const untold = letters.filter(
    ({ id, state, words }) =>
      state !== (isRefused(Number(id.slice(1))) ? 'refused' : 'handed') ||
      (twice.includes(id) && !words.includes('perhaps twice')),
  );
  await server.end('SIGTERM');
  server.remove();
  await mail.close();
  return {
    ...{ letters: count, killed, refused: letters.filter(({ state }) => state === 'refused').length },
    handedOver: [...mail.mailbox.handed.values()].reduce((sum, times) => sum + times, 0),
    inTheMailbox: mail.mailbox.size,
    handedTwiceAndToldSo: twice.length,
    lost: expected.filter((at) => !came.has(`k${at}`)).length,
    doubled: mail.mailbox.size - came.size,
    untrue: untold.map(({ id, words }) => `${id}: ${words}`),
  };
}
