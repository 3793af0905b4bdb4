import fc from 'fast-check';
import { fromRecords } from '../src/keeping/archive/fromRecords';
import { toRecords } from '../src/keeping/archive/toRecords';
import type { TableRow } from '../src/formats/table';
import { tickKinds } from '../src/ticks/limits';
import type { RecordLists } from '../src/records/records';
import type { Tick, TickColumn } from '../src/records/schema';
import { dayReader, planTicks } from '../src/ticks/bring/planTicks';
import { readSheet } from '../src/ticks/bring/readSheet';
import { columnSentence } from '../src/ticks/columnSentence';
import { columnSums } from '../src/ticks/columnSums';
import { readNumber, readTick } from '../src/ticks/readTick';
import { sheetTable } from '../src/ticks/sheetTable';
import { tickId } from '../src/ticks/tickId';
import { isOwing, leftToPay, tickState } from '../src/ticks/tickState';
import { owedWords, tickWords } from '../src/ticks/tickWords';

const column = (given: Partial<TickColumn> = {}): TickColumn => ({
  ...{ id: 'c', sectionId: 's', name: 'Slip', kind: 'tick', number: 1, dueOn: null, legend: '' },
  ...{ most: null, unit: '', choices: [], shown: false, removed: false, ...given },
});
const cell = (value: string | null, more: Partial<Tick> = {}) => ({
  ...{ value, on: null, owes: null, exempt: false, ...more },
});
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
  [{ kind: 'fee', most: 12.5 }, cell(null, { owes: 0 }), 'done', ''],
  [{ kind: 'number', unit: 'cm' }, cell('0'), 'done', '0 cm'],
  [{ kind: 'number' }, cell('as it was words'), 'done', 'as it was words'],
])('%j with %j is %s, in words %j', (given, tick, state, words) => {
  expect(tickState(column(given), tick)).toBe(state);
  expect(tickWords(column(given), tick, (day) => day)).toBe(words);
});

test('what is owed says how much', () => {
  const fee = column({ name: 'Club fee', kind: 'fee', most: 12.5, unit: '€' });
  expect(owedWords(fee, cell('5'))).toBe('Club fee (7.50 €)');
  expect(owedWords(column({ kind: 'ofMany', most: 8 }), cell('7'))).toBe('Slip (7 of 8)');
  expect(owedWords(column(), undefined)).toBe('Slip');
});

test.each<[Partial<TickColumn>, ReturnType<typeof cell>[], string]>([
  [{}, [cell('yes'), cell(null), cell(null, { exempt: true })], '1 of 2 (50\u00A0%); 1 still owes it'],
  [{}, [cell('yes')], '1 of 1 (100\u00A0%); nothing is missing'],
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
  expect(`${have}; ${owe}`).toBe(said);
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

const rows = (text: string): TableRow[] =>
  text.split('\n').map((line, index) => ({ line: index + 1, cells: line.split('\t') }));
const names = ['Ada Quill', 'Bo Reed', 'Cy Marsh'];
const plan = (text: string, columns: TickColumn[] = [], ticks: Record<string, Tick> = {}) => {
  const reading = readSheet(rows(text), (written) => names.includes(written));
  const students = new Map(
    reading.people.flatMap(({ name }, at): [number, string][] =>
      names.includes(name) ? [[at, String(names.indexOf(name))]] : [],
    ),
  );
  let last = 0;
  const newId = () => `new${(last += 1)}`;
  return planTicks(reading, {
    ...{ sectionId: 's', columns, ticks, students, targets: new Map(), newId },
    readDay: dayReader(reading),
  });
};
const kindsOf = (text: string) => plan(text).toMake.map(({ kind, name, most }) => [name, kind, most]);

test.each<[string, unknown[]]>([
  ['Name\tSlip\nAda Quill\tyes\nBo Reed\t\nCy Marsh\tx', [['Slip', 'tick', null]]],
  ['Name\tHomework (8)\nAda Quill\t7\nBo Reed\t8', [['Homework', 'ofMany', 8]]],
  ['Name\tTest\nAda Quill\t7/8\nBo Reed\t8/8', [['Test', 'ofMany', 8]]],
  ['Student\tHeight\nAda Quill\t150,5\nBo Reed\t149', [['Height', 'number', null]]],
  ['Student\tJab\nAda Quill\t3/11/2026\nBo Reed\t14/11/2026', [['Jab', 'date', null]]],
  ['Student\tLocker\nAda Quill\tA12\nBo Reed\tB7', [['Locker', 'text', null]]],
  [
    'Name\tFee owed\tFee paid\tFee paid on\nAda Quill\t10\t10\t2026-11-02\nBo Reed\t10\t\t',
    [['Fee', 'fee', 10]],
  ],
  // Without headings: the first line is somebody.
  ['Ada Quill\tyes\nBo Reed\tno', [['Column 1', 'tick', null]]],
])('a file %j makes columns', (text, made) => {
  expect(kindsOf(text)).toEqual(made);
});

test('a file beside what is here: new, changed, the same; what says nothing is left out and told', () => {
  const here = column({ id: 'here', name: 'Slip' });
  const kept: Tick = {
    id: tickId('here', '0'),
    columnId: 'here',
    studentId: '0',
    removed: false,
    ...cell('yes'),
  };
  const text = 'Name\tslip\nAda Quill\tyes\nBo Reed\tyes\nCy Marsh\tperhaps\nZoe Nobody\tyes\nTotal\t2';
  const found = plan(text, [here], { [kept.id]: kept });
  expect(found.toMake).toEqual([]);
  expect(found.columns[0]?.fates).toEqual({ new: 1, changed: 0, same: 1 });
  expect(found.ticks).toEqual([{ columnId: 'here', studentId: '1', value: 'yes' }]);
  expect(found.problems).toEqual([
    { line: 4, heading: 'slip', reason: '“perhaps” says neither yes nor no. What stood there is kept.' },
  ]);
});

const amount = fc.integer({ min: 0, max: 9999 }).map((cents) => String(cents / 100));
const values: Record<TickColumn['kind'], fc.Arbitrary<string>> = {
  ...{ tick: fc.constant('yes'), ofMany: fc.integer({ min: 0, max: 8 }).map(String), number: amount },
  ...{ text: fc.constantFrom('A12', 'b; c', 'n. b.'), date: fc.constantFrom('2026-11-02', '2026-12-14') },
  ...{ choice: fc.constantFrom('Fish', 'Veg'), fee: amount },
};

test('a sheet that was given out comes in as it was', () => {
  const anyCell = fc.constantFrom(...tickKinds).chain((kind) =>
    fc.record({
      kind: fc.constant(kind),
      cells: fc.array(fc.option(fc.record({ value: values[kind], exempt: fc.boolean() })), {
        minLength: 3,
        maxLength: 3,
      }),
    }),
  );
  fc.assert(
    fc.property(fc.array(anyCell, { minLength: 1, maxLength: 5 }), (sheet) => {
      const columns = sheet.map(({ kind }, at) =>
        column({
          id: `c${at}`,
          name: `Thing ${at}`,
          kind,
          number: at + 1,
          most: kind === 'number' ? null : 8,
          choices: ['Fish', 'Veg'],
        }),
      );
      const ticks = sheet.flatMap(({ kind, cells }, at) =>
        cells.flatMap((one, who): Tick[] => {
          if (!one) return [];
          const value = one.exempt ? null : one.value;
          const on = kind === 'fee' && value !== null ? '2026-11-03' : null;
          const id = tickId(`c${at}`, String(who));
          return [
            {
              id,
              columnId: `c${at}`,
              studentId: String(who),
              removed: false,
              owes: null,
              on,
              value,
              exempt: one.exempt,
            },
          ];
        }),
      );
      const byId = Object.fromEntries(ticks.map((one) => [one.id, one]));
      const table = sheetTable(
        names.map((name, at) => ({ id: String(at), name, email: '' })),
        columns,
        byId,
      );
      const text = table
        .map((line) =>
          line.map((one) => (one instanceof Date ? one.toISOString().slice(0, 10) : (one ?? ''))).join('\t'),
        )
        .join('\n');
      expect(plan(text, columns, byId)).toMatchObject({ toMake: [], ticks: [], problems: [] });
      const again = plan(text, columns);
      for (const { columnId, studentId, value, exempt } of ticks)
        expect(again.ticks).toContainEqual(
          expect.objectContaining({ columnId, studentId, ...(exempt ? { exempt: true } : { value }) }),
        );
    }),
    { numRuns: 60 },
  );
});

test('tick-sheets go through an archive unharmed', () => {
  const section = {
    ...{
      id: 's',
      removed: false,
      name: 'Tides',
      subject: '',
      room: '',
      graceMinutes: null,
      awayFromShare: null,
    },
    ...{ latesPerAbsence: null, creditBy: 'standing' as const, halfDayMinutes: null, taughtWithId: null },
    ...{ attendedByWork: false, wholeDayMinutes: null, lessonModes: [] },
  } as const;
  const student = {
    id: 'a',
    removed: false,
    givenName: 'Ada',
    familyName: 'Quill',
    called: '',
    email: '',
    grade: '',
    schoolId: '',
  };
  const kept: RecordLists = {
    section: [{ ...section, lessonModes: [] }],
    student: [student],
    tickColumn: [
      column({ kind: 'choice', choices: ['Fish', 'Veg; boiled'], dueOn: '2026-12-04', unit: 'x', most: 2.5 }),
    ],
    tick: [
      {
        id: tickId('c', 'a'),
        columnId: 'c',
        studentId: 'a',
        removed: false,
        ...cell('Fish', { on: '2026-11-02', owes: 3 }),
      },
    ],
  };
  const clock = { now: { date: '2026-11-29', time: '10:00' }, zone: 'Europe/Dublin' };
  const archive = fromRecords(kept, clock);
  expect(archive.tick_columns).toHaveLength(1);
  const back = toRecords(archive, clock.zone);
  expect(back.problems).toEqual([]);
  expect(back.records.tickColumn).toEqual(kept.tickColumn);
  expect(back.records.tick).toEqual(kept.tick);
});
