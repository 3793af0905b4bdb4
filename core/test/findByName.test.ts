import fc from 'fast-check';
import { findByName } from '../src/people/findByName';

const person = (givenName: string, familyName: string, called = '') => ({ givenName, familyName, called });
const people = [
  person('Odalys', 'Brandt'),
  person('Caoimhe', 'Ní Bhriain'),
  person('Bram', 'de Wit'),
  person('Maximilian', 'Brandão', 'Max'),
  person('Anne-Marie', 'O’Dowd'),
  person('Søren', 'Łukasik'),
  person('Min-jun', 'Pak'),
];
const names = (written: string) => findByName(people, written).map(({ familyName }) => familyName);

test.each([
  ['', people.map(({ familyName }) => familyName)],
  ['bra', ['Brandt', 'de Wit', 'Brandão']],
  ['BRANDA', ['Brandão']],
  ['bra od', ['Brandt']],
  ['od', ['Brandt', 'O’Dowd']],
  ['wit', ['de Wit']],
  ['ni bh', ['Ní Bhriain']],
  ['marie', ['O’Dowd']],
  ["o'd", ['O’Dowd']],
  ['max', ['Brandão']],
  ['soren luk', ['Łukasik']],
  ['minjun', ['Pak']],
  ['min jun', ['Pak']],
  ['Min-jun pak', ['Pak']],
  ['odow', ['O’Dowd']],
  ['nibh', ['Ní Bhriain']],
  ['minpak', []],
  ['andt', []],
  ['  ', people.map(({ familyName }) => familyName)],
])('“%s” finds %j', (written, found) => {
  expect(names(written)).toEqual(found);
});

test('whoever is meant is found by the beginnings of their names, in any order and case', () => {
  const beginning = (word: string) => fc.integer({ min: 1, max: word.length }).map((n) => word.slice(0, n));
  fc.assert(
    fc.property(
      fc.constantFrom(...people).chain((one) =>
        fc
          .tuple(beginning(one.givenName), beginning(one.familyName), fc.boolean(), fc.boolean())
          .map(([given, family, turned, loud]) => {
            const written = (turned ? [family, given] : [given, family]).join(' ');
            return { one, written: loud ? written.toUpperCase() : written };
          }),
      ),
      ({ one, written }) => {
        expect(findByName(people, written)).toContain(one);
      },
    ),
  );
});

test('a letter more never finds somebody new', () => {
  fc.assert(
    fc.property(
      fc.string({ unit: fc.constantFrom(...Array.from('abdeilmnorswx ')), maxLength: 6 }),
      (written) => {
        const before = names(written);
        for (const letter of 'aeo') expect(before).toEqual(expect.arrayContaining(names(written + letter)));
      },
    ),
  );
});
