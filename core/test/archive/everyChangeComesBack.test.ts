import fc from 'fast-check';
import { fromRecords } from '../../src/keeping/archive/fromRecords';
import { allLessons, keptRecords } from '../../src/keeping/archive/keptRecords';
import { readArchive } from '../../src/keeping/archive/readArchive';
import { toRecords } from '../../src/keeping/archive/toRecords';
import { writeArchive } from '../../src/keeping/archive/writeArchive';
import { applyEdits } from '../../src/changes/edit';
import { editsOf } from '../../src/changes/editsOf';
import { Change, type ChangeOf, type KindName } from '../../src/changes/schema';
import {
  emptyRecords,
  listOf,
  mergeRecords,
  type RecordLists,
  type Records,
} from '../../src/records/records';
import { references, tableNames } from '../../src/records/tables';
import { everyChange } from '../everyChange';
import { lesson, meeting, section, student, term } from '../records';

const zone = 'Europe/Dublin';
const now = { date: '2026-11-26', time: '10:10' };
const envelope = { id: '01JDABCDEFGHJKMNPQRSTVWXYZ', madeAt: '2026-11-23T10:41:00.000Z', device: 'phone' };
const kinds = Object.keys(everyChange) as KindName[];

const dates = ['2026-11-23', '2026-11-24', '2026-11-30', '2026-10-19', '0001-01-01', '9999-12-31'];
const times = ['10:40', '11:30', '10:45', '14:00', '14:50', '00:00', '23:59'];
const texts = ['', '=1+1', 'a;@b', "'-quote", 'two\r\nlines', '  spaces ', '"', '\u{1F41F}'];
const another = ['', '2', 'x'.repeat(37)];

/** A payload in which some values are others of their kind. @param pick from 0 to below its argument */
function varied(value: unknown, pick: (below: number) => number, field = ''): unknown {
  if (Array.isArray(value)) return value.map((one) => varied(one, pick, field));
  if (typeof value === 'object' && value !== null)
    return Object.fromEntries(Object.entries(value).map(([key, one]) => [key, varied(one, pick, key)]));
  if (typeof value !== 'string' || pick(3) > 0)
    return typeof value === 'boolean' && pick(3) === 0 ? !value : value;
  if (/^\d{4}-\d{2}-\d{2}$/.test(value)) return dates[pick(dates.length)];
  if (/^\d{2}:\d{2}$/.test(value)) return times[pick(times.length)];
  if (/^\d{4}-.*Z$/.test(value)) return `${dates[pick(4)] ?? ''}T${times[pick(times.length)] ?? ''}:00.000Z`;
  if (/[iI]ds?$/.test(field)) return `${value}${another[pick(another.length)] ?? ''}`;
  return /^(kind|text|name|comment|label|givenName|familyName|body|subject)$/.test(field)
    ? texts[pick(texts.length)]
    : value;
}

/** As the one door does: what points at nothing is refused. */
function isWhole(records: Records): boolean {
  if (Object.keys(records.school).length > 1) return false;
  return tableNames.every((table) =>
    Object.entries(references[table] ?? {}).every(([field, target]) =>
      listOf(records, table).every((row) => {
        const id = (row as unknown as Record<string, string | null>)[field] ?? null;
        return id === null || records[target][id] !== undefined;
      }),
    ),
  );
}

function lived(picks: readonly number[]): Records {
  let at = 0;
  const pick = (below: number) => (picks[at++ % picks.length] ?? 0) % below;
  let records = emptyRecords();
  for (const kind of kinds) {
    for (let again = 0; again < 3; again += 1) {
      const payload = again === 0 ? everyChange[kind] : varied(everyChange[kind], pick);
      const read = Change.safeParse({ ...envelope, kind, payload });
      if (!read.success) continue;
      const after = applyEdits(records, editsOf(read.data as ChangeOf<KindName>));
      if (isWhole(after)) records = after;
    }
  }
  return records;
}

/** Everything that is not removed, by table and id, with ids of guardians and enrolments left aside. */
function told(records: Records): Record<string, string[]> {
  const withoutId = new Set(['guardian', 'enrolment', 'school']);
  return Object.fromEntries(
    tableNames.map((table) => [
      table,
      listOf(records, table)
        .map((row) => JSON.stringify(Object.entries(withoutId.has(table) ? { ...row, id: '' } : row).sort()))
        .sort(),
    ]),
  );
}

function thereAndBack(lists: RecordLists): Records {
  const { archive, errors } = readArchive(writeArchive(fromRecords(lists, { zone, now }), zone));
  expect(errors).toEqual([]);
  const { records, problems } = toRecords(archive, zone);
  expect(problems).toEqual([]);
  return mergeRecords(emptyRecords(), records);
}

const listsOf = (records: Records) =>
  Object.fromEntries(tableNames.map((table) => [table, Object.values(records[table])])) as RecordLists;

test('whatever was done, in whichever way, the export can be read back and says the same', () => {
  fc.assert(
    fc.property(fc.array(fc.nat(9999), { minLength: 40, maxLength: 400 }), (picks) => {
      const records = lived(picks);
      const back = thereAndBack(listsOf(records));
      const kept = keptRecords(records, allLessons(records, now.date));
      expect(told(back)).toEqual(told(kept));
    }),
    { numRuns: 30 },
  );
});

describe('what once could not be read back', () => {
  const base = { section: [section()], term: [term()], student: [student()] };
  test.each<[string, RecordLists]>([
    ['a meeting entered twice', { meeting: [meeting(), meeting({ id: 'again' })] }],
    [
      'a meeting that was removed and added again',
      {
        meeting: [meeting({ removed: true }), meeting({ id: 'again' })],
        lesson: [lesson({ id: 'm.2026-11-23' })],
      },
    ],
    ['an extra lesson at the same time', { meeting: [meeting()], lesson: [lesson({ id: 'extra' })] }],
    [
      'a term without an end',
      { term: [term({ startsOn: '0001-01-01', endsOn: '9999-12-31' })], meeting: [meeting()] },
    ],
  ])('%s', (_what, lists) => {
    const back = thereAndBack({ ...base, ...lists });
    expect(listOf(back, 'meeting')).toHaveLength(
      (lists.meeting ?? []).filter(({ removed }) => !removed).length,
    );
    expect(listOf(back, 'lesson').length).toBeGreaterThan(0);
  });
});
