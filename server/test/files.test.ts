import { strToU8, zipSync } from 'fflate';
import { change, signedIn, startServer, type Caller, type TestServer } from './server';

let server: TestServer;
let ines: Caller;
const section = '01M8000000000000000000SECT';

beforeAll(async () => {
  server = await startServer();
  ines = await signedIn(server.address);
  const made = change('section.set', { id: section, name: 'Boats', subject: '', room: '' });
  await ines.call('POST', '/api/changes', { changes: [made] });
});
afterAll(() => server.stop());

/** A zip whose directory claims that its one entry unpacks to two gigabytes. */
function bomb(): Uint8Array {
  const made = zipSync({ 'xl/workbook.xml': strToU8('x') });
  const view = new DataView(made.buffer, made.byteOffset);
  for (let at = 0; at < made.length - 4; at += 1)
    if (view.getUint32(at, true) === 0x02014b50) view.setUint32(at + 24, 0x7fffffff, true);
  return made;
}

test.each([
  ['20 MB', new Uint8Array(20_000_000).fill(65), 413, 'larger than the server takes'],
  ['a zip bomb', bomb(), 422, 'over 60 MB'],
  ['a binary', Uint8Array.from({ length: 4000 }, (_, index) => (index * 7) % 256), 422, 'not text'],
  ['an empty file', new Uint8Array(), 422, 'empty'],
  ['a header only', strToU8('Name,Email\n'), 200, '"rows":[]'],
])('%s sent as a roster gets its answer and changes nothing', async (_what, body, status, words) => {
  const setup = async () => (await ines.call('GET', '/api/setup')).text();
  const before = await setup();
  const response = await fetch(`${server.address}/api/sections/${section}/roster-reading`, {
    method: 'POST',
    headers: { cookie: ines.cookie, 'content-type': 'application/octet-stream' },
    body: body as Uint8Array<ArrayBuffer>,
  });
  expect([response.status, await response.text()]).toEqual([status, expect.stringContaining(words)]);
  expect(await setup()).toBe(before);
});
