import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { strFromU8, strToU8, unzipSync, zipSync } from 'fflate';
import { writeArchive } from '@slate-path/core/keeping/archive/writeArchive';
import { classArchive, draw } from '../../core/test/signals/classes';
import { slate } from './slate';

const folder = fs.mkdtempSync(path.join(os.tmpdir(), 'slate-'));
const inFolder = (name: string) => path.join(folder, name);
const archive = classArchive({
  lessons: 30,
  students: 12,
  startsOn: '2026-08-24',
  how: (i, lesson) => ({ away: draw(i, lesson, 1) < 0.1 }),
});
const bytes = writeArchive(archive, 'Europe/Dublin');
const file = inFolder('term.zip');
fs.writeFileSync(file, bytes);

/** The archive with one of its tables written anew; null leaves the file out. */
function changed(name: string, table: string, rewrite: (lines: string[]) => string[] | null): string {
  const files = unzipSync(bytes);
  const lines = strFromU8(files[`${table}.csv`] ?? new Uint8Array()).split('\r\n');
  const next = rewrite(lines);
  const others = Object.entries(files).filter(([one]) => one !== `${table}.csv`);
  const own: Record<string, Uint8Array> = next ? { [`${table}.csv`]: strToU8(next.join('\r\n')) } : {};
  const target = inFolder(name);
  fs.writeFileSync(target, zipSync({ ...Object.fromEntries(others), ...own }));
  return target;
}

const tables = (zip: string) =>
  Object.fromEntries(
    Object.entries(unzipSync(fs.readFileSync(zip))).map(([name, content]) => [name, strFromU8(content)]),
  );

test('brought into an empty place and taken out again, twice over: the same file', () => {
  const [first, second] = [inFolder('first'), inFolder('second')];
  expect(slate('import', file, '--data', first, '--teacher', 'Ines').status).toBe(0);
  const out = inFolder('out.zip');
  expect(slate('export', '--data', first, '--out', out).status).toBe(0);
  for (const table of ['students.csv', 'enrolments.csv', 'lessons.csv', 'roll.csv'])
    expect(tables(out)[table]?.split('\r\n').sort()).toEqual(tables(file)[table]?.split('\r\n').sort());
  expect(slate('import', out, '--data', second, '--teacher', 'Ines').status).toBe(0);
  const again = inFolder('again.zip');
  expect(slate('export', '--data', second, '--out', again).status).toBe(0);
  expect(tables(again)).toEqual(tables(out));
  const refused = slate('export', '--data', second, '--out', again);
  expect(refused.status).toBe(1);
  expect(refused.stderr).toMatch(/again\.zip: there is a file already; it was left as it is/);
});

test.each([
  [
    'a file is missing',
    'lessons',
    () => null,
    /datapackage\.json: names lessons\.csv, which is not in the zip/,
  ],
  [
    'a column has another name',
    'roll',
    ([head = '', ...rest]: string[]) => [head.replace('student_id', 'pupil'), ...rest],
    /roll\.csv.*student_id/,
  ],
  [
    'a row points nowhere',
    'roll',
    ([head = '', first = '', ...rest]: string[]) => [head, first.replace(/,p\d+,/, ',nobody,'), ...rest],
    /roll\.csv:2: .*nobody/,
  ],
  [
    'a lesson ends before it begins',
    'lessons',
    ([head = '', first = '', ...rest]: string[]) => [
      head,
      first.replace(/(T\d\d:\d\d:\d\d),(.*?)T\d\d:\d\d:\d\d/, '$1,$2T00:01:00'),
      ...rest,
    ],
    /lessons\.csv:2: /,
  ],
  [
    'a lesson stands twice',
    'lessons',
    ([head = '', first = '', ...rest]: string[]) => [head, first, first, ...rest],
    /lessons\.csv:3: /,
  ],
])('%s: it says where, and nothing is brought in', (what, table, rewrite, says) => {
  const data = inFolder(`data of ${what}`);
  const broken = changed(`${what}.zip`, table, rewrite);
  const { status, stderr } = slate('import', broken, '--data', data);
  expect(stderr).toMatch(says);
  expect(stderr).toContain('Nothing was brought in.');
  expect(status).toBe(1);
  expect(fs.existsSync(path.join(data, 'slate-path.db'))).toBe(false);
});

test('half a zip is none', () => {
  const half = inFolder('half.zip');
  fs.writeFileSync(half, bytes.slice(0, bytes.length / 2));
  const { status, stderr } = slate('import', half, '--data', inFolder('data of half'));
  expect(status).toBe(1);
  expect(stderr).toMatch(/half\.zip: .*zip/i);
});

test('a backup without a name lies beside the database; put in place, it gives the same, and the other is kept', () => {
  const data = inFolder('first');
  const { status, stderr } = slate('backup', '--data', data);
  expect(status).toBe(0);
  const [name = ''] = fs.readdirSync(path.join(data, 'backups'));
  expect(stderr).toContain(name);
  const place = inFolder('place');
  expect(slate('import', file, '--data', place, '--teacher', 'Another').status).toBe(0);
  const restored = slate('restore', path.join(data, 'backups', name), '--data', place);
  expect(restored.status).toBe(0);
  expect(restored.stderr).toMatch(/What was there is kept as .*slate-path\.db\.before-/);
  const out = inFolder('restored.zip');
  expect(slate('export', '--data', place, '--out', out, '--teacher', 'Ines').status).toBe(0);
  expect(tables(out)).toEqual(tables(inFolder('out.zip')));
  const noBackup = slate('restore', file, '--data', place);
  expect(noBackup.status).toBe(1);
  expect(noBackup.stderr).toMatch(/this cannot be restored .*Nothing was changed/);
});
