import { spawnSync } from 'node:child_process';
import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';

const file = path.join(fs.mkdtempSync(path.join(os.tmpdir(), 'slate-')), 'roster.csv');
const slate = (...words: string[]) =>
  spawnSync('node', ['--import', 'tsx', 'cli/src/main.ts', ...words], { encoding: 'utf8' });

test('a roster comes out as JSON lines, in the names of the open format', () => {
  fs.writeFileSync(file, 'Name,Email,Parent email\n"Quispe, Dario",dario@x.org,ines@x.org\nJun,nowhere,\n');
  const { stdout, status } = slate('roster', '--file', file, '--json');
  const blank = { called: '', grade: '', cohort: '' };
  expect(status).toBe(0);
  expect(
    stdout
      .trim()
      .split('\n')
      .map((line) => JSON.parse(line) as unknown),
  ).toEqual([
    {
      line: 2,
      fate: 'new',
      given_name: 'Dario',
      family_name: 'Quispe',
      email: 'dario@x.org',
      guardians: [{ name: '', email: 'ines@x.org' }],
      doubts: [],
      ...blank,
    },
    {
      line: 3,
      fate: 'in_doubt',
      given_name: 'Jun',
      family_name: '',
      email: '',
      guardians: [],
      doubts: ['column 2: “nowhere” is not an e-mail address'],
      ...blank,
    },
  ]);
});

test('bad input is exit 1 with the file named; wrong usage is exit 2', () => {
  fs.writeFileSync(file, '');
  const empty = slate('roster', '--file', file, '--json');
  expect([empty.status, empty.stderr]).toEqual([1, expect.stringContaining(`${file}: The file is empty`)]);
  expect(slate('roster', '--fiel', file).status).toBe(2);
});
