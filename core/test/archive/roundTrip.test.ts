import fc from 'fast-check';
import { strFromU8, strToU8, unzipSync, zipSync } from 'fflate';
import { fromRecords } from '../../src/keeping/archive/fromRecords';
import { readArchive } from '../../src/keeping/archive/readArchive';
import { archiveTableNames, emptyArchive, type Archive } from '../../src/keeping/archive/tables';
import { toRecords } from '../../src/keeping/archive/toRecords';
import { writeArchive } from '../../src/keeping/archive/writeArchive';
import { lessonsBetween } from '../../src/calendar/lessons';
import { lesson, mark, meeting, section, student, term } from '../records';
import { fullArchive, ourRecords, zone } from './archives';

const now = { date: '2026-11-26', time: '10:10' };

/** An archive without the lines of its files. */
const plain = (archive: Archive) =>
  Object.fromEntries(
    archiveTableNames.map((name) => [
      name,
      (archive[name] as { line: number }[]).map(({ line: _, ...row }) => row),
    ]),
  );

test('written and read again, every file says the same', () => {
  const archive = fullArchive();
  const { archive: read, errors, notes, timezone } = readArchive(writeArchive(archive, zone));
  expect([errors, notes, timezone]).toEqual([[], [], zone]);
  expect(plain(read)).toEqual(plain(archive));
});

test('the package describes itself: every file with its columns, their types and where they point', () => {
  const files = unzipSync(writeArchive(fullArchive(), zone));
  const { profile, timezone, resources } = JSON.parse(
    strFromU8(files['datapackage.json'] ?? new Uint8Array()),
  ) as {
    profile: string;
    timezone: string;
    resources: {
      name: string;
      path: string;
      schema: { fields: { name: string; type: string }[]; foreignKeys?: unknown };
    }[];
  };
  expect([profile, timezone]).toEqual(['tabular-data-package', zone]);
  expect(resources.map(({ path }) => path).sort()).toEqual(
    Object.keys(files)
      .filter((name) => name !== 'datapackage.json')
      .sort(),
  );
  const tallies = resources.find(({ name }) => name === 'tallies');
  expect(tallies?.schema.fields.map(({ name, type }) => `${name} ${type}`)).toEqual([
    'id string',
    'lesson_id string',
    'student_id string',
    'look_for_id string',
    'at datetime',
    'amount integer',
  ]);
  expect(tallies?.schema.foreignKeys).toContainEqual({
    fields: 'lesson_id',
    reference: { resource: 'lessons', fields: 'id' },
  });
});

test('records out of an archive make the same archive again', () => {
  const archive = fullArchive();
  const { records, problems } = toRecords(archive, zone);
  expect(problems).toEqual([]);
  const again = plain(fromRecords(records, { zone, now }));
  const sorted = (rows: unknown[] | undefined) =>
    (rows ?? []).map((row) => JSON.stringify(Object.entries(row as object).sort())).sort();
  const { more: _more, taken, ...rest } = plain(archive);
  for (const [name, rows] of Object.entries(rest)) {
    const withMoments =
      name === 'tallies' ? rows.map((row) => ({ ...row, at: expect.anything() as unknown })) : rows;
    if (name === 'tallies') expect(again[name]).toHaveLength(withMoments.length);
    else expect([name, ...sorted(again[name])]).toEqual([name, ...sorted(rows)]);
  }
  expect(again['taken']).toHaveLength(taken?.length ?? 0);
});

test('what the format has no place for comes back too: out, in and out again is the same', () => {
  fc.assert(
    fc.property(fc.integer({ min: 0, max: 2000 }), (seed) => {
      const first = writeArchive(fromRecords(ourRecords(seed), { zone, now }), zone);
      const { archive, errors } = readArchive(first);
      expect(errors).toEqual([]);
      const { records, problems } = toRecords(archive, zone);
      expect(problems).toEqual([]);
      for (const [table, rows] of Object.entries(ourRecords(seed)))
        for (const row of rows as { id: string; removed: boolean }[])
          if (row.id !== 'U' && row.id !== 'M.2026-09-07')
            expect((records[table as 'note'] ?? []).find(({ id }) => id === row.id)).toEqual(row);
      const second = writeArchive(fromRecords(records, { zone, now }), zone);
      expect(strFromU8(second, true) === strFromU8(first, true)).toBe(true);
    }),
    { numRuns: 20 },
  );
});

test('a lesson that was taken out of the timetable stays out', () => {
  const gone = lesson({ id: 'm.2026-11-24', date: '2026-11-24', removed: true, takenAt: null });
  const lists = {
    ...{ section: [section()], term: [term()], meeting: [meeting({ weekday: 2 })], student: [student()] },
    lesson: [gone],
    mark: [mark({ lessonId: gone.id })],
  };
  const zip = writeArchive(fromRecords(lists, { zone, now }), zone);
  const { records } = toRecords(readArchive(zip).archive, zone);
  expect(records.lesson?.find(({ id }) => id === gone.id)?.removed).toBe(true);
  expect(records.mark).toEqual([]);
  const calendar = {
    terms: [term()],
    daysOff: [],
    meetings: records.meeting ?? [],
    lessons: records.lesson ?? [],
  };
  expect(lessonsBetween(calendar, '2026-11-23', '2026-12-01').map(({ date }) => date)).toEqual([
    '2026-12-01',
  ]);
});

const changed = (change: (files: Record<string, Uint8Array>) => void) => {
  const files = unzipSync(writeArchive(fullArchive(), zone));
  change(files);
  return readArchive(zipSync(files));
};
const edit = (name: string, by: (text: string) => string) => (files: Record<string, Uint8Array>) => {
  files[name] = strToU8(by(strFromU8(files[name] ?? new Uint8Array())));
};

test.each([
  [
    'a missing file',
    (files: Record<string, Uint8Array>) => delete files['tallies.csv'],
    'datapackage.json',
    null,
    'names tallies.csv, which is not in the zip',
  ],
  [
    'a wrong column',
    edit('tallies.csv', (text) => text.replace('look_for_id', 'lookfor')),
    'tallies.csv',
    1,
    'there is no column look_for_id',
  ],
  [
    'a row that points nowhere',
    edit('sweeps.csv', (text) => text.replace('p1', 'p99')),
    'sweeps.csv',
    6,
    'student_id p99 is not in students.csv',
  ],
  [
    'dates out of order',
    edit('enrolments.csv', (text) => text.replace('s,p0,,,', 's,p0,,2026-03-01,2026-02-01')),
    'enrolments.csv',
    2,
    'ends_on is before starts_on',
  ],
  [
    'a lesson twice',
    edit('lessons.csv', (text) =>
      text
        .replace('2026-01-06T10:40:00', '2026-01-05T10:40:00')
        .replace('2026-01-06T11:30:00', '2026-01-05T11:30:00'),
    ),
    'lessons.csv',
    3,
    'is the lesson of line 2 again (section_id, starts_at)',
  ],
  [
    'a level that is none',
    edit('sweeps.csv', (text) => text.replace(/,3\r/, ',7\r')),
    'sweeps.csv',
    4,
    'level is no level from 0 to 3',
  ],
  [
    'a zone that is none',
    edit('datapackage.json', (text) => text.replace(zone, 'Atlantis/Rock')),
    'datapackage.json',
    null,
    'timezone Atlantis/Rock is not known',
  ],
  [
    'work due before it was set',
    edit('work.csv', (text) => text.replace('"Log, ""fair""",', '"Log, ""fair""",2026-02-01T08:00:00')),
    'work.csv',
    2,
    'due_at is before assigned_at',
  ],
])('%s has its file and line', (_what, change, file, line, reason) => {
  expect(changed(change).errors).toContainEqual({
    file,
    line,
    reason,
  });
});

test('an empty archive is one', () => {
  expect(readArchive(writeArchive(emptyArchive(), zone)).errors).toEqual([]);
});
