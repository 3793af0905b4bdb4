import type { Archive } from '../../src/keeping/archive/tables';
import { observe } from '../../src/watch/signals/observe';
import type { ClassSeries, StreamName } from '../../src/watch/signals/streams';
import { classArchive } from './classes';

const line = 0;
/** Ten lessons of three students from Monday 5 January; whoever is not told of is there and says nothing. */
const ten = (change: (archive: Archive) => void = () => undefined) => {
  const archive = classArchive({ lessons: 10, students: 3, how: () => ({}) });
  change(archive);
  const [series] = observe(archive, { asOf: '2026-01-16' });
  if (!series) throw new Error('There is no class.');
  return series;
};
const of = ({ streams }: ClassSeries, stream: StreamName) =>
  streams[stream].map(({ date, value }) => [
    date.slice(5),
    ...[...value].map((seen) => (Number.isNaN(seen) ? null : seen)),
  ]);

const mark = (lesson: string, student: string, standing: string | null, arrived: string | null = null) => ({
  lesson_id: lesson,
  student_id: student,
  standing_id: standing,
  arrived_at: arrived,
  left_at: null,
  comment: '',
  source: 'tap',
  line,
});

test('away, late by the standing or by the time, within the grace, and half a lesson missed', () => {
  const series = ten(({ roll }) => {
    roll.push(mark('l0', 'p0', 'A'), mark('l0', 'p1', 'L'), mark('l1', 'p0', null, '2026-01-06T10:45:00'));
    roll.push(mark('l1', 'p1', null, '2026-01-06T10:46:00'), mark('l1', 'p2', null, '2026-01-06T11:06:00'));
  });
  expect(of(series, 'presence').slice(0, 2)).toEqual([
    ['01-05', 1, 0, 0],
    ['01-06', 0, 0, 1],
  ]);
  expect(of(series, 'lateness').slice(0, 2)).toEqual([
    ['01-05', null, 1, 0],
    ['01-06', 0, 1, null],
  ]);
});

test('a lesson not taken, set aside or lying ahead says nothing; nor does a student’s own that does not count', () => {
  const series = ten((archive) => {
    archive.taken = archive.taken.filter(({ lesson_id: id }) => id !== 'l1');
    archive.lessons = archive.lessons.map((row) =>
      row.id === 'l2'
        ? { ...row, status: 'set_aside' }
        : row.id === 'l3'
          ? { ...row, status: 'planned' }
          : row,
    );
    archive.standings.push({
      id: 'T',
      code: 'T',
      name: 'Trip',
      counts_as: 'not_counted',
      credit: 0,
      excused: true,
      line,
    });
    archive.roll.push(
      mark('l0', 'p0', 'T'),
      mark('l1', 'p1', 'A'),
      mark('l2', 'p1', 'A'),
      mark('l3', 'p1', 'A'),
    );
  });
  expect(of(series, 'presence').map(([date]) => date)).toEqual([
    '01-05',
    '01-09',
    '01-12',
    '01-13',
    '01-14',
    '01-15',
    '01-16',
  ]);
  expect(of(series, 'presence')[0]).toEqual(['01-05', null, 0, 0]);
});

test('who was away was not observed; a tallied lesson was, though its roll was not taken', () => {
  const series = ten((archive) => {
    archive.taken = archive.taken.filter(({ lesson_id: id }) => id !== 'l1');
    archive.roll.push(mark('l0', 'p0', 'A'));
    for (const lesson of ['l0', 'l1'])
      archive.tallies.push({
        id: `t${lesson}`,
        lesson_id: lesson,
        student_id: 'p1',
        look_for_id: 'spoke',
        at: null,
        amount: 3,
        line,
      });
    archive.tallies.push({
      id: 'back',
      lesson_id: 'l0',
      student_id: 'p1',
      look_for_id: 'spoke',
      at: null,
      amount: -1,
      line,
    });
  });
  expect(of(series, 'voice')).toEqual([
    ['01-05', null, 2, 0],
    ['01-06', 0, 3, 0],
  ]);
  expect(of(series, 'trouble')).toEqual([
    ['01-05', null, 0, 0],
    ['01-06', 0, 0, 0],
  ]);
});

test('work: in time, late, missing, missing until it came, excused, not due yet; scores from the class’s middle', () => {
  const series = ten((archive) => {
    const work = { section_id: 's', title: 'Sheet', assigned_at: null, points: 20, line };
    archive.work.push(
      { ...work, id: 'w1', due_at: '2026-01-08T08:00:00' },
      { ...work, id: 'w2', due_at: '2026-01-15T08:00:00' },
      { ...work, id: 'w3', due_at: '2026-01-20T08:00:00' },
    );
    const handIn = (id: string, student: string, at: string | null, score: number | null = null) =>
      archive.hand_ins.push({
        work_id: id,
        student_id: student,
        status: at ? 'handed_in' : 'missing',
        handed_in_at: at,
        handed_back_at: null,
        score,
        line,
      });
    handIn('w1', 'p0', '2026-01-08T07:59:00', 10);
    handIn('w1', 'p1', '2026-01-09T07:00:00', 14);
    handIn('w1', 'p2', '2026-01-08T07:00:00', 18);
    handIn('w2', 'p0', null);
    handIn('w2', 'p1', '2026-01-17T07:00:00');
    archive.hand_ins.push({
      work_id: 'w2',
      student_id: 'p2',
      status: 'excused',
      handed_in_at: null,
      handed_back_at: null,
      score: null,
      line,
    });
    handIn('w3', 'p0', null);
  });
  expect(of(series, 'hand_in')).toEqual([
    ['01-08', 0, 1, 0],
    ['01-15', 2, 2, null],
  ]);
  expect(of(series, 'score')).toEqual([['01-08', -20, 0, 20]]);
});

test('online and stuck have a value on every day on which the class had any', () => {
  const series = ten((archive) => {
    const activity = { section_id: 's', kind: 'posted', place: '', object: '', seconds: null, line };
    archive.activity.push(
      { ...activity, id: 'a', student_id: 'p0', at: '2026-01-06T20:00:00' },
      { ...activity, id: 'b', student_id: 'p0', at: '2026-01-06T21:00:00' },
    );
    archive.topics.push({ id: 't', name: 'Stuck', trouble: true, line });
    archive.notes.push(
      { id: 'n', at: '2026-01-07T11:00:00', lesson_id: 'l2', text: 'x', line },
      { id: 'm', at: '2026-01-08T11:00:00', lesson_id: 'l3', text: 'x', line },
    );
    archive.note_students.push(
      { note_id: 'n', student_id: 'p2', line },
      { note_id: 'm', student_id: 'p2', line },
    );
    archive.note_topics.push({ note_id: 'n', topic_id: 't', line });
  });
  expect(of(series, 'online')).toEqual([['01-06', 2, 0, 0]]);
  expect(of(series, 'stuck')).toEqual([
    ['01-07', 0, 0, 1],
    ['01-08', 0, 0, 0],
  ]);
});

test.each([
  ['the clocks going forward', '2026-03-23', 15],
  ['the clocks going back', '2026-10-19', 15],
  ['New Year', '2025-12-22', 20],
])('no lesson is lost over %s', (_what, startsOn, lessons) => {
  const archive = classArchive({ lessons, students: 3, startsOn, how: () => ({ level: 2 }) });
  const [series] = observe(archive, { asOf: '2026-12-31' });
  expect(series?.lessons).toHaveLength(lessons);
  expect(series?.streams.presence).toHaveLength(lessons);
  expect(series?.streams.engagement.map(({ lesson }) => lesson)).toEqual(
    Array.from({ length: lessons }, (_, at) => at),
  );
});
