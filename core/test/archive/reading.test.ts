import fc from 'fast-check';
import { strToU8, zipSync } from 'fflate';
import { archiveTotals } from '../../src/keeping/archive/archiveTotals';
import { NotAnArchive, readArchive } from '../../src/keeping/archive/readArchive';
import { readTable, TableError } from '../../src/formats/table';
import { readRosterFile } from '../../src/people/roster/oneRoster';
import { readRoster } from '../../src/people/roster/readRoster';

const files = {
  'datapackage.json': '{}',
  'sections.csv': 'id,name,subject,room\ns,Boat Workshop,,\n',
  'students.csv': 'id,given_name,family_name,called,email,grade\na,Dario,Quispe,,,\nb,Jun,,,,\n',
  'enrolments.csv': 'section_id,student_id,cohort,starts_on,ends_on\ns,a,,,\ns,b,,2026-11-03,\n',
  'lessons.csv':
    'id,section_id,starts_at,ends_at,status,label\n' +
    [2, 3, 4, 5, 6, 9]
      .map((day) => {
        const date = `2026-11-${String(day).padStart(2, '0')}`;
        const status = { 5: 'set_aside', 9: 'planned' }[day] ?? 'held';
        return `l${day},s,${date}T10:40:00,${date}T11:30:00,${status},\n`;
      })
      .join(''),
  'standings.csv':
    'id,code,name,counts_as,credit,excused\nA,A,Away,away,0,false\nX,X,Ill,away,0.5,true\nL,L,Late,late,1,false\nS,S,Trip,not_counted,0,true\n',
  'taken.csv': 'lesson_id,taken_at\nl2,2026-11-02T10:45:00\nl3,\nl4,2026-11-04T10:42:00\n',
  'roll.csv':
    'lesson_id,student_id,standing_id,arrived_at,left_at,comment,source\n' +
    'l2,a,X,,,,tap\nl3,a,,2026-11-03T10:52:00,2026-11-03T11:00:00,,tap\nl4,a,S,,,"two\nlines",tap\nl2,b,A,,,,tap\nl4,b,L,,,,tap\n',
};
const zip = (changed: Record<string, string> = {}) =>
  zipSync(
    Object.fromEntries(Object.entries({ ...files, ...changed }).map(([n, text]) => [n, strToU8(text)])),
    { level: 0 },
  );

test('totals of an archive, worked out by hand', () => {
  const { archive, errors } = readArchive(zip());
  expect(errors).toEqual([]);
  // Held: 2, 3, 4, 6 (6 not taken); 5 set aside for all; 9 lies ahead. Jun came on the 3rd.
  expect(archiveTotals(archive, '2026-11-01', '2026-11-30')).toEqual([
    {
      student_id: 'a',
      section_id: 's',
      lessons: 4,
      taken: 2,
      not_taken: 1,
      here: 0,
      late: 1,
      left_early: 1,
      away: 1,
      excused: 1,
      set_aside: 2,
      credit: 1.5,
      percent: 75,
      minutes_missed: 50 + 12 + 30,
      minutes_late: 12,
    },
    expect.objectContaining({
      student_id: 'b',
      lessons: 3,
      taken: 2,
      here: 1,
      late: 1,
      away: 0,
      percent: 100,
    }),
  ]);
  expect(archiveTotals(archive, '2026-11-01', '2026-11-02')).toMatchObject([{ student_id: 'a', taken: 1 }]);
});

test.each([
  ['roll.csv', files['roll.csv'] + 'l9x,a,,,,,tap\n', 8, 'lesson_id l9x is not in lessons.csv'],
  ['roll.csv', files['roll.csv'] + 'l2,a,A,,,,tap\n', 8, 'says again what stands on line 2'],
  ['roll.csv', files['roll.csv'] + 'l3,b,A,2026-11-03T10:52:00,,,tap\n', 8, 'arrived_at of someone away'],
  ['taken.csv', 'lesson_id,taken_at\nl2,yesterday\n', 2, 'taken_at is no local time'],
  ['standings.csv', files['standings.csv'].replace('0.5', '1.5'), 3, 'credit is no number from 0 to 1'],
  ['lessons.csv', files['lessons.csv'].replace('T11:30', 'T10:30'), 2, 'ends_at is not after starts_at'],
  ['enrolments.csv', 'section_id,student_id\ns,a,x\n', 2, 'has 3 cells under 2 columns'],
])('%s: an error has its file and line', (file, text, line, reason) => {
  expect(readArchive(zip({ [file]: text })).errors).toContainEqual({
    file,
    line,
    reason: expect.stringContaining(reason) as string,
  });
});

test('what the format does not know is said, and is no error', () => {
  const { errors, notes } = readArchive(zip({ 'sections.csv': 'id,mood\ns,good\n', 'poem.txt': 'x' }));
  expect(errors).toEqual([]);
  expect(notes).toEqual([
    'poem.txt: kept aside, no file of the format',
    'sections.csv: kept aside, unknown here: mood',
  ]);
});

const bomb = () => {
  const made = zipSync({ 'datapackage.json': strToU8('{}'), 'roll.csv': new Uint8Array(1000) });
  // The size that each entry claims to unpack to, in the directory at the end of the zip.
  const view = new DataView(made.buffer, made.byteOffset);
  for (let at = 0; at < made.length - 4; at += 1)
    if (view.getUint32(at, true) === 0x02014b50) view.setUint32(at + 24, 0x7fffffff, true);
  return made;
};
test.each([
  ['empty', new Uint8Array(), 'empty'],
  ['a text', strToU8('hello'), 'no archive'],
  ['another zip', zipSync({ 'a.txt': strToU8('x') }), 'no datapackage.json'],
  ['a damaged zip', zip().slice(0, 300), 'damaged'],
  ['a bomb', bomb(), 'over 200 MB'],
])('%s is refused with a sentence', (_what, bytes, words) => {
  expect(() => readArchive(bytes)).toThrow(NotAnArchive);
  expect(() => readArchive(bytes)).toThrow(words);
});

describe('a OneRoster zip', () => {
  const users =
    'sourcedId,status,role,givenName,familyName,email,grades,agentSourcedIds\n' +
    'u1,,student,Dario,Quispe,dario@x.org,09,"g1,g2"\nu2,,teacher,Ines,Halloran,ines@x.org,,\n' +
    'g1,,guardian,Rosa,Quispe,rosa@x.org,,\ng2,,parent,Luz,Quispe,,,\nu3,tobedeleted,student,Old,Boy,,,\nu4,active,student,Jun,,nowhere,10,\n';
  test('its students, with their lines, guardians and doubts; its teachers are nobody', async () => {
    const { rows } = readRoster(await readRosterFile(zipSync({ 'users.csv': strToU8(users) })));
    expect(rows).toMatchObject([
      {
        line: 2,
        fate: 'new',
        givenName: 'Dario',
        familyName: 'Quispe',
        schoolId: 'u1',
        grade: '09',
        guardians: [
          { name: 'Rosa Quispe', email: 'rosa@x.org' },
          { name: 'Luz Quispe', email: '' },
        ],
      },
      { line: 7, fate: 'in_doubt', givenName: 'Jun', familyName: '', email: '' },
    ]);
  });
  test('without the columns it needs it is refused', async () => {
    const zipped = zipSync({ 'users.csv': strToU8('a,b\n1,2\n') });
    await expect(readRosterFile(zipped)).rejects.toThrow('no columns sourcedId and role');
  });
});

describe('no input crashes a parser or holds it up', () => {
  const times = 10_000;
  const signs = fc.constantFrom(
    ',',
    ';',
    '"',
    '\n',
    '\r',
    '\t',
    '@',
    'a',
    'é',
    '\u0000',
    '\uFEFF',
    '=',
    '0',
    '-',
    ' ',
  );
  const text = fc.oneof(
    fc.string(),
    fc.array(signs, { maxLength: 60 }).map((found) => found.join('')),
  );
  const bytes = fc.oneof(
    text.map((found) => new TextEncoder().encode(found)),
    fc.uint8Array({ maxLength: 80 }),
    fc.uint8Array({ maxLength: 80 }).map((found) => Uint8Array.from([0x50, 0x4b, 3, 4, ...found])),
  );
  test(`a roster of ${times} kinds`, async () => {
    let slowest = 0;
    await fc.assert(
      fc.asyncProperty(bytes, async (found) => {
        const begun = process.cpuUsage();
        const rows = await readRosterFile(found).catch((error: unknown) => {
          if (error instanceof TableError) return readTable(strToU8('Name\nJun'));
          throw error;
        });
        readRoster(rows);
        slowest = Math.max(slowest, process.cpuUsage(begun).user / 1000);
      }),
      { numRuns: times },
    );
    expect(slowest).toBeLessThan(1000);
  }, 600_000);
  test(`an archive of ${times} kinds`, () => {
    const names = fc.constantFrom(...(Object.keys(files) as (keyof typeof files)[]));
    fc.assert(
      fc.property(names, text, fc.nat(300), bytes, (name, junk, cut, raw) => {
        const broken = files[name].slice(0, cut) + junk;
        for (const input of [zip({ [name]: broken }), raw])
          try {
            const { archive, errors } = readArchive(input);
            if (errors.length === 0) archiveTotals(archive, '2026-11-01', '2026-11-30');
          } catch (error) {
            expect(error).toBeInstanceOf(NotAnArchive);
          }
      }),
      { numRuns: times },
    );
  }, 600_000);
});
