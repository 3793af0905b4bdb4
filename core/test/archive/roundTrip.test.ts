import fc from 'fast-check';
import { strFromU8, strToU8, unzipSync, zipSync } from 'fflate';
import { archiveToRead, fromRecords } from '../../src/archive/fromRecords';
import { readArchive } from '../../src/archive/readArchive';
import { archiveTableNames, emptyArchive, type Archive } from '../../src/archive/tables';
import { toRecords } from '../../src/archive/toRecords';
import { writeArchive } from '../../src/archive/writeArchive';
import type { RecordLists } from '../../src/records/records';
import { classArchive, draw } from '../signals/classes';

const zone = 'Europe/Dublin';
const now = { date: '2026-11-26', time: '10:10' };

/** An archive without the lines of its files. */
const plain = (archive: Archive) =>
  Object.fromEntries(
    archiveTableNames.map((name) => [
      name,
      (archive[name] as { line: number }[]).map(({ line: _, ...row }) => row),
    ]),
  );

/** A row of each kind that the application does not make itself. */
function fullArchive(): Archive {
  const archive = classArchive({
    lessons: 12,
    students: 4,
    how: (i, lesson) => ({ away: draw(i, lesson) < 0.1, spoke: i, level: i, late: i === 3 }),
  });
  const line = 0;
  archive.guardians.push(
    {
      student_id: 'p0',
      name: 'Bea "B." Abara',
      email: 'bea@example.org',
      phone: '=1+1',
      relation: 'aunt',
      line,
    },
    {
      student_id: 'p0',
      name: 'Bea "B." Abara',
      email: 'bea@example.org',
      phone: '=1+1',
      relation: 'aunt',
      line,
    },
  );
  archive.days_off.push({ date: '2026-02-16', name: 'Storm day', line });
  archive.work.push({
    id: 'w',
    section_id: 's',
    title: 'Log, "fair"',
    assigned_at: null,
    due_at: '2026-01-09T08:30:00',
    points: 12.5,
    line,
  });
  archive.hand_ins.push({
    work_id: 'w',
    student_id: 'p1',
    status: 'handed_in',
    handed_in_at: '2026-01-10T19:02:11',
    handed_back_at: null,
    score: 7.25,
    line,
  });
  archive.activity.push({
    id: 'a1',
    section_id: null,
    student_id: 'p1',
    at: '2026-03-29T01:30:00',
    kind: 'posted',
    place: 'Log book',
    object: '',
    seconds: 4.5,
    line,
  });
  archive.topics.push({ id: 't1', name: 'Knots', trouble: true, line });
  archive.notes.push({
    id: 'n1',
    at: '2026-01-08T10:59:07',
    lesson_id: 'l3',
    text: 'two lines\r\nand "quotes", -5 points \u{1F41F}',
    line,
  });
  archive.note_students.push({ note_id: 'n1', student_id: 'p2', line });
  archive.note_topics.push({ note_id: 'n1', topic_id: 't1', line });
  archive.steps.push({
    id: 's1',
    student_id: 'p2',
    at: '2026-01-08T16:10:00',
    kind: 'Talk',
    text: 'At the slip.',
    look_again_on: '2026-01-22',
    line,
  });
  archive.nods.push({
    id: 'd1',
    student_id: 'p3',
    at: '2026-01-08T12:00:00',
    reason: 'helped',
    place: 'shed',
    comment: '',
    line,
  });
  archive.check_ins.push({
    lesson_id: 'l3',
    student_id: 'p1',
    at: '2026-01-08T10:38:00',
    weather: 4,
    wants_word: true,
    lunch: 'soup',
    comment: '',
    line,
  });
  return archive;
}

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
  const again = plain(archiveToRead(records, { zone, now }));
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

const instant = (n: number) => new Date(Date.UTC(2026, 8, 1) + n * 3_723_456).toISOString();

/** Records with what the format has no place for: rules, ranges of days off, circles, links with spans, retired things. */
function ourRecords(seed: number): RecordLists {
  const kept = { removed: false };
  const text = draw(seed, 1) < 0.5 ? 'Ünal said “no”' : '=HYPERLINK("x")';
  return {
    school: [{ id: 'school', ...kept, name: 'Tern Rock', zone, graceMinutes: 7 }],
    term: [{ id: 'T', ...kept, name: 'Autumn', startsOn: '2026-08-31', endsOn: '2026-12-11' }],
    dayOff: [
      { id: 'D', ...kept, startsOn: '2026-10-19', endsOn: '2026-10-23', name: 'Spring tide' },
      { id: 'E', ...kept, startsOn: '2026-11-10', endsOn: '2026-11-10', name: 'Storm' },
    ],
    section: [
      {
        id: 'S',
        ...kept,
        name: 'Boat Workshop',
        subject: '',
        room: 'Shed',
        graceMinutes: 3,
        awayFromShare: 0.5,
        latesPerAbsence: 3,
        creditBy: 'minutes',
        halfDayMinutes: null,
        taughtWithId: null,
        wholeDayMinutes: null,
      },
    ],
    meeting: [
      {
        id: 'M',
        ...kept,
        sectionId: 'S',
        weekday: 1,
        startsAt: '10:40',
        endsAt: '11:30',
        validFrom: null,
        validUntil: null,
      },
    ],
    student: [
      {
        id: 'A',
        ...kept,
        givenName: 'Jun',
        familyName: '',
        called: '',
        email: '',
        grade: '8',
        schoolId: '17',
      },
      {
        id: 'B',
        removed: true,
        givenName: 'Mei',
        familyName: 'T',
        called: '',
        email: '',
        grade: '',
        schoolId: '',
      },
    ],
    guardian: [{ id: 'G', ...kept, studentId: 'A', name: text, email: '', phone: '', relation: '' }],
    enrolment: [
      { id: 'N', ...kept, sectionId: 'S', studentId: 'A', cohort: '', startsOn: null, endsOn: null },
      { id: 'O', ...kept, sectionId: 'S', studentId: 'B', cohort: '', startsOn: null, endsOn: '2026-10-01' },
    ],
    standing: [
      {
        id: 'X',
        removed: true,
        code: 'A',
        name: 'Away',
        countsAs: 'away',
        credit: 0,
        excused: false,
        position: 3,
        mergedIntoId: null,
      },
      {
        id: 'U',
        removed: true,
        code: 'U',
        name: 'Unused',
        countsAs: 'here',
        credit: 1,
        excused: false,
        position: 4,
        mergedIntoId: null,
      },
    ],
    lesson: [
      {
        id: 'M.2026-09-07',
        ...kept,
        sectionId: 'S',
        date: '2026-09-07',
        startsAt: '10:40',
        endsAt: '11:30',
        label: '',
        setAside: false,
        takenAt: instant(seed),
      },
    ],
    mark: [
      {
        id: 'M.2026-09-07/A',
        ...kept,
        lessonId: 'M.2026-09-07',
        studentId: 'A',
        standingId: 'X',
        arrivedAt: null,
        leftAt: null,
        comment: text,
        source: 'range',
      },
    ],
    lookFor: [
      {
        id: 'F',
        ...kept,
        name: 'Spoke',
        tone: 'wanted',
        measure: 'count',
        sign: 'voice',
        sectionId: 'S',
        position: 2,
      },
    ],
    focus: [{ id: 'H', ...kept, name: 'Discussion', sectionId: null, lookForIds: ['F'] }],
    tallying: [
      {
        id: 'M.2026-09-07',
        ...kept,
        lessonId: 'M.2026-09-07',
        onAt: instant(seed + 1),
        offAt: null,
        focusId: 'H',
      },
    ],
    tally: [
      {
        id: 'Y',
        ...kept,
        lessonId: 'M.2026-09-07',
        studentId: 'A',
        lookForId: 'F',
        at: instant(seed + 2),
        amount: 1,
        circleId: null,
        correctedFrom: null,
      },
    ],
    topic: [{ id: 'K', ...kept, name: 'Knots', trouble: false, alsoCalled: ['bends'], mergedIntoId: null }],
    note: [
      {
        id: 'P',
        ...kept,
        text,
        at: instant(seed + 3),
        happenedAt: null,
        lessonId: null,
        sectionId: 'S',
        place: '',
        own: true,
        doubts: [],
      },
    ],
    noteStudent: [{ id: 'P.A', ...kept, noteId: 'P', studentId: 'A', spans: [{ from: 0, to: 3 }] }],
    step: [
      {
        id: 'Q',
        ...kept,
        studentId: 'A',
        sectionId: 'S',
        concern: 'absent',
        at: instant(seed + 4),
        kind: 'Talk',
        text,
        lookAgainOn: null,
      },
    ],
    quiet: [
      {
        id: 'S/A/absent',
        ...kept,
        studentId: 'A',
        sectionId: 'S',
        concern: 'absent',
        at: instant(seed + 5),
        until: null,
        because: text,
        strength: 0.5,
      },
    ],
  };
}

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
  expect(changed(change as (files: Record<string, Uint8Array>) => void).errors).toContainEqual({
    file,
    line,
    reason,
  });
});

test('an empty archive is one', () => {
  expect(readArchive(writeArchive(emptyArchive(), zone)).errors).toEqual([]);
});
