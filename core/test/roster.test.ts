import fc from 'fast-check';
import { strToU8, zipSync } from 'fflate';
import { guardFormulas, unguardFormulas } from '../src/formats/formulas';
import { writeCsv } from '../src/formats/csv';
import { decodeText, guessEncoding } from '../src/formats/decodeText';
import { readTable, TableError } from '../src/formats/table';
import { readRosterFile } from '../src/people/roster/oneRoster';
import { cutName } from '../src/people/cutName';
import { displayName } from '../src/people/names';
import { acceptedPeople, mergeRoster, settledRow } from '../src/people/roster/mergeRoster';
import { readRoster } from '../src/people/roster/readRoster';
import { enrolment, student } from './records';

const bytes = (text: string) => new TextEncoder().encode(text);
const windows1252 = (text: string) => Uint8Array.from(text, (sign) => sign.charCodeAt(0));
const utf16 = (text: string) => new Uint8Array(Buffer.from(`\uFEFF${text}`, 'utf16le'));
const read = async (text: string | Uint8Array) =>
  readRoster(await readRosterFile(typeof text === 'string' ? bytes(text) : text));
const people = async (text: string | Uint8Array) =>
  (await read(text)).rows.map((row) => [row.givenName, row.familyName, row.email].join('|'));

test.each([
  ['Dario Quispe', 'Dario', 'Quispe'],
  ['Quispe, Dario', 'Dario', 'Quispe'],
  ['Bram de Wit', 'Bram', 'de Wit'],
  ['Caoimhe Ní Bhriain', 'Caoimhe', 'Ní Bhriain'],
  ['Mary Jane Watson', 'Mary Jane', 'Watson'],
  ['Jun', 'Jun', ''],
  ["O'Hara-Lindqvist,  Saoirse", 'Saoirse', "O'Hara-Lindqvist"],
])('%s is given "%s", family "%s"', (name, givenName, familyName) => {
  const hints = { order: 'given_first', email: '', families: new Set<string>() } as const;
  expect(cutName(name, hints)).toEqual({ givenName, familyName, unsure: false });
});

describe('files in many shapes are understood', () => {
  const expected = ['Dario|Quispe|dario@x.org', 'Adaeze|Okoro|a.okoro@x.org'];
  test.each([
    ['two name columns', 'First name,Last name,E-mail\nDario,Quispe,dario@x.org\nAdaeze,Okoro,a.okoro@x.org'],
    ['the other way round', 'Surname;Forename;Mail\nQuispe;Dario;dario@x.org\nOkoro;Adaeze;a.okoro@x.org'],
    [
      'one quoted name column, tabs',
      'Student\tEmail\n"Quispe, Dario"\tdario@x.org\n"Okoro, Adaeze"\ta.okoro@x.org',
    ],
    ['semicolons, a comma inside, nothing quoted', 'Quispe, Dario;dario@x.org\nOkoro, Adaeze;a.okoro@x.org'],
    ['no heading', 'dario@x.org,Dario Quispe\na.okoro@x.org,Adaeze Okoro'],
    [
      'no heading, names in two columns, family first',
      'Quispe,Dario,dario@x.org\nOkoro,Adaeze,a.okoro@x.org'.replace('a.okoro', 'adaeze'),
    ],
    [
      'lines above the table',
      'Class list,,\nPrinted 23 November,,\n\nGiven,Family,Email\nDario,Quispe,dario@x.org\nAdaeze,Okoro,a.okoro@x.org',
    ],
    [
      'pipes and Windows line ends',
      'Name|E-mail\r\nDario Quispe|dario@x.org\r\nAdaeze Okoro|a.okoro@x.org\r\n',
    ],
  ])('%s', async (what, text) => {
    const wanted = what.includes('family first') ? [expected[0], 'Adaeze|Okoro|adaeze@x.org'] : expected;
    expect(await people(text)).toEqual(wanted);
  });
  test.each([
    ['UTF-8 with its mark', bytes('\uFEFFName\nCaoimhe Ní Bhriain'), 'utf-8'],
    ['Windows-1252', windows1252('Name\nCaoimhe N\xED Bhriain'), 'windows-1252'],
    ['UTF-16', utf16('Name\nCaoimhe Ní Bhriain'), 'utf-16le'],
  ])('%s', async (_what, file, encoding) => {
    expect(guessEncoding(file)).toBe(encoding);
    expect(await people(file)).toEqual(['Caoimhe|Ní Bhriain|']);
    expect(decodeText(file).startsWith('Name')).toBe(true);
  });
  test('guardians, grade, cohort, called, id; line numbers through quoted line breaks and empty lines', async () => {
    const text =
      'ID,Name,Called,Email,Grade,Group,Parent 1,Parent 1 email,Parent 2 email\n' +
      '17,"Wolny,\n Aleksandra",Sasha,s@x.org,8,blue,Ewa Wolny,ewa@x.org,jan@x.org\n\n18,Jun,,,,,,,\n';
    const { rows } = await read(text);
    expect(rows[0]).toMatchObject({
      line: 2,
      schoolId: '17',
      called: 'Sasha',
      grade: '8',
      cohort: 'blue',
      familyName: 'Wolny',
    });
    expect(rows[0]?.guardians).toEqual([
      { name: 'Ewa Wolny', email: 'ewa@x.org' },
      { name: '', email: 'jan@x.org' },
    ]);
    expect(rows[1]).toMatchObject({ line: 5, givenName: 'Jun', familyName: '', fate: 'new' });
  });
});

test('each doubt is named by line and column, and nobody is lost', async () => {
  const { rows } = await read(
    'Name;E-mail\nDario Quispe;dario@x.org\n\nDario Quispe;dario@x.org\nAdaeze Okoro;same@x.org\nEmre Aydın;same@x.org\nJun;not an address\n;lost@x.org\nTotal: 5;\n',
  );
  const found = rows.map((row) => [
    row.line,
    row.fate,
    row.doubts.map(({ column, reason }) => `${column ?? 'row'}: ${reason}`).join('; '),
  ]);
  expect(found).toEqual([
    [2, 'new', ''],
    [4, 'in_doubt', 'row: the same name stands on line 2'],
    [5, 'in_doubt', '2: the same e-mail address stands on line 6'],
    [6, 'in_doubt', '2: the same e-mail address stands on line 5'],
    [7, 'in_doubt', '2: “not an address” is not an e-mail address'],
    [8, 'left_out', 'row: there is no name in this row'],
    [9, 'left_out', 'row: this does not look like a person'],
  ]);
  expect(rows[4]).toMatchObject({ givenName: 'Jun', email: '' });
});

test.each([
  ['empty', new Uint8Array(), /empty/],
  ['only white space', bytes('\n \n'), /nothing in this file/],
  ['a picture', Uint8Array.of(0x89, 0x50, 0x4e, 0x47, 13, 10), /PNG picture/],
  ['a program', Uint8Array.from({ length: 4000 }, (_, index) => (index * 7) % 256), /not text/],
  ['over 5 MB', new Uint8Array(5_000_001).fill(65), /over 5 MB/],
  ['over 5,000 rows', bytes('Name\n' + 'Dario Quispe\n'.repeat(5001)), /5002 rows/],
  ['a broken zip', Uint8Array.of(0x50, 0x4b, 3, 4, 1, 2, 3), /zip is damaged/],
])('%s gets a sentence', async (_what, file, sentence) => {
  await expect(readTable(file)).rejects.toThrow(TableError);
  await expect(readTable(file)).rejects.toThrow(sentence);
});

test('a workbook whose sheet is damaged inside gets a sentence too', async () => {
  const sheet = strToU8('<worksheet>'.repeat(2000));
  const zip = zipSync({ 'xl/worksheets/sheet1.xml': sheet });
  // Behind the name of the entry its packed bytes begin.
  zip.fill(0xff, 30 + 'xl/worksheets/sheet1.xml'.length, 30 + 'xl/worksheets/sheet1.xml'.length + 12);
  await expect(readTable(zip)).rejects.toThrow(TableError);
});

test('no text whatever breaks the reading, and every row of a good table keeps its line', async () => {
  await fc.assert(
    fc.asyncProperty(fc.string({ maxLength: 300 }), async (text) => {
      try {
        const { rows } = await read(text);
        return rows.every((row) => row.line >= 1);
      } catch (error) {
        return error instanceof TableError;
      }
    }),
    { numRuns: 3000 },
  );
});

test('what was written as CSV is read back the same; cells that would run are made harmless', async () => {
  const cell = fc
    .string({ unit: 'grapheme-ascii', minLength: 1, maxLength: 12 })
    .map((text) => `x${text.trim()}`);
  await fc.assert(
    fc.asyncProperty(fc.array(fc.tuple(cell, cell, cell), { minLength: 3, maxLength: 20 }), async (rows) => {
      const found = await readTable(bytes(writeCsv(rows)));
      expect(found.map((row) => row.cells.join('|'))).toEqual(
        rows.map((row) => row.map(guardFormulas).join('|').replace(/\s+/g, ' ')),
      );
    }),
    { numRuns: 300 },
  );
  // Found by chance once: a quoted cell full of other signs that could part cells.
  const rows = [
    ['x', 'x', 'x;;,;'],
    ['x', 'x', 'x'],
    ['x', 'x', 'x'],
  ];
  expect((await readTable(bytes(writeCsv(rows)))).map(({ cells }) => cells)).toEqual(rows);
  expect(writeCsv([['=1+1', '@x', -3, 'a"b']])).toBe('\'=1+1,\'@x,-3,"a""b"\r\n');
});

describe('no cell is run as a formula, however a table program cuts it', () => {
  test.each([
    ['see;=1+1', "see;'=1+1"],
    ['  =1+1', "  '=1+1"],
    ['note\n\t@SUM(A1)', "note\n\t'@SUM(A1)"],
    ['＝1+1', "'＝1+1"],
    ['\u200b+1', "\u200b'+1"],
    ["'=1", "''=1"],
    ['a=b; c-d', 'a=b; c-d'],
  ])('%j', (text, expected) => {
    expect(guardFormulas(text)).toBe(expected);
  });
  test('whatever is in it, and what was written can be had back', () => {
    const text = fc
      .array(fc.constantFrom(...';=+-@＝\'\t\r\n\u00a0 ax1,"'.split(''), '\u200b', '－'), { maxLength: 14 })
      .map((parts) => parts.join(''));
    fc.assert(
      fc.property(text, (written) => {
        const guarded = guardFormulas(written);
        for (const part of guarded.split(/[;\t\r\n]/))
          expect(part.replace(/^[\s\u200b]+/, '')).not.toMatch(/^[=+\-@＝－]/);
        expect(unguardFormulas(guarded)).toBe(written);
      }),
    );
  });
});

describe('a roster meets those who are there', () => {
  const there = [
    student({ id: '1', givenName: 'Dario', familyName: 'Quispe', email: 'dario@x.org', grade: '8' }),
    student({ id: '2', givenName: 'Mei', familyName: 'Tanaka', schoolId: 'T2' }),
    student({ id: '3', givenName: 'Emre', familyName: 'Aydın' }),
    student({ id: '4', givenName: 'Ana', familyName: 'Silva' }),
    student({ id: '5', givenName: 'Ana', familyName: 'Silva' }),
  ];
  const here = {
    students: there,
    guardians: [],
    enrolments: there.map(({ id }) => enrolment({ studentId: id })),
  };
  const merge = async (text: string) => mergeRoster((await read(text)).rows, 's', here);
  test.each([
    [
      'by e-mail, the name changed',
      'Dario Quispe-Sol,DARIO@x.org,8,',
      'changed',
      '1',
      ['familyName: Quispe → Quispe-Sol'],
    ],
    ['by id, though renamed', 'May Tanaka,,,T2', 'changed', '2', ['givenName: Mei → May']],
    [
      'by name; the accents it lost are no news, the address is',
      'Emre Aydin,e@x.org,,',
      'changed',
      '3',
      ['email:  → e@x.org'],
    ],
    ['the same', 'Dario Quispe,dario@x.org,8,', 'same', '1', []],
    ['somebody new', 'Imani Castellano,i@x.org,7,', 'new', null, []],
    ['two of the name: never a guess', 'Ana Silva,,,', 'in_doubt', null, []],
    ['the name of one with another address', 'Dario Quispe,other@x.org,,', 'in_doubt', null, []],
  ])('%s', async (_what, line, fate, id, changes) => {
    const [row] = await merge(`Name,Email,Grade,ID\n${line}`);
    expect([row?.fate, row?.studentId]).toEqual([fate, id]);
    expect(row?.changes.map(({ field, before, after }) => `${field}: ${before} → ${after}`)).toEqual(changes);
  });
  test('a doubt is settled by saying who it is: that student’s record changes, the other stays', async () => {
    const [row] = await merge('Name,Email\nAna Silva,ana@x.org');
    expect(row?.candidates).toEqual(['4', '5']);
    if (!row) throw new Error('No row');
    const settled = settledRow(row, 'is 5', 's', here);
    const [person] = acceptedPeople([settled], here, null, () => 'new');
    expect(person).toEqual({
      id: '5',
      added: null,
      changed: { email: 'ana@x.org' },
      guardians: [],
      guardiansChanged: [],
      enrolment: null,
    });
    expect(settledRow(row, 'accept', 's', here)).toBe(row);
  });
  test('accepted rows add people, or only what changed', async () => {
    const rows = await merge(
      'Name,Email,Parent,Parent email,Parent mobile\nDario Quispe,dario@x.org,Ines Quispe,ines@x.org,01 555 0199\nImani Castellano,i@x.org,,,',
    );
    let count = 0;
    const accepted = acceptedPeople(rows, here, '2026-11-23', () => `new${(count += 1)}`);
    expect(accepted).toEqual([
      {
        id: '1',
        added: null,
        changed: {},
        guardians: [
          { id: 'new1', name: 'Ines Quispe', email: 'ines@x.org', phone: '01 555 0199', relation: '' },
        ],
        guardiansChanged: [],
        enrolment: null,
      },
      {
        id: 'new2',
        added: {
          givenName: 'Imani',
          familyName: 'Castellano',
          called: '',
          email: 'i@x.org',
          grade: '',
          schoolId: '',
        },
        changed: {},
        guardians: [],
        guardiansChanged: [],
        enrolment: { id: 'new3', cohort: '', startsOn: '2026-11-23' },
      },
    ]);
  });
});

test('a student is called by the called name', () => {
  expect(displayName(student({ givenName: 'Aleksandra', familyName: 'Wolny', called: 'Sasha' }))).toBe(
    'Sasha Wolny',
  );
});
