import fc from 'fast-check';
import { fromRecords } from '../src/keeping/archive/fromRecords';
import { toRecords } from '../src/keeping/archive/toRecords';
import type { TableRow } from '../src/formats/table';
import { tickKinds } from '../src/ticks/limits';
import type { RecordLists } from '../src/records/records';
import type { Tick, TickColumn } from '../src/records/schema';
import { dayReader } from '../src/ticks/bring/dayReader';
import { planTicks } from '../src/ticks/bring/planTicks';
import { readSheet } from '../src/ticks/bring/readSheet';
import { sheetTable } from '../src/ticks/sheetTable';
import { tickId } from '../src/ticks/tickId';
import { cell, column } from './aTickColumn';

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
