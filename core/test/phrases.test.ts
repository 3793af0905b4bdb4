import fc from 'fast-check';
import { noteVersions } from '../src/notes/versions';
import { blankNames, blanksIn, fillBlanks, unknownBlanks, type BlankValues } from '../src/phrases/blanks';
import { countsWords } from '../src/phrases/countsWords';
import { findPhrases, phrasesInOrder } from '../src/phrases/order';

describe('blanks', () => {
  test.each<[string, BlankValues, string, string[]]>([
    ['{name} was away', { name: 'Mei' }, 'Mei was away', []],
    ['{ NAME }, {Full  Name}', { name: 'Mei', 'full name': 'Mei Quispe' }, 'Mei, Mei Quispe', []],
    ['{name} owes {work}', { name: 'Mei', work: '' }, 'Mei owes {work}', ['work']],
    ['{last contact} {last contact}', {}, '{last contact} {last contact}', ['last contact']],
    ['a set {1, 2} and {nickname}', { name: 'Mei' }, 'a set {1, 2} and {nickname}', []],
    ['{name}', { name: '{class}', class: '9b' }, '{class}', []],
    ['{words}', { words: "$& $1 $' {name}", name: 'Mei' }, "$& $1 $' {name}", []],
    ['{constructor} {__proto__}', {}, '{constructor} {__proto__}', []],
    ['{name}: {name', { name: 'يوسف' }, 'يوسف: {name', []],
    ['{given name} {name}!', { 'given name': '美玲', name: 'Ὀδυσσεύς' }, '美玲 Ὀδυσσεύς!', []],
    ['no blanks', {}, 'no blanks', []],
  ])('%j', (text, values, filled, missing) => {
    expect(fillBlanks(text, values)).toEqual({ text: filled, missing });
  });

  test('what is in braces and no blank is told, as written and once', () => {
    expect(unknownBlanks('{name} {Nickname} {Nickname} {}')).toEqual(['Nickname', '']);
    expect(blanksIn('{words} {NAME} {name}')).toEqual(['words', 'name']);
  });

  test('whatever fills a blank stands there as it is, and the rest of the text is untouched', () => {
    const value = fc.string({ unit: 'grapheme', minLength: 1 });
    const plain = fc.string({ unit: 'grapheme' }).map((text) => text.replace(/[{}]/g, ''));
    fc.assert(
      fc.property(fc.array(fc.tuple(plain, fc.constantFrom(...blankNames), value)), plain, (parts, end) => {
        const values = Object.fromEntries(parts.map(([, name, filled]) => [name, filled])) as BlankValues;
        const text = parts.map(([before, name]) => `${before}{${name}}`).join('') + end;
        const expected = parts.map(([before, name]) => before + (values[name] ?? '')).join('') + end;
        expect(fillBlanks(text, values)).toEqual({ text: expected, missing: [] });
      }),
    );
  });
});

describe('what is offered', () => {
  const phrase = (id: string, text: string, removed = false) => ({
    ...{ id, text, removed, shared: false, personId: 'p' },
  });
  const use = (phraseId: string, favourite: boolean, usedAt: string | null) => ({
    ...{ id: `${phraseId}.p`, phraseId, favourite, usedAt, removed: false },
  });
  const phrases = [
    phrase('a', 'Zara’s work is missing'),
    phrase('b', '{name} was adrift'),
    phrase('c', 'Été: bring a hat'),
    phrase('d', 'gone', true),
    phrase('e', 'Ask {name}'),
  ];
  const offered = phrasesInOrder(phrases, [
    use('a', false, '2026-11-20T10:00:00Z'),
    use('b', false, '2026-11-21T10:00:00Z'),
    use('c', true, null),
    use('d', true, '2026-11-22T10:00:00Z'),
  ]);

  test('favourites first, then what was used last, then by the words; removed ones are not there', () => {
    expect(offered.map(({ phrase: { id } }) => id)).toEqual(['c', 'b', 'a', 'e']);
  });

  test.each([
    ['', ['c', 'b', 'a', 'e']],
    ['ete HAT', ['c']],
    ['name adr', ['b']],
    ['drift', []],
    ['work zara', ['a']],
  ])('typing %j', (typed, ids) => {
    expect(findPhrases(offered, typed).map(({ phrase: { id } }) => id)).toEqual(ids);
  });
});

test('tallies in words: in the order of the look-fors, times as times', () => {
  const lookFor = (id: string, name: string, measure: 'count' | 'tick' | 'seconds', position: number) => ({
    ...{ id, name, measure, position },
  });
  const lookFors = {
    q: lookFor('q', 'Question', 'count', 2),
    t: lookFor('t', 'Tools back', 'tick', 3),
    o: lookFor('o', 'Off task', 'seconds', 1),
  };
  const count = (lookForId: string, amount: number) => ({ lookForId, amount });
  expect(countsWords([count('q', 3), count('t', 1), count('o', 250), count('gone', 1)], lookFors)).toBe(
    'off task 4 minutes, question 3 and tools back',
  );
  expect(countsWords([], lookFors)).toBe('');
});

test('the first text of a note that was written with others is in its history', () => {
  const line = (kind: string, payload: unknown, madeAt: string) => ({
    ...{ id: kind, kind, device: 'd', madeAt, payload, edits: [] },
  });
  const notes = [
    { id: 'x.a', text: 'Ana was adrift' },
    { id: 'x.b', text: 'Bo was adrift' },
  ];
  expect(
    noteVersions('x.b', [
      line('note.writeEach', { id: 'x', notes }, '2026-11-20T10:00:00Z'),
      line('note.edit', { id: 'x.b', text: 'Bo slept' }, '2026-11-20T11:00:00Z'),
    ]).map(({ text }) => text),
  ).toEqual(['Bo slept', 'Bo was adrift']);
});
