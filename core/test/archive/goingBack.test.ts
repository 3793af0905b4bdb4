import fc from 'fast-check';
import { bulkEdits } from '../../src/keeping/archive/edits';
import { goingBack } from '../../src/keeping/archive/goingBack';
import { applyEdits } from '../../src/changes/edit';
import { emptyRecords, mergeRecords, type RecordLists } from '../../src/records/records';

type Topic = NonNullable<RecordLists['topic']>[number];

const topic = (id: string, name = 'Ropes', removed = false): Topic => ({
  id,
  name,
  trouble: false,
  alsoCalled: [],
  mergedIntoId: null,
  removed,
});

test.each<[string, Topic[], Topic[], [number, number, number]]>([
  ['nothing differs', [topic('a')], [topic('a')], [0, 0, 0]],
  ['renamed since', [topic('a')], [topic('a', 'Knots')], [1, 0, 0]],
  ['taken away since', [topic('a')], [topic('a', 'Ropes', true)], [0, 1, 0]],
  ['lost since', [topic('a')], [], [0, 1, 0]],
  ['made since', [], [topic('a')], [0, 0, 1]],
  ['made and taken away since', [], [topic('a', 'Ropes', true)], [0, 0, 0]],
  ['had been taken away, is there again', [topic('a', 'Ropes', true)], [topic('a')], [0, 0, 1]],
  ['had been taken away, and is gone altogether', [topic('a', 'Ropes', true)], [], [0, 0, 0]],
])('%s', (_, then, now, [asThen, backAgain, gone]) => {
  const found = goingBack({ topic: then }, { topic: now });
  expect(found).toMatchObject({ asThen, backAgain, gone });
  expect(found.records).toHaveLength(asThen + backAgain + gone);
});

test('the order of columns makes no difference; a letter that went out stays sent', () => {
  const { id, ...rest } = topic('a');
  expect(goingBack({ topic: [topic('a')] }, { topic: [{ ...rest, id }] }).records).toEqual([]);
  const letter = { id: 'm', removed: false } as NonNullable<RecordLists['message']>[number];
  expect(goingBack({}, { message: [letter] }).records).toEqual([]);
});

test('parents stand before children, so that a part by itself points nowhere', () => {
  const then = {
    noteTopic: [{ id: 'l' }],
    note: [{ id: 'n' }],
    topic: [topic('t')],
  } as unknown as RecordLists;
  expect(goingBack(then, {}).records.map(({ table }) => table)).toEqual(['topic', 'note', 'noteTopic']);
});

const lists = fc.uniqueArray(
  fc.record({
    id: fc.constantFrom('a', 'b', 'c', 'd', 'e'),
    name: fc.constantFrom('Ropes', 'Knots'),
    removed: fc.boolean(),
  }),
  { selector: ({ id }) => id },
);

test('whatever happened since: written over what is there now, all that shows is as it was; and from there back again', () => {
  fc.assert(
    fc.property(lists, lists, (before, after) => {
      const [then, now] = [before, after].map((list) =>
        list.map(({ id, name, removed }) => topic(id, name, removed)),
      ) as [Topic[], Topic[]];
      const shown = (topics: readonly Topic[]) =>
        topics.filter(({ removed }) => !removed).sort((a, b) => (a.id < b.id ? -1 : 1));
      const goTo = (from: Topic[], to: Topic[]) => {
        const { records } = goingBack({ topic: to }, { topic: from });
        const edits = bulkEdits['archive.goBack'](records);
        return Object.values(applyEdits(mergeRecords(emptyRecords(), { topic: from }), edits).topic);
      };
      const back = goTo(now, then);
      expect(shown(back)).toEqual(shown(then));
      expect(shown(goTo(back, now))).toEqual(shown(now));
    }),
  );
});
