import fc from 'fast-check';
import type { Archive } from '../../src/keeping/archive/tables';
import { addDays } from '../../src/calendar/localTime';
import { afterStep } from '../../src/watch/signals/afterStep';
import { outcomeInWords } from '../../src/watch/signals/outcomeWords';
import { clearedSince } from '../../src/watch/signals/cleared';
import { observe } from '../../src/watch/signals/observe';
import { isQuiet } from '../../src/watch/signals/quiet';
import { eveningsBefore } from '../../src/watch/signals/evenings';
import { watchArchive } from '../../src/watch/signals/watchArchive';
import { statesOf } from '../../src/watch/signals/watchClass';
import { classArchive, draw, listed, type InLesson } from './classes';

/** An ordinary class: everyone misses a little, speaks about once a lesson, rows or so. */
const ordinary = (i: number, lesson: number): InLesson => ({
  away: draw(i, lesson, 1) < 0.03,
  spoke: Math.floor(draw(i, lesson, 2) * 3),
  level: Math.min(3, Math.max(0, Math.round(1.4 + (i % 3) * 0.5 + (draw(i, lesson, 3) - 0.5) * 1.4))),
});
const size = { lessons: 70, students: 20 };

const stories: [string, string, (lesson: number, weekday: number) => InLesson | null, RegExp][] = [
  [
    'missing lessons',
    'absent',
    (lesson) => (lesson >= 45 && lesson % 2 ? { away: true } : null),
    /^Since \d+ March .* has missed/,
  ],
  ['silence', 'disengaged', (lesson) => (lesson >= 45 ? { spoke: 0, level: 2 } : null), /was heard not once/],
  [
    'a level down',
    'disengaged',
    (lesson) => (lesson >= 45 ? { spoke: 1, level: 0 } : null),
    /stands at 0\.\d of 3/,
  ],
  [
    'Mondays',
    'absent',
    (lesson, weekday) => (weekday === 1 && lesson >= 20 ? { away: lesson % 25 !== 0 } : null),
    /missed \w+ of the last seven Mondays/,
  ],
  [
    'coming late',
    'absent',
    (lesson) => (lesson >= 45 ? { late: lesson % 3 !== 0, spoke: 1 } : null),
    /came late/,
  ],
];

test.each(stories)('%s is found, told and dated', (_what, concern, story, words) => {
  const archive = classArchive({
    ...size,
    how: (i, lesson, weekday) => (i === 4 ? story(lesson, weekday) : null) ?? ordinary(i, lesson),
  });
  const items = listed(archive).filter((item) => item.studentId === 'p4');
  expect(items.map((item) => item.concern)).toContain(concern);
  expect(items.find((item) => item.concern === concern)?.sentence).toMatch(words);
});

test('a high share is dated by its first day away, and its line by the day that it was crossed', () => {
  const archive = classArchive({
    ...size,
    lessons: 52,
    how: (i, lesson) => {
      const away = lesson < 40 ? lesson % 6 === 3 : lesson % 2 === 0;
      return { ...ordinary(i, lesson), ...(i === 4 ? { away } : {}) };
    },
  });
  const item = listed(archive).find(({ studentId }) => studentId === 'p4');
  expect(item).toMatchObject({ concern: 'absent', since: '2026-01-08' });
  // Lines count from fifteen lessons taken on: the fifteenth school day.
  expect(item?.evidence[0]).toMatchObject({ kind: 'level', since: '2026-01-23' });
});

test('a class in which nothing happens has nobody on its list', () => {
  expect(listed(classArchive({ ...size, how: ordinary }))).toEqual([]);
});

test('ten lessons are too few for any verdict', () => {
  expect(
    listed(
      classArchive({
        lessons: 10,
        students: 20,
        how: (i, lesson) => (i < 3 ? { away: lesson > 6 } : ordinary(i, lesson)),
      }),
    ),
  ).toEqual([]);
});

test('an illness of four days is no change, though it is three in a row', () => {
  const archive = classArchive({
    ...size,
    how: (i, lesson) => (i === 4 && lesson >= 66 ? { away: true } : ordinary(i, lesson)),
  });
  expect(listed(archive)).toEqual([]);
  const facts = watchArchive(archive, { asOf: '2026-12-31' }).filter(({ studentId }) => studentId === 'p4');
  expect(facts.map(({ concern }) => concern)).toEqual(['over_a_line']);
  expect(facts[0]?.sentence).toMatch(/was away from the last four lessons in a row/);
});

test.each([4, 5, 6, 7, 8, 9, 10, 11, 12, 13])(
  'what happens to the whole class lists nobody new (%d)',
  (cast) => {
    const archive = classArchive({
      ...size,
      how: (i, lesson) =>
        lesson >= 50 && lesson < 60
          ? { away: draw(i, lesson, cast) < 0.4, spoke: 0, level: 0 }
          : ordinary(i, lesson),
    });
    for (const lesson of [52, 55, 58, 62])
      expect(listed(archive, archive.lessons[lesson]?.starts_at.slice(0, 10))).toEqual([]);
  },
);

const faded = () =>
  classArchive({
    ...size,
    how: (i, lesson) =>
      i === 4 && lesson >= 45 ? { away: lesson % 2 === 0, spoke: 0 } : ordinary(i, lesson),
  });

test('on an evening nothing later is known, and lessons taken later are not taken yet', () => {
  const archive = faded();
  const evening = archive.lessons[60]?.starts_at.slice(0, 10) ?? '';
  const cut = (date: string | null) => date !== null && date.slice(0, 10) <= evening;
  const lessons = archive.lessons.filter((row) => cut(row.starts_at));
  const ids = new Set(lessons.map(({ id }) => id));
  const only = <T extends { lesson_id: string }>(rows: T[]) => rows.filter((row) => ids.has(row.lesson_id));
  const before: Archive = {
    ...archive,
    lessons,
    taken: only(archive.taken),
    roll: only(archive.roll),
    tallies: only(archive.tallies),
    sweeps: only(archive.sweeps),
  };
  expect(listed(archive, evening)).toEqual(listed(before, evening));
  const late = {
    ...archive,
    taken: archive.taken.map((row) => ({ ...row, taken_at: '2026-12-01T10:00:00' })),
  };
  expect(listed(late, evening).filter(({ concern }) => concern === 'absent')).toEqual([]);
});

/** An item without what names people. */
const anonymous = (archive: Archive, nameOf: (id: string) => string) =>
  listed(archive).map(({ studentId, sentence: _, ...item }) => ({ ...item, student: nameOf(studentId) }));

test('the order of records and the names of things change nothing', () => {
  const archive = faded();
  fc.assert(
    fc.property(fc.integer({ min: 1, max: 1000 }), (seed) => {
      const shuffled = Object.fromEntries(
        Object.entries(archive).map(([table, rows]) => [
          table,
          [...rows].sort(
            (a, b) => draw(seed, JSON.stringify(a).length) - draw(seed, JSON.stringify(b).length),
          ),
        ]),
      ) as unknown as Archive;
      expect(listed(shuffled)).toEqual(listed(archive));
    }),
    { numRuns: 5 },
  );
  const renamed = classArchive({
    ...size,
    idOf: (i) => `z${99 - i}`,
    how: (i, lesson) =>
      i === 4 && lesson >= 45 ? { away: lesson % 2 === 0, spoke: 0 } : ordinary(i, lesson),
  });
  expect(anonymous(renamed, (id) => `p${99 - Number(id.slice(1))}`)).toEqual(anonymous(archive, (id) => id));
});

test.each([1, 9, 44])('all dates %d weeks later give the same list', (weeks) => {
  const how = (i: number, lesson: number): InLesson =>
    i === 4 && lesson >= 45 ? { away: lesson % 2 === 0 } : ordinary(i, lesson);
  const here = classArchive({ ...size, how });
  const there = classArchive({ ...size, startsOn: addDays('2026-01-05', weeks * 7), how });
  const plain = (items: ReturnType<typeof listed>, by: number) =>
    items.map(({ studentId, concern, strength, since }) => ({
      studentId,
      concern,
      strength,
      since: addDays(since, -by),
    }));
  expect(plain(listed(there, '2027-12-31'), weeks * 7)).toEqual(plain(listed(here), 0));
});

test('one more day away, beside no other, never lowers the concern', () => {
  const base = (extra: ReadonlySet<number>) => (i: number, lesson: number) => {
    if (i !== 4) return ordinary(i, lesson);
    return { away: extra.has(lesson) || (lesson >= 45 && lesson % 4 === 1), spoke: 1, level: 2 };
  };
  const strength = (extra: ReadonlySet<number>) =>
    listed(classArchive({ ...size, how: base(extra) })).find(
      ({ studentId, concern }) => studentId === 'p4' && concern === 'absent',
    )?.strength ?? 0;
  const before = strength(new Set());
  for (const lesson of [51, 55, 59, 63, 67])
    expect(strength(new Set([lesson]))).toBeGreaterThanOrEqual(before);
  expect(strength(new Set([55, 59, 63, 67]))).toBeGreaterThan(before);
});

test('who left and came back, or joined late, is not missed for the gap', () => {
  const archive = classArchive({ ...size, how: ordinary });
  const dates = archive.lessons.map((row) => row.starts_at.slice(0, 10));
  const others = archive.enrolments.filter(({ student_id: id }) => id !== 'p4' && id !== 'p5');
  const row = { section_id: 's', cohort: '', line: 0 };
  const moved: Archive = {
    ...archive,
    roll: archive.roll.filter(({ student_id: id }) => id !== 'p4' && id !== 'p5'),
    enrolments: [
      ...others,
      { ...row, student_id: 'p4', starts_on: null, ends_on: dates[20] ?? null },
      { ...row, student_id: 'p4', starts_on: dates[50] ?? null, ends_on: null },
      { ...row, student_id: 'p5', starts_on: dates[60] ?? null, ends_on: null },
    ],
  };
  expect(listed(moved)).toEqual([]);
  const left = {
    ...faded(),
    enrolments: faded().enrolments.map((e) =>
      e.student_id === 'p4' ? { ...e, ends_on: dates[65] ?? null } : e,
    ),
  };
  expect(listed(left).filter(({ studentId }) => studentId === 'p4')).toEqual([]);
});

test('a recovery clears the list, is told, and shows after the step', () => {
  const archive = classArchive({
    lessons: 90,
    students: 20,
    how: (i, lesson) =>
      i === 4 && lesson >= 40 && lesson < 60
        ? { away: lesson % 2 === 0, spoke: 1 }
        : i === 4
          ? { spoke: 1, level: 2 }
          : ordinary(i, lesson),
  });
  const at = (lesson: number) => archive.lessons[lesson]?.starts_at.slice(0, 10) ?? '';
  expect(listed(archive, at(58)).map(({ studentId }) => studentId)).toEqual(['p4']);
  const [series] = observe(archive, { asOf: at(85) });
  if (!series) throw new Error('no series');
  const cleared = clearedSince(series, statesOf(series), at(60));
  expect(cleared.map(({ studentId, stream }) => [studentId, stream])).toEqual([['p4', 'presence']]);
  const [outcome] = afterStep(series, { studentId: 'p4', concern: 'absent' }, at(59));
  expect(outcome).toMatchObject({ stream: 'presence', verdict: 'better', after: 0 });
  const [early] = observe(archive, { asOf: at(61) });
  const [soon] = early ? afterStep(early, { studentId: 'p4', concern: 'absent' }, at(59)) : [];
  expect(soon && outcomeInWords(soon, at(59))).toMatch(/too few to tell/);
});

test.each([
  ['before its day', { until: '2026-03-20', strength: 0.6, removed: false }, 0.6, true],
  ['on its day', { until: '2026-03-10', strength: 0.6, removed: false }, 0.6, false],
  ['clearly worse', { until: '2026-03-20', strength: 0.6, removed: false }, 0.8, false],
  ['for good', { until: null, strength: 0.6, removed: false }, 0.7, true],
  ['shown again', { until: null, strength: 0.6, removed: true }, 0.6, false],
])('put aside: %s', (_what, aside, strength, quiet) => {
  expect(isQuiet({ strength }, aside, '2026-03-10')).toBe(quiet);
});

test('four weeks are looked at twice a week, today last', () => {
  const evenings = eveningsBefore('2026-11-26');
  expect(evenings).toHaveLength(9);
  expect([evenings[0], evenings.at(-1)]).toEqual(['2026-10-29', '2026-11-26']);
});
