import { changeKinds, type KindName } from '../src/changes/schema';
import { changeWords } from '../src/words/changeWords';

test('every kind of change has words of its own', () => {
  const kinds = [...Object.keys(changeKinds), 'undo'] as KindName[];
  const nameless = kinds.filter((kind) => changeWords({ kind, payload: {} } as never).what === 'A change');
  expect(nameless).toEqual([]);
});

test.each<[string, unknown, string[]]>([
  [
    'note.write',
    { id: 'a', text: ' Knots are hard ', place: 'yard', students: [{ studentId: 'b', spans: [] }] },
    ['Knots are hard'],
  ],
  ['roll.mark', { lesson: { id: 'l' }, marks: [{ studentId: 's', standingId: 'x' }] }, []],
  ['roll.comment', { comment: 'Left with a nosebleed' }, ['Left with a nosebleed']],
  ['step.take', { kind: 'Talked', text: 'About the bus', because: '' }, ['About the bus']],
])('%s: the words written in it', (kind, payload, texts) => {
  expect(changeWords({ kind, payload } as never).texts).toEqual(texts);
});
