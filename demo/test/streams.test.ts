import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { archiveTableNames, type Archive } from '@slate-path/core/keeping/archive/tables';
import { toRecords } from '@slate-path/core/keeping/archive/toRecords';
import { observe } from '@slate-path/core/watch/signals/observe';
import type { ClassSeries, Slot } from '@slate-path/core/watch/signals/streams';
import { simulateTerm } from '../src/simulator/simulateTerm';
import { withOwnIds } from '../src/simulator/withOwnIds';
import { createTeacher } from '@slate-path/server/accounts/accounts';
import { bringArchive } from '@slate-path/server/keeping/archive/bring';
import { openDatabase, type OpenDatabase } from '@slate-path/server/database/open';
import { RecordReader } from '@slate-path/server/database/readRecords';
import { readSection } from '@slate-path/server/watch/readSection';

const zone = 'Europe/Dublin';
const clock = () => Date.parse('2026-06-01T12:00:00Z');

/** A term with every stream in it, late comers and forgotten rolls; ids begin with the class's letter. */
function termOf(letter: string): Archive {
  const { archive } = simulateTerm({
    seed: `streams ${letter}`,
    students: 12,
    weeks: 8,
    startsOn: '2026-01-05',
    planted: ['absence', 'missingWork'],
    weekday: true,
    onsetLesson: 20,
    variety: 0.3,
  });
  return withOwnIds(archive, letter);
}

const [first, second] = [termOf('a'), termOf('b')];
const both = Object.fromEntries(
  archiveTableNames.map((table) => [table, [...first[table], ...second[table]]]),
) as unknown as Archive;
let folder: string;
let database: OpenDatabase;
let teacherId: string;

beforeAll(async () => {
  folder = fs.mkdtempSync(path.join(os.tmpdir(), 'slate-streams-'));
  database = await openDatabase(folder);
  const school = { name: 'Tern Rock', zone, graceMinutes: 5 };
  const account = { name: 'Ines Halloran', passphrase: 'harbour bell rings', school };
  teacherId = await createTeacher({ database, clock }, account);
  const { records, problems } = toRecords(both, zone);
  expect(problems).toEqual([]);
  await bringArchive({ database, clock, teacherId }, { records, zone });
});
afterAll(async () => {
  await database.close();
  fs.rmSync(folder, { recursive: true });
});

/** A series whatever the order of its students: each value by whose it is. */
function told({ students, lessons, seatings, streams }: ClassSeries) {
  const byStudent = (values: Float64Array | null) =>
    values && Object.fromEntries(students.map(({ id }, i) => [id, values[i]]));
  const slot = ({ value, exposure, ...when }: Slot) => ({
    ...when,
    value: byStudent(value),
    // Where nothing was seen, how much chance there was says nothing.
    exposure: byStudent(exposure && exposure.map((chance, i) => (Number.isNaN(value[i]) ? NaN : chance))),
  });
  return {
    students: Object.fromEntries(students.map(({ id, ...student }) => [id, student])),
    lessons,
    seatings: seatings
      .map(({ startsOn, roomPlanId, places }) => ({ startsOn, roomPlanId, places }))
      .sort((a, b) => (a.startsOn < b.startsOn ? -1 : 1)),
    streams: Object.fromEntries(
      Object.entries(streams).map(([name, slots]) => [name, slots.map((one) => slot(one))]),
    ),
  };
}

function fromDatabase(sectionId: string, asOf: string): ClassSeries | null {
  const reader = new RecordReader(database.file);
  try {
    return readSection(reader, teacherId, sectionId, Date.parse(`${asOf}T20:00:00Z`)).series(asOf);
  } finally {
    reader.close();
  }
}

test.each([
  ['in the second week', '2026-01-14'],
  ['on a day without school', '2026-01-31'],
  ['at the end', '2026-02-28'],
])(
  'the streams that a database gives are those of the archive it was filled from, class by class: %s',
  (_, asOf) => {
    for (const [archive, sectionId] of [
      [first, 'as'],
      [second, 'bs'],
    ] as const) {
      const [expected] = observe(archive, { asOf });
      const found = fromDatabase(sectionId, asOf);
      if (!expected || !found) throw new Error('There is no such class.');
      expect(told(found)).toEqual(told(expected));
    }
  },
);

test('every stream has something in it, so that the comparison holds for each', () => {
  const { streams, seatings } = fromDatabase('as', '2026-02-28') ?? {};
  expect(seatings).toHaveLength(2);
  expect(Object.entries(streams ?? {}).filter(([, slots]) => slots.length === 0)).toEqual([]);
});

test('nobody else’s class is read', () => {
  const reader = new RecordReader(database.file);
  expect(readSection(reader, 'somebody else', 'as', clock()).series('2026-02-28')).toBeNull();
  reader.close();
});
