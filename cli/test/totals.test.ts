import { spawnSync } from 'node:child_process';
import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { strToU8, zipSync } from 'fflate';

const folder = fs.mkdtempSync(path.join(os.tmpdir(), 'slate-'));
const archive = (roll: string) => {
  const file = path.join(folder, 'term.zip');
  const files = {
    'datapackage.json': '{}',
    'sections.csv': 'id,name,subject,room\ns,Shore Ecology,,\n',
    'students.csv': 'id,given_name,family_name,called,email,grade\na,Jun,,,,\n',
    'enrolments.csv': 'section_id,student_id,cohort,starts_on,ends_on\ns,a,,,\n',
    'lessons.csv':
      'id,section_id,starts_at,ends_at,status,label\nl,s,2026-11-02T10:40:00,2026-11-02T11:30:00,held,\n',
    'standings.csv': 'id,code,name,counts_as,credit,excused\nA,A,Away,away,0,false\n',
    'taken.csv': 'lesson_id,taken_at\nl,2026-11-02T10:42:00\n',
    'roll.csv': `lesson_id,student_id,standing_id,arrived_at,left_at,comment,source\n${roll}`,
  };
  const entries = Object.entries(files).map(([name, text]): [string, Uint8Array] => [name, strToU8(text)]);
  fs.writeFileSync(file, zipSync(Object.fromEntries(entries)));
  return file;
};
const totals = (file: string, from: string, to: string) =>
  spawnSync(
    'node',
    ['--import', 'tsx', 'cli/src/main.ts', 'totals', '--archive', file, '--from', from, '--to', to, '--json'],
    { encoding: 'utf8' },
  );

test('an archive comes out as one line per enrolment', () => {
  const { stdout, status } = totals(
    archive('l,a,,10:40,,,tap\n'.replace('10:40', '2026-11-02T10:50:00')),
    '2026-11-01',
    '2026-11-30',
  );
  expect(status).toBe(0);
  expect(JSON.parse(stdout)).toEqual({
    student_id: 'a',
    section_id: 's',
    lessons: 1,
    taken: 1,
    not_taken: 0,
    here: 0,
    late: 1,
    left_early: 0,
    away: 0,
    excused: 0,
    set_aside: 0,
    credit: 1,
    percent: 100,
    minutes_missed: 10,
    minutes_late: 10,
  });
});

test.each([
  ['a row that points nowhere', 'l,nobody,A,,,,tap\n', '2026-11-01', 1, 'roll.csv:2: student_id nobody'],
  ['a range the wrong way round', '', '2026-12-01', 2, '--from is later than --to'],
  ['no date', '', 'soon', 2, 'A date looks like 2026-11-23'],
])('%s', (_what, roll, from, code, words) => {
  const { stderr, stdout, status } = totals(archive(roll), from, '2026-11-30');
  expect([status, stdout]).toEqual([code, '']);
  expect(stderr).toContain(words);
});
