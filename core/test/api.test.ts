import fc from 'fast-check';
import { addressOf, methodAndPath } from '../src/api/address';
import { contract } from '../src/api/contract';
import type { Endpoint } from '../src/api/endpoint';
import { operations, type OperationName } from '../src/api/operations';

const names = Object.keys(operations) as OperationName[];

test.each<[string, string]>([
  [addressOf('setup'), '/api/setup'],
  [addressOf('day', { date: '2026-11-23' }), '/api/days/2026-11-23'],
  [addressOf('month', { sectionId: 'a/b', month: '2026-11' }), '/api/sections/a%2Fb/months/2026-11'],
  [
    addressOf('rollFile', { sectionId: 's', from: '2026-11-02', to: '2026-11-27', format: 'xlsx' }),
    '/api/sections/s/roll?from=2026-11-02&to=2026-11-27&format=xlsx',
  ],
  [
    addressOf('notesSpeaking', { name: ['off task', 'drifts'], topicId: undefined }),
    '/api/topics/speaking?name=off+task&name=drifts',
  ],
  [addressOf('bringArchive'), '/api/archive'],
])('%s', (address, wanted) => {
  expect(address).toBe(wanted);
});

test('every operation has a path of its own, whose parts are its parameters, and no others', () => {
  const paths = names.map((name) => operations[name]);
  expect(new Set(paths).size).toBe(names.length);
  for (const name of names) {
    const { params, body, fileUpTo }: Endpoint = contract[name];
    const { method, path } = methodAndPath(name);
    const parts = [...path.matchAll(/\{(\w+)\}/g)].map(([, part]) => part);
    expect([name, Object.keys(params?.shape ?? {}).sort()]).toEqual([name, parts.sort()]);
    if (method === 'get') expect([name, body, fileUpTo]).toEqual([name, undefined, undefined]);
  }
});

test('whatever an id is made of, it comes back out of the address', () => {
  fc.assert(
    fc.property(fc.string({ unit: 'grapheme', minLength: 1 }), (id) => {
      const [, part = ''] =
        /^\/api\/sections\/([^/?#]+)\/glance$/.exec(addressOf('glance', { sectionId: id })) ?? [];
      expect(decodeURIComponent(part)).toBe(id);
    }),
  );
});
