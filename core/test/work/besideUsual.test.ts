import { addDays } from '../../src/calendar/localTime';
import { besideUsual, daysForUsual } from '../../src/work/besideUsual';

const to = '2026-11-22';
const enrolments = ['a', 'b', 'c'].map((studentId) => ({ studentId, startsOn: null, endsOn: null }));

/** An action at nine of a student on a day. */
const done = (studentId: string, back: number, count = 1, kind = 'opened') => {
  const day = addDays(to, -back);
  const at = `${day}T09:30:00`;
  return { studentId, day, kind, place: 'Log book', count, seconds: 0, first: at, last: at, hours: 1 << 9 };
};

test('a class in 7, 28 and 90 days beside the median of the times before it', () => {
  // By week, the last first: 3, 10, 20, 30 actions of one student; one of another 50 days ago.
  const activity = [
    done('a', 1, 3),
    ...[10, 20, 30].map((count, week) => done('a', 8 + 7 * week, count)),
    done('b', 50, 4, 'asked'),
  ];
  const work = [
    { id: 'w1', title: 'One', assignedAt: null, dueAt: `${addDays(to, -2)}T08:00:00`, points: 10 },
    { id: 'w2', title: 'Two', assignedAt: null, dueAt: `${addDays(to, -9)}T08:00:00`, points: 10 },
  ];
  const handed = (workId: string, studentId: string, handedInAt: string | null) => ({
    ...{ workId, studentId, handedInAt, handedBackAt: null, score: null },
    status: handedInAt === null ? ('missing' as const) : ('handed_in' as const),
  });
  const handIns = [
    handed('w1', 'a', `${addDays(to, -3)}T08:00:00`),
    handed('w1', 'b', null),
    handed('w2', 'a', `${addDays(to, -8)}T08:00:00`),
  ];
  const range = { to, asOf: `${to}T20:00:00`, zone: 'Europe/Dublin' };
  const table = besideUsual({ enrolments, activity, work, handIns }, range);
  const row = (label: string) => table.find(([first]) => first === label)?.slice(1);
  expect(table[0]).toEqual([
    'Figure',
    ...[7, 28, 90].flatMap((days) => [`${days} days up to ${to}`, 'Usual']),
  ]);
  // Known since 50 days: six whole weeks before, with 10, 20, 30, 0, 0, 0; no 28 or 90 days before.
  expect(row('Actions')).toEqual([3, 5, 63, null, 67, null]);
  expect(row('Students who did something')).toEqual([1, 0.5, 1, null, 2, null]);
  expect(row('Actions: asked')).toEqual([0, 0, 0, null, 4, null]);
  expect(row('Work on time, percent')).toEqual([50, 0, 33.3, null, 33.3, null]);
  expect(row('Work late, percent')).toEqual([0, 100, 33.3, null, 33.3, null]);
  expect(row('When')?.[0]).toContain('of it between 07:00 and 10:00, most on Saturday');
  expect(table.flat().join(' ')).not.toMatch(/\ba\b|\bb\b/);
  expect(daysForUsual).toBe(180);
});
