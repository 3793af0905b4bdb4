import fc from 'fast-check';
import { erasedNames, withoutName } from '../../src/keeping/erasure/eraseNames';
import { forget } from '../../src/keeping/erasure/forget';
import { mayConcern } from '../../src/keeping/erasure/mayConcern';
import { passagesOf } from '../../src/notes/dates/passages';
import { wordsOf } from '../../src/notes/words';

const someone = { givenName: "D'Árcy-Mæ", familyName: 'O’Briain de los Ríos', called: 'Dee' };
const names = erasedNames(someone, [{ givenName: 'Rui', familyName: 'Ríos', called: '' }], ['dee@x.example']);
const pieces = [
  ...[
    "D'Árcy",
    'd’arcy',
    'DARCY',
    'Mæ',
    "O'Briain",
    'obriain',
    'Ríos',
    'rios',
    'los',
    'Dee',
    "dee's",
    'Dee@X.example',
  ],
  ...[' ', ', ', '. ', '-', '\n', '"', 'and', 'Rui', 'was late', '7'],
];
const text = fc.array(fc.constantFrom(...pieces), { maxLength: 14 }).map((parts) => parts.join(''));

test('the quick look never says no where there is something to clean', () => {
  const ids = new Set(['mark1']);
  const concerns = mayConcern('stud1', ids, names);
  const erased = { studentId: 'stud1', recordIds: ids, rename: (one: string) => withoutName(one, names) };
  const id = fc.constantFrom('stud1', 'mark1', 'lesson/stud1', 'other');
  fc.assert(
    fc.property(text, id, (written, of) => {
      if (withoutName(written, names) !== written) expect(concerns(written)).toBe(true);
      const record = { id: of, studentId: 'other', text: written, list: [of] };
      if (JSON.stringify(forget(record, erased)) !== JSON.stringify(record))
        expect(concerns(JSON.stringify(record))).toBe(true);
    }),
    { numRuns: 2000 },
  );
  expect(concerns('Rui was late')).toBe(false);
});

test('a text that is read in passages is all there, each word in one of them', () => {
  const long = fc.array(fc.constantFrom('one two', ' three', '. Four', '\n', ' - ', '!'), { maxLength: 800 });
  fc.assert(
    fc.property(long, (parts) => {
      const whole = parts.join('');
      const words = wordsOf(whole);
      const passages = passagesOf(whole, words);
      expect(passages.map((passage) => passage.text).join('')).toBe(whole);
      expect(passages.flatMap((passage) => passage.words)).toEqual(words);
      for (const { from, text: part, words: own } of passages) {
        expect(whole.startsWith(part, from)).toBe(true);
        for (const word of own) expect(word.from >= from && word.to <= from + part.length).toBe(true);
      }
    }),
    { numRuns: 100 },
  );
});
