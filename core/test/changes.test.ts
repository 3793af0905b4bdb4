import fc from 'fast-check';
import { applyEdits, invertEdits, type Edit } from '../src/changes/edit';
import { editsOf } from '../src/changes/editsOf';
import { aboutOf, Change, changeKinds, type ChangeOf, type KindName } from '../src/changes/schema';
import { emptyRecords, listOf, mergeRecords, type Records } from '../src/records/records';
import { recordSchema } from '../src/records/schema';
import { tableNames } from '../src/records/tables';
import { everyChange } from './everyChange';
import { section as plainSection, term } from './records';

const { id: _id, removed: _removed, ...section } = plainSection({ name: 'Boat Workshop' });
const make: Edit = { op: 'make', table: 'section', id: 's', values: section };
const rename = (name: string): Edit => ({ op: 'set', table: 'section', id: 's', values: { name } });
const made = applyEdits(emptyRecords(), [make]);

describe('edits', () => {
  test('make adds, again does nothing, and is taken back by removing', () => {
    expect(listOf(made, 'section')).toEqual([{ id: 's', removed: false, ...section }]);
    expect(applyEdits(made, [{ ...make, values: { ...section, name: 'Other' } }]).section).toBe(made.section);
    const undone = applyEdits(made, invertEdits(emptyRecords(), [make]));
    expect(listOf(undone, 'section')).toEqual([]);
    // Made again, it is there again, with what it had.
    expect(listOf(applyEdits(undone, [make]), 'section')).toHaveLength(1);
  });
  test('what is only ensured stays when the change is taken back', () => {
    const ensure: Edit = { op: 'ensure', table: 'section', id: 's', values: section };
    expect(invertEdits(emptyRecords(), [ensure, rename('New')])).toEqual([rename('Boat Workshop')]);
  });
  test('a set of an unknown record does nothing', () => {
    expect(applyEdits(emptyRecords(), [rename('New')])).toEqual(emptyRecords());
  });
  test('any row of renamings, taken back from the last to the first, ends where it began', () => {
    fc.assert(
      fc.property(fc.array(fc.string()), (names) => {
        let records = made;
        const inverses = names.map((name) => {
          const inverse = invertEdits(records, [rename(name)]);
          records = applyEdits(records, [rename(name)]);
          return inverse;
        });
        for (const inverse of inverses.reverse()) records = applyEdits(records, inverse);
        expect(records).toEqual(made);
      }),
    );
  });
});

test('records without news keep their identity, so that nothing is drawn again for them', () => {
  const records = mergeRecords(emptyRecords(), { term: [term(), term({ id: 'u' })] });
  expect(mergeRecords(records, { term: [term()] })).toEqual(records);
  expect(mergeRecords(records, { term: [term()] }).term).toBe(records.term);
  const renamed = mergeRecords(records, { term: [term({ name: 'Spring' })] });
  expect([renamed.term['t']?.name, renamed.term['u']]).toEqual(['Spring', records.term['u']]);
});

describe('every kind of change, one after the other in the term of a class', () => {
  type Lived = { before: Records; after: Records; edits: Edit[] };
  const envelope = { id: '01JDABCDEFGHJKMNPQRSTVWXYZ', madeAt: '2026-11-23T10:41:00.000Z', device: 'phone' };
  const changeOf = (kind: KindName) =>
    ({ ...envelope, kind, payload: everyChange[kind] }) as ChangeOf<KindName>;
  const lived = new Map<KindName, Lived>();
  let records = emptyRecords();
  for (const kind of Object.keys(everyChange) as KindName[]) {
    const edits = editsOf(changeOf(kind));
    const before = records;
    records = applyEdits(before, edits);
    lived.set(kind, { before, after: records, edits });
  }
  /** What is there, without what is removed, and without what a change only made sure of. */
  const there = (of: Records, ensured: ReadonlySet<string>) =>
    tableNames.map((table) => [
      table,
      ...listOf(of, table)
        .filter(({ id }) => !ensured.has(`${table} ${id}`))
        .sort((a, b) => (a.id < b.id ? -1 : 1)),
    ]);
  test('the example has all of them', () => {
    expect(Object.keys(everyChange).sort()).toEqual(Object.keys(changeKinds).sort());
  });
  test.each([...lived])('%s', (kind, { before, after, edits }) => {
    expect(Change.safeParse(changeOf(kind)).error).toBeUndefined();
    // It does something, and leaves each record as the one schema of its table has it.
    expect(after).not.toEqual(before);
    for (const { table, id } of edits) {
      const row = after[table][id];
      if (row) expect([table, recordSchema(table).strict().safeParse(row).error]).toEqual([table, undefined]);
    }
    // Arrived twice it is the same as once.
    expect(applyEdits(after, edits)).toEqual(after);
    // Taken back all is as it was, but for what was made sure of as the ground for it.
    const ensured = new Set(
      edits.flatMap(({ op, table, id }) => (op === 'ensure' ? [`${table} ${id}`] : [])),
    );
    const undone = applyEdits(after, invertEdits(before, edits));
    expect(there(undone, ensured)).toEqual(there(before, ensured));
  });
});

describe('changes', () => {
  const envelope = { id: '01JDABCDEFGHJKMNPQRSTVWXYZ', madeAt: '2026-11-23T10:41:00.000Z', device: 'phone' };
  const lesson = {
    id: 'm.2026-11-23',
    sectionId: 's',
    date: '2026-11-23',
    startsAt: '10:40',
    endsAt: '11:30',
  };
  const mark = { studentId: 'a', standingId: null, arrivedAt: null, leftAt: null };
  test('every kind has edits', () => {
    for (const kind of Object.keys(changeKinds) as KindName[])
      expect(() => editsOf({ ...envelope, kind, payload: undefined } as never)).toThrow(TypeError);
  });
  test.each([
    ['a mark', 'roll.mark', { lesson, marks: [mark] }, true],
    ['a date that is none', 'roll.mark', { lesson: { ...lesson, date: '2026-02-30' }, marks: [mark] }, false],
    ['an hour that is none', 'roll.mark', { lesson, marks: [{ ...mark, arrivedAt: '24:00' }] }, false],
    [
      'a lesson that ends before it begins',
      'meeting.add',
      {
        id: 'm',
        sectionId: 's',
        weekday: 1,
        startsAt: '11:00',
        endsAt: '10:00',
        validFrom: null,
        validUntil: null,
      },
      false,
    ],
    [
      'a student without a name',
      'student.set',
      {
        id: 'a',
        student: { givenName: ' ', familyName: '', called: '', email: '', grade: '', schoolId: '' },
        guardians: [],
      },
      false,
    ],
    ['control characters in an id', 'section.remove', { id: 'a\nb' }, false],
    ['a kind there is not', 'section.paint', {}, false],
  ])('%s', (_what, kind, payload, good) => {
    expect(Change.safeParse({ ...envelope, kind, payload }).success).toBe(good);
  });
  test('a roll’s changes belong to the history of their lesson', () => {
    const change = {
      ...envelope,
      kind: 'roll.mark',
      payload: { lesson, marks: [mark] },
    } as ChangeOf<'roll.mark'>;
    expect(aboutOf(change)).toBe('m.2026-11-23');
  });
  test('nothing that comes in as a change is believed unread', () => {
    fc.assert(
      fc.property(fc.anything(), (raw) => !Change.safeParse(raw).success),
      { numRuns: 2000 },
    );
  });
});
