import { strToU8, zipSync } from 'fflate';
import { fileOf, slate } from './slate';

const files = {
  'datapackage.json': '{"timezone":"Europe/Dublin"}',
  'sections.csv': 'id,name,subject,room\ns,Shore Ecology,,\no,Other,,\n',
  'students.csv':
    'id,given_name,family_name,called,email,grade\na,Jun,,,,\nb,Ida,,,,\nc,Odd,,,,\nd,Gone,,,,\n',
  'enrolments.csv':
    'section_id,student_id,cohort,starts_on,ends_on\ns,a,,,\ns,b,,2026-11-10,\ns,c,,2026-10-01,2026-11-03\ns,c,,2026-11-20,\ns,d,,,2026-10-30\no,a,,,\n',
  'work.csv':
    'id,section_id,title,assigned_at,due_at,points\nw1,s,Log 1,,2026-11-05T08:30:00,20\nw2,s,Log 2,,2026-11-12T08:30,10\nw3,s,Log 3,,2026-11-30T23:59:59,10\nw4,s,No day,,,10\nw5,s,Before,,2026-10-31T08:30:00,10\nx,o,Other,,2026-11-12T08:30:00,10\n',
  'hand_ins.csv':
    'work_id,student_id,status,handed_in_at,handed_back_at,score\nw1,a,handed_in,2026-11-05T08:30:00,2026-11-07T08:30:00,15\nw1,b,missing,,,\nw2,a,handed_in,2026-11-12T08:30:01,,\nw2,b,handed_in,,2026-11-13T10:00:00,5\nw3,b,excused,,,\nw5,a,missing,,,\n',
  'activity.csv':
    'id,section_id,student_id,at,kind,place,object,seconds\n1,s,a,2026-11-01T00:00:00,opened,Log book,,60\n2,s,a,2026-11-30T23:59:59,posted,Forum,,\n3,s,a,2026-11-02T10:00:00,opened,Log book,,30\n4,s,b,2026-11-09T10:00:00,opened,Log book,,\n5,o,a,2026-11-02T10:00:00,opened,Log book,,\n6,,a,2026-11-02T10:00:00,opened,Log book,,\n7,s,a,2026-12-01T00:00:00,opened,Log book,,\n8,s,c,2026-11-15T10:00:00,opened,Log book,,\n9,s,c,2026-11-21T10:00,posted,Forum,,\n',
};
const entries = Object.entries(files).map(([name, text]): [string, Uint8Array] => [name, strToU8(text)]);
const file = fileOf('work.zip', zipSync(Object.fromEntries(entries)));
const lines = (...more: string[]) => {
  const range = ['--from', '2026-11-01', '--to', '2026-11-30', '--json'];
  const { stdout, status, stderr } = slate('digest', '--archive', file, '--section', 's', ...range, ...more);
  expect([status, stderr]).toEqual([0, '']);
  return stdout
    .trim()
    .split('\n')
    .map((line) => JSON.parse(line) as Record<string, unknown>);
};
const none = { on_time: 0, late: 0, missing: 0, excused: 0, not_due: 0, unknown: 0 };

test('a class’s month: by student, by piece of work, and in all', () => {
  expect(lines()).toEqual([
    {
      ...{ student_id: 'a', actions: 3, active_days: 3, seconds: 90 },
      by_kind: { opened: 2, posted: 1 },
      by_place: { 'Log book': 2, Forum: 1 },
      ...{ first_at: '2026-11-01T00:00:00', last_at: '2026-11-30T23:59:59', pieces: 3 },
      ...none,
      ...{ on_time: 1, late: 1, unknown: 1, percent: 75 },
    },
    {
      // In the class from the 10th on: what was due before, and done before, is not counted.
      ...{ student_id: 'b', actions: 0, active_days: 0, seconds: 0, by_kind: {}, by_place: {} },
      ...{ first_at: null, last_at: null, pieces: 2, ...none, on_time: 1, excused: 1, percent: 50 },
    },
    {
      ...{ student_id: 'c', actions: 1, active_days: 1, seconds: 0 },
      ...{ by_kind: { posted: 1 }, by_place: { Forum: 1 } },
      ...{ first_at: '2026-11-21T10:00:00', last_at: '2026-11-21T10:00:00', pieces: 1 },
      ...{ ...none, unknown: 1, percent: null },
    },
    { work_id: 'w1', ...none, on_time: 1, waiting: 0, feedback_days_median: 2, percent_median: 75 },
    {
      work_id: 'w2',
      ...none,
      on_time: 1,
      late: 1,
      waiting: 1,
      feedback_days_median: null,
      percent_median: 50,
    },
    {
      work_id: 'w3',
      ...none,
      excused: 1,
      unknown: 2,
      waiting: 0,
      feedback_days_median: null,
      percent_median: null,
    },
    {
      ...{ class: true, students: 3, active: 2, actions: 4, pieces: 6 },
      ...{ ...none, on_time: 2, late: 1, excused: 1, unknown: 2 },
      ...{ waiting: 1, feedback_days_median: 2, feedback_days_mean: 2, percent_mean: 62.5 },
    },
  ]);
});

test('as of a moment nothing later is known', () => {
  const [a, b] = lines('--as-of', '2026-11-06T12:00');
  expect(a).toMatchObject({ actions: 2, on_time: 1, not_due: 2, unknown: 0, percent: null });
  expect(b).toMatchObject({ pieces: 2, on_time: 1, excused: 1, percent: null });
  expect(lines('--as-of', '2026-11-06T12:00').at(-1)).toMatchObject({ waiting: 2, feedback_days_mean: null });
});

test('kinds and places narrow what was done, not the pieces of work', () => {
  const all = lines('--kind', 'opened', '--place', 'Log book').at(-1);
  expect(all).toMatchObject({ actions: 2, active: 1, pieces: 6, on_time: 2 });
});

test.each([
  ['a class that is not there', ['--section', 'q', '--from', '2026-11-01'], 1, 'there is no class q'],
  ['a range the wrong way round', ['--section', 's', '--from', '2026-12-01'], 2, '--from is later than --to'],
  ['no time', ['--section', 's', '--from', '2026-11-01', '--as-of', '24:00'], 2, 'A local time looks like'],
])('%s', (_what, words, code, said) => {
  const { status, stdout, stderr } = slate('digest', '--archive', file, ...words, '--to', '2026-11-30');
  expect([status, stdout]).toEqual([code, '']);
  expect(stderr).toContain(said);
});
