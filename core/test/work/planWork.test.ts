import { applyEdits } from '../../src/changes/edit';
import { emptyRecords, listOf, mergeRecords, type Records } from '../../src/records/records';
import type { Task } from '../../src/work/own/changes';
import { ownWorkEdits } from '../../src/work/own/edits';
import { finishedIn } from '../../src/work/own/finished';
import { fromOlderTasks } from '../../src/work/own/olderTasks';
import { planWork, workDay } from '../../src/work/own/planWork';
import { enrolment, lesson, mark, section, standings, student } from '../records';

const task = (fields: Partial<Task>): Task => ({
  id: fields.title ?? 't',
  sectionId: 's',
  studentId: 'a',
  title: 'Chart',
  doneOn: '2026-11-23',
  minutes: 60,
  ...fields,
});
// One long lesson a day, 09:00 to 12:00, for two children.
const day = (date: string) =>
  lesson({ id: `m.${date}`, date, startsAt: '09:00', endsAt: '12:00', takenAt: null });
const start = mergeRecords(emptyRecords(), {
  section: [section({ wholeDayMinutes: 90 })],
  student: [student(), student({ id: 'b' })],
  enrolment: [enrolment(), enrolment({ studentId: 'b' })],
  standing: standings,
  lesson: [day('2026-11-23'), day('2026-11-24')],
});

function plan(records: Records, tasks: Task[], dates = ['2026-11-23'], wholeDayMinutes: number | null = 90) {
  return planWork(
    listOf(records, 'lesson').filter(({ date }) => dates.includes(date)),
    { wholeDayMinutes },
    { pieces: tasks, enrolments: listOf(records, 'enrolment'), standings, marks: records.mark },
    '2026-11-23T15:00:00.000Z',
  );
}

/** What a roll says after the work is recorded: by child, the standing and when half a day ended. */
function rollAfter(records: Records, tasks: Task[], wholeDayMinutes: number | null = 90) {
  const [changed = task({})] = tasks;
  const edits = ownWorkEdits['task.set']({
    task: changed,
    lessons: plan(records, tasks, undefined, wholeDayMinutes),
  });
  return applyEdits(records, edits);
}
const said = (records: Records) =>
  [
    records.lesson['m.2026-11-23']?.takenAt ? 'taken' : 'not taken',
    ...['a', 'b'].map((id) => {
      const found = records.mark[`m.2026-11-23/${id}`];
      return found ? [found.standingId ?? 'here', found.leftAt, found.source].filter(Boolean).join(' ') : '-';
    }),
  ].join(', ');

test.each([
  ['nothing finished', [task({ doneOn: null })], 90, 'none'],
  ['on another day', [task({ doneOn: '2026-11-22' })], 90, 'none'],
  ['enough in two pieces', [task({ minutes: 50 }), task({ title: 'u', minutes: 40 })], 90, 'whole'],
  ['a minute short', [task({ minutes: 89 })], 90, 'half'],
  ['no time noted', [task({ minutes: null })], 90, 'half'],
  ['any work is a day', [task({ minutes: null })], null, 'whole'],
])('%s', (_what, tasks, wholeDayMinutes, expected) => {
  expect(workDay(tasks, 'a', '2026-11-23', wholeDayMinutes)).toBe(expected);
});

test('whoever finished something is here, or for half of it; the other is away; and each says where it is from', () => {
  expect(said(rollAfter(start, [task({ minutes: 120 })]))).toBe('taken, here work, A work');
  expect(said(rollAfter(start, [task({ minutes: 45 })]))).toBe('taken, E 10:30 work, A work');
  const both = [task({ minutes: 120 }), task({ title: 'u', studentId: 'b', minutes: 30 })];
  expect(said(rollAfter(start, both))).toBe('taken, here work, E 10:30 work');
});

test('it is counted anew when the work changes, and as if never taken when it is gone', () => {
  const half = rollAfter(start, [task({ minutes: 45 })]);
  expect(said(rollAfter(half, [task({ minutes: 45 }), task({ title: 'u', minutes: 45 })]))).toBe(
    'taken, here work, A work',
  );
  expect(said(rollAfter(half, [task({ minutes: 45 })], 30))).toBe('taken, here work, A work');
  const gone = rollAfter(half, [task({ doneOn: '2026-11-24' })]);
  expect(said(gone)).toBe('not taken, here work, here work');
});

test('the same work again changes nothing', () => {
  const once = rollAfter(start, [task({ minutes: 45 })]);
  expect(plan(once, [task({ minutes: 45 })])).toEqual([]);
});

test('a mark made by hand stays, whatever the work says', () => {
  const byHand = mergeRecords(start, {
    mark: [mark({ lessonId: 'm.2026-11-23', studentId: 'b', standingId: 'X' })],
  });
  const after = rollAfter(byHand, [
    task({ minutes: 120 }),
    task({ title: 'u', studentId: 'b', minutes: 120 }),
  ]);
  expect(said(after)).toBe('taken, here work, X tap');
  // With the work gone the roll stays taken, for somebody has marked in it.
  expect(said(rollAfter(after, [task({ doneOn: null })]))).toBe('taken, here work, X tap');
});

test('"here" by hand stays too; an empty mark in a roll that was never taken says nothing', () => {
  const once = rollAfter(start, [task({ minutes: 120 })]);
  const corrected = mergeRecords(once, {
    mark: [mark({ lessonId: 'm.2026-11-23', studentId: 'b', standingId: null })],
  });
  expect(said(rollAfter(corrected, [task({ minutes: 45 })]))).toBe('taken, E 10:30 work, here tap');
  const empty = mergeRecords(start, { mark: [mark({ lessonId: 'm.2026-11-23', studentId: 'b' })] });
  expect(said(rollAfter(empty, [task({ minutes: 120 })]))).toBe('taken, here work, A work');
});

test('a roll that was taken by hand is left alone: who has no mark in it was seen to be here', () => {
  const taken = mergeRecords(start, {
    lesson: [{ ...day('2026-11-23'), takenAt: '2026-11-23T09:01:00.000Z' }],
  });
  expect(plan(taken, [task({ minutes: 45 })])).toEqual([]);
});

test('what waits on a device since pieces of one student were tasks becomes such pieces', () => {
  const records = rollAfter(start, [task({ minutes: 45 })]);
  const found = () => finishedIn(listOf(records, 'work'), records.handIn, 's');
  expect(found()).toMatchObject([{ studentId: 'a', doneOn: '2026-11-23', minutes: 45 }]);
  expect(records.work['t']).toMatchObject({ title: 'Chart', studentId: 'a', points: null });
  expect(records.handIn['t.a']).toMatchObject({ status: 'handed_in', handedInAt: '2026-11-23T12:00:00' });
  const gone = applyEdits(records, ownWorkEdits['task.remove']({ id: 't', studentId: 'a', lessons: [] }));
  expect(finishedIn(Object.values(gone.work), gone.handIn, 's')).toEqual([]);
});

test('an archive of that time has them as tasks beside its files', () => {
  const fields = JSON.stringify({ sectionId: 's', studentId: 'a', title: 'Chart', doneOn: null, minutes: 5 });
  const row = { table: 'task', id: 't', fields, line: 3 };
  const [ofClass, work, handIn] = fromOlderTasks(row);
  expect(ofClass).toMatchObject({ table: 'section', id: 's', fields: '{"attendedByWork":true}' });
  expect(work).toMatchObject({ table: 'work', id: 't', line: 3 });
  expect(handIn).toMatchObject({ table: 'handIn', id: 't.a' });
  expect(JSON.parse(handIn?.fields ?? '')).toMatchObject({ status: 'missing', handedInAt: null, minutes: 5 });
  const broken = { ...row, fields: '[' };
  expect(fromOlderTasks(broken)).toEqual([broken]);
});
