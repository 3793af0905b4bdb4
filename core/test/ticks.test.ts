import fc from 'fast-check';
import { tickKinds } from '../src/ticks/limits';
import type { TickColumn } from '../src/records/schema';
import { columnSentence } from '../src/ticks/columnSentence';
import { columnSums } from '../src/ticks/columnSums';
import { readNumber, readTick } from '../src/ticks/readTick';
import { isOwing, leftToPay, tickState } from '../src/ticks/tickState';
import { owedWords, tickWords } from '../src/ticks/tickWords';
import { cell, column } from './aTickColumn';

/** Numbers stand beside their units on one line. */
const plain = (said: string) => said.replaceAll('\u00A0', ' ');
const readDay = (text: string) => (/^\d{4}-\d\d-\d\d$/.test(text) ? text : null);
const read = (given: Partial<TickColumn>, text: string) => readTick(column(given), text, readDay);

test.each([
  ['12', 12],
  ['12.5', 12.5],
  ['12,50', 12.5],
  ['€ 12,50', 12.5],
  ['12.50 €', 12.5],
  ['1,250', 1250],
  ['0,125', 0.125],
  ['1.250', 1.25],
  ['1,250.50', 1250.5],
  ['1.250,50', 1250.5],
  ['1.250.000', 1_250_000],
  ['1 250', 1250],
  ['1’250.5', 1250.5],
  ['-3', -3],
  ['1,2,3', null],
  ['12 left', null],
  ['', null],
])('the number in %j is %j', (written, number) => {
  expect(readNumber(written)).toBe(number);
});

test.each<[Partial<TickColumn>, string, string | null, boolean?]>([
  [{ kind: 'tick' }, '✓', 'yes'],
  [{ kind: 'tick' }, ' Ja ', 'yes'],
  [{ kind: 'tick' }, 'nein', null],
  [{ kind: 'tick' }, 'perhaps', 'problem'],
  [{ kind: 'tick' }, 'n/a', null, true],
  [{ kind: 'ofMany', most: 8 }, '7/8', '7'],
  [{ kind: 'ofMany', most: 8 }, '7 of 8', '7'],
  [{ kind: 'ofMany', most: 8 }, '7 of 9', 'problem'],
  [{ kind: 'ofMany', most: 8 }, 'yes', '8'],
  [{ kind: 'ofMany', most: 8 }, '1', '1'],
  [{ kind: 'ofMany', most: 8 }, '-1', 'problem'],
  [{ kind: 'ofMany', most: 8 }, '67', 'problem'],
  [{ kind: 'number', unit: 'cm' }, '150 cm', '150'],
  [{ kind: 'number' }, '-4', '-4'],
  [{ kind: 'number' }, 'tall', 'problem'],
  [{ kind: 'fee', most: 12.5, unit: '€' }, '12,50 €', '12.5'],
  [{ kind: 'date' }, '2026-12-04', '2026-12-04'],
  [{ kind: 'date' }, 'soon', 'problem'],
  [{ kind: 'choice', choices: ['Fish', 'Vegetables', 'Veal'] }, 'fish', 'Fish'],
  [{ kind: 'choice', choices: ['Fish', 'Vegetables', 'Veal'] }, 'veg', 'Vegetables'],
  [{ kind: 'choice', choices: ['Fish', 'Vegetables', 'Veal'] }, 've', 'problem'],
  [{ kind: 'text' }, '  locker   12 ', 'locker 12'],
  [{ kind: 'text' }, 'x'.repeat(201), 'problem'],
])('in %j stands %j: %j', (given, written, value, exempt = false) => {
  const found = read(given, written);
  if (value === 'problem') expect(found).toHaveProperty('problem', expect.stringContaining('.'));
  else expect(found).toEqual({ value, exempt });
});

test('whatever is typed is kept as it is read again, or told', () => {
  const kinds = fc.constantFrom(...tickKinds);
  fc.assert(
    fc.property(kinds, fc.string({ maxLength: 30 }), (kind, written) => {
      const given = column({ kind, most: 8, choices: ['Fish', 'Veg'] });
      const found = readTick(given, written, readDay);
      if ('problem' in found || found.value === null) return;
      expect(readTick(given, found.value, readDay)).toEqual(found);
    }),
  );
});

test.each<[Partial<TickColumn>, ReturnType<typeof cell> | undefined, string, string]>([
  [{ kind: 'tick' }, undefined, 'open', ''],
  [{ kind: 'tick' }, cell('yes'), 'done', 'yes'],
  [{ kind: 'tick' }, cell(null, { exempt: true }), 'exempt', 'not needed'],
  [{ kind: 'ofMany', most: 8 }, cell('7'), 'part', '7 of 8'],
  [{ kind: 'ofMany', most: 8 }, cell('8'), 'done', '8 of 8'],
  [{ kind: 'ofMany', most: 8 }, cell('0'), 'open', '0 of 8'],
  [{ kind: 'fee', most: 12.5, unit: '€' }, cell('5'), 'part', '5 €, lacks 7.50 €'],
  [{ kind: 'fee', most: 12.5, unit: '€' }, cell('5', { owes: 5 }), 'done', '5 €'],
  [{ kind: 'fee', most: 7.5, unit: '£' }, cell('3'), 'part', '£3, lacks £4.50'],
  [{ kind: 'fee', most: 12.5 }, cell(null, { owes: 0 }), 'done', ''],
  [{ kind: 'number', unit: 'cm' }, cell('0'), 'done', '0 cm'],
  [{ kind: 'number' }, cell('as it was words'), 'done', 'as it was words'],
])('%j with %j is %s, in words %j', (given, tick, state, words) => {
  expect(tickState(column(given), tick)).toBe(state);
  expect(plain(tickWords(column(given), tick, (day) => day))).toBe(words);
});

test('what is owed says how much', () => {
  const fee = column({ name: 'Club fee', kind: 'fee', most: 12.5, unit: '€' });
  expect(plain(owedWords(fee, cell('5')))).toBe('Club fee (7.50 €)');
  expect(owedWords(column({ kind: 'ofMany', most: 8 }), cell('7'))).toBe('Slip (7 of 8)');
  expect(owedWords(column(), undefined)).toBe('Slip');
});

test.each<[Partial<TickColumn>, ReturnType<typeof cell>[], string]>([
  [{}, [cell('yes'), cell(null), cell(null, { exempt: true })], '1 of 2 (50 %); 1 still owes it'],
  [{}, [cell('yes')], '1 of 1 (100 %); nothing is missing'],
  [{ kind: 'ofMany', most: 8 }, [cell('7'), cell('8')], '15 of 16 altogether, 7.5 on average; 1 lacks some'],
  [
    { kind: 'number', unit: 'cm' },
    [cell('150'), cell('160')],
    '2 of 2; 310 cm altogether, 155 cm on average; nothing is missing',
  ],
  [
    { kind: 'fee', most: 10, unit: '€' },
    [cell('10'), cell('2.5'), cell(null), cell(null, { owes: 5 })],
    '12.50 € of 35 € paid; 3 still owe 22.50 €',
  ],
  [
    { kind: 'choice', choices: ['Fish', 'Veg'] },
    [cell('Veg'), cell('Veg'), cell(null)],
    'Veg 2; 1 has not chosen',
  ],
])('of %j the sentence says so', (given, cells, said) => {
  const { have, owe } = columnSentence(column(given), columnSums(column(given), cells));
  expect(plain(`${have}; ${owe}`)).toBe(said);
});

test('what is paid and what is left come to what is owed, unless more was paid', () => {
  const amount = fc.integer({ min: 0, max: 100_000 }).map((cents) => cents / 100);
  fc.assert(
    fc.property(
      fc.array(fc.record({ paid: fc.option(amount), owes: fc.option(amount) })),
      amount,
      (all, most) => {
        const fee = column({ kind: 'fee', most });
        const cells = all.map(({ paid, owes }) => cell(paid === null ? null : String(paid), { owes }));
        const sums = columnSums(fee, cells);
        const over = all.reduce((sum, { paid, owes }) => sum + Math.max(0, (paid ?? 0) - (owes ?? most)), 0);
        expect(sums.sum + sums.left - over).toBeCloseTo(sums.owed, 2);
        expect(sums.done + sums.part + sums.open).toBe(sums.asked);
        expect(cells.filter((one) => isOwing(fee, one)).length).toBe(sums.open + sums.part);
        expect(cells.every((one) => isOwing(fee, one) === leftToPay(fee, one) > 0)).toBe(true);
      },
    ),
  );
});
