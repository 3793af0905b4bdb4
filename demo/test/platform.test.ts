import { readPage } from '@slate-path/core/work/feed/readPage';
import { courseOf } from '../src/platform/statements';
import { platformAccess, startPlatform } from '../src/platform/startPlatform';
import { makeTerm } from '../src/term';

const now = Date.parse('2026-11-26T23:50:00Z');
const term = makeTerm(now);
let at = now;

interface Page {
  statements: { id: string; stored: string; timestamp: string; actor: { account?: { name: string } } }[];
  more: string;
}

const authorization = `Basic ${Buffer.from(`${platformAccess.userName}:${platformAccess.password}`).toString('base64')}`;
const headers = { authorization, 'X-Experience-API-Version': '1.0.3' };

async function all(address: string, query: string): Promise<Page['statements']> {
  const found: Page['statements'] = [];
  let url = `${address}/statements?${query}`;
  for (;;) {
    const page = (await (await fetch(url, { headers })).json()) as Page;
    found.push(...page.statements);
    if (!page.more) return found;
    url = new URL(page.more, url).href;
  }
}

test('the platform gives statements as its time goes on, each once, as planted', async () => {
  const platform = await startPlatform({ term, from: '2026-11-16', clock: () => at });
  const course = `ascending=true&activity=${encodeURIComponent(courseOf('Log-keeping'))}`;
  at = now - 36 * 3_600_000;
  const first = await all(platform.address, course);
  const last = first.at(-1)!.stored;
  at = now;
  const then = await all(platform.address, `${course}&since=${last}`);
  const whole = await all(platform.address, course);
  expect(whole.map(({ id }) => id)).toEqual([...first, ...then].map(({ id }) => id));
  expect(new Set(whole.map(({ id }) => id)).size).toBe(whole.length);
  expect(then.length).toBeGreaterThan(20);

  const { actions, leftOut } = readPage(JSON.stringify({ statements: whole, more: '' }), 'Europe/Dublin');
  expect(leftOut).toEqual([]);
  expect(new Set(actions.map(({ kind }) => kind))).toEqual(
    new Set(['opened', 'asked', 'answered', 'edited', 'posted', 'handed in']),
  );
  const idOf = (name: string) =>
    term.students.find(({ givenName, familyName }) => `${givenName} ${familyName}` === name)?.schoolId;
  const hoursOf = (name: string) =>
    whole
      .filter(({ actor }) => actor.account?.name === idOf(name))
      .map(({ timestamp }) => Number(timestamp.slice(11, 13)));
  expect(hoursOf('Veda Yilmaz').length).toBeGreaterThan(5);
  expect(Math.min(...hoursOf('Veda Yilmaz'))).toBeGreaterThanOrEqual(22);

  const statuses = await Promise.all([
    fetch(`${platform.address}/statements`),
    fetch(`${platform.address}/statements`, { headers: { authorization } }),
    fetch(`${platform.address}/about`, { headers }),
  ]);
  expect(statuses.map(({ status }) => status)).toEqual([401, 400, 404]);
  await platform.close();
});
