import { makeDraw, type DrawOptions } from '@slate-path/core/nods/draws/make';
import { nodsInPool } from '@slate-path/core/nods/draws/pool';
import { fromRecords } from '@slate-path/core/keeping/archive/fromRecords';
import { toRecords } from '@slate-path/core/keeping/archive/toRecords';
import { writeArchive } from '@slate-path/core/keeping/archive/writeArchive';
import type { Draw } from '@slate-path/core/records/schema';
import { classArchive } from '../../core/test/signals/classes';
import { fileOf, slate } from './slate';

const zone = 'Europe/Dublin';
const { records } = toRecords(classArchive({ lessons: 12, students: 6, how: () => ({}) }), zone);
const nods = [3, 1, 0, 2, 5, 1].flatMap((count, student) =>
  Array.from({ length: count }, (_, index) => ({
    ...{ id: `n${student}.${index}`, removed: false, studentId: `p${student}`, sectionId: 's' },
    ...{ at: `2026-01-1${index}T10:00:00`, reason: 'Helped', place: '', comment: '' },
  })),
);
const options: DrawOptions = {
  ...{
    sectionId: 's',
    groupName: '',
    startsOn: '2026-01-01',
    endsOn: '2026-01-31',
    chances: 'nods',
    wanted: 2,
  },
  ...{ rest: 'everyone', restWeeks: null, at: '2026-01-20T12:00:00', seed: 4711 },
};
const draws: Draw[] = [];
for (const [index, seed] of [4711, 12, 999_999_999].entries()) {
  const made = { ...options, seed, at: `2026-01-2${index}T12:00:00` };
  const counts = nodsInPool({ ...made, groupIds: null }, nods, records.enrolment ?? []);
  draws.push({ id: `d${index}`, removed: false, ...makeDraw(made, counts, draws) });
}
const archive = fromRecords(
  { ...records, nod: nods, draw: draws },
  { zone, now: { date: '2026-01-31', time: '12:00' } },
);
const file = fileOf('drawn.zip', writeArchive(archive, zone));
const winnersIn = (stdout: string) =>
  stdout
    .split('\n')
    .filter(Boolean)
    .map((line) => (JSON.parse(line) as { student_id: string }).student_id);

test('each draw comes out again, from its kept list and from the nods', () => {
  for (const { id, seed, at, winners } of draws) {
    const kept = slate('draw', '--archive', file, '--seed', String(seed), '--draw', id, '--json');
    expect([kept.status, kept.stderr, winnersIn(kept.stdout)]).toEqual([0, '', winners]);
    const said = [
      '--section',
      's',
      '--from',
      '2026-01-01',
      '--to',
      '2026-01-31',
      '--winners',
      '2',
      '--at',
      at,
    ];
    const again = slate('draw', '--archive', file, '--seed', String(seed), ...said, '--json');
    expect([again.status, winnersIn(again.stdout)]).toEqual([0, winners]);
  }
});

test('what cannot be drawn, and what is asked for wrongly', () => {
  const run = (...words: string[]) => slate('draw', '--archive', file, ...words);
  const days = ['--from', '2026-01-01', '--to', '2026-01-31'];
  const none = run('--seed', '1', '--from', '2026-03-01', '--to', '2026-03-31');
  expect([none.status, none.stderr]).toEqual([1, expect.stringContaining('Nobody can be drawn')]);
  expect(run('--seed', '1', '--draw', 'd9').stderr).toContain('there is no draw d9 in draws.csv');
  expect(run('--seed', '1', ...days, '--section', 'nowhere').stderr).toContain('there is no class nowhere');
  expect(run('--seed', '1', ...days, '--section', 's', '--group', 'Quay').stderr).toContain(
    'has no group “Quay”',
  );
  for (const wrong of [
    ['--seed', '-1'],
    ['--seed', '1e3'],
    ['--seed', '1'],
    ['--seed', '1', ...days, '--rest', '60'],
  ])
    expect(run(...wrong).status).toBe(2);
});

test('a list that was changed by hand is told', () => {
  const [first] = archive.draw_entries.filter(({ draw_id: id, drawn }) => id === 'd0' && drawn === null);
  const changed = archive.draw_entries.map((row) =>
    row.draw_id === 'd0' ? { ...row, drawn: row === first ? 1 : null } : row,
  );
  const other = fileOf('changed.zip', writeArchive({ ...archive, draw_entries: changed }, zone));
  const told = slate('draw', '--archive', other, '--seed', '4711', '--draw', 'd0');
  expect([told.status, told.stderr]).toEqual([1, expect.stringContaining('says that others were drawn')]);
});
