import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { unzipSync } from 'fflate';
import { writeArchive } from '@slate-path/core/keeping/archive/writeArchive';
import { classArchive, draw } from '../../core/test/signals/classes';
import { slate } from './slate';

const folder = fs.mkdtempSync(path.join(os.tmpdir(), 'slate-'));
const inFolder = (name: string) => path.join(folder, name);
const archive = classArchive({
  lessons: 66,
  students: 16,
  startsOn: '2026-08-24',
  how: (i, lesson) => ({ away: i === 4 && lesson >= 45 ? lesson % 2 === 1 : draw(i, lesson, 1) < 0.03 }),
});
const file = inFolder('term.zip');
fs.writeFileSync(file, writeArchive(archive, 'Europe/Dublin'));

interface Line {
  as_of?: string;
  student_id: string;
  section_id: string;
  concern: string;
  since: string;
  strength: number;
  sentence: string;
  evidence: { stream: string; kind: string; value: number; usual: number; n: number }[];
}
const lines = (stdout: string) =>
  stdout
    .split('\n')
    .filter(Boolean)
    .map((line) => JSON.parse(line) as Line);

test('the list as it stood on an evening, one line a concern', () => {
  const { stdout, status } = slate('watch', '--archive', file, '--as-of', '2026-11-20', '--json');
  expect(status).toBe(0);
  const [line, ...others] = lines(stdout).filter(({ concern }) => concern !== 'over_a_line');
  expect(others).toEqual([]);
  expect(line).toMatchObject({ student_id: 'p4', section_id: 's', concern: 'absent' });
  expect(Object.keys(line ?? {})).toEqual([
    'student_id',
    'section_id',
    'concern',
    'since',
    'strength',
    'sentence',
    'evidence',
  ]);
  expect(line?.evidence[0]).toEqual({
    stream: 'presence',
    kind: 'change',
    value: expect.any(Number) as number,
    usual: expect.any(Number) as number,
    n: expect.any(Number) as number,
  });
  expect(line?.strength).toBeGreaterThan(0.5);
});

test('on every so many days, each line with its evening, as that evening alone would give it', () => {
  const every = slate(
    'watch',
    '--archive',
    file,
    '--every',
    '7',
    '--from',
    '2026-10-02',
    '--to',
    '2026-11-20',
    '--json',
  );
  const all = lines(every.stdout);
  expect(new Set(all.map(({ as_of: evening }) => evening)).has('2026-11-20')).toBe(true);
  const alone = lines(slate('watch', '--archive', file, '--as-of', '2026-11-20', '--json').stdout);
  expect(
    all.filter(({ as_of: evening }) => evening === '2026-11-20').map(({ as_of: _, ...line }) => line),
  ).toEqual(alone);
  expect(
    all
      .filter(({ concern }) => concern === 'absent')
      .every(({ as_of: evening }) => (evening ?? '') > '2026-10-25'),
  ).toBe(true);
});

test.each([
  ['neither an evening nor a range', ['--archive', file], 2, 'Give either --as-of'],
  ['half a range', ['--archive', file, '--every', '7', '--from', '2026-10-02'], 2, 'Give either --as-of'],
  [
    'a class that is not there',
    ['--archive', file, '--as-of', '2026-11-20', '--section', 'x'],
    1,
    'there is no class x',
  ],
  ['no such file', ['--archive', inFolder('no.zip'), '--as-of', '2026-11-20'], 1, 'there is no such file'],
])('watch: %s', (_what, words, code, said) => {
  const { status, stderr, stdout } = slate('watch', ...words);
  expect([status, stdout]).toEqual([code, '']);
  expect(stderr).toContain(said);
});

test('into an empty place, out, into another and out again: the same; a backup is put back', () => {
  const out = (place: string, name: string) => {
    expect(slate('export', '--data', inFolder(place), '--out', inFolder(name)).status).toBe(0);
    return unzipSync(new Uint8Array(fs.readFileSync(inFolder(name))));
  };
  const imported = slate('import', file, '--data', inFolder('one'), '--teacher', 'Ines');
  expect([imported.status, /A teacher named Ines was made/.test(imported.stderr)]).toEqual([0, true]);
  const first = out('one', 'a.zip');
  expect(slate('import', inFolder('a.zip'), '--data', inFolder('two')).status).toBe(0);
  const second = out('two', 'b.zip');
  expect(second).toEqual(first);
  expect(slate('backup', '--data', inFolder('two'), '--out', inFolder('b.db')).status).toBe(0);
  expect(slate('restore', inFolder('b.db'), '--data', inFolder('one')).stderr).toMatch(
    /What was there is kept as/,
  );
  expect(out('one', 'c.zip')).toEqual(first);
});

test('what is no backup is not restored, and nothing is changed', () => {
  fs.writeFileSync(inFolder('no.db'), 'hello');
  const { status, stderr } = slate('restore', inFolder('no.db'), '--data', inFolder('three'));
  expect([status, fs.existsSync(inFolder('three/slate-path.db'))]).toEqual([1, false]);
  expect(stderr).toMatch(/cannot be restored .* Nothing was changed/);
});
