import { applyEdits } from '../src/changes/edit';
import { emptyRecords } from '../src/records/records';
import { sweepEdits } from '../src/observation/sweep/edits';
import { sweepRows } from '../src/observation/sweep/sweepRows';
import { sweepChanges } from '../src/observation/sweep/changes';

const lesson = { id: 'l3', sectionId: 's', date: '2026-11-23', startsAt: '10:40', endsAt: '11:30' };

/** Sweeps of three lessons: by lesson, the level of each student. */
const swept = ['l1', 'l2', 'l3'].reduce((records, id, index) => {
  const levels = [
    { studentId: 'a', level: index },
    { studentId: 'b', level: index === 1 ? null : 3 },
  ];
  return applyEdits(records, sweepEdits['sweep.set']({ lesson: { ...lesson, id }, levels }));
}, emptyRecords());

test('a sweep stands beside the last ones; only who was set counts', () => {
  const earlier = [{ id: 'l0' }, { id: 'l1' }, { id: 'l2' }];
  const rows = sweepRows('l3', ['a', 'b', 'c'], earlier, Object.values(swept.sweep));
  expect(rows).toEqual([
    { studentId: 'a', level: 2, before: [0, 1] },
    { studentId: 'b', level: 3, before: [3] },
    { studentId: 'c', level: null, before: [] },
  ]);
});

test.each([
  [4, false],
  [-1, false],
  [1.5, false],
  [0, true],
  [null, true],
])('a level of %s: good %s', (level, good) => {
  const payload = { lesson, levels: [{ studentId: 'a', level }] };
  expect(sweepChanges['sweep.set'].payload.safeParse(payload).success).toBe(good);
});
