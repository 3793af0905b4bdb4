import { certaintyOverLine, levelsCrossed, type Attended } from '../src/watch/levels';
import { watchList } from '../src/watch/watchList';
import { addDays } from '../src/calendar/localTime';
import { enrolment, lesson, mark, standingsById } from './records';

/** `.` is there, `x` away; one lesson a day. */
const lessons = (pattern: string): Attended[] =>
  Array.from(pattern, (sign, day) => ({ date: addDays('2026-09-01', day), away: sign === 'x' }));

test.each([
  // missed, taken, line -> P(share > line), of Beta(k+1/2, n-k+1/2), worked out in Python by the midpoint rule with 200,000 steps
  [0, 20, 0.05, 0.1495],
  [2, 20, 0.1, 0.5419],
  [8, 20, 0.2, 0.9817],
  [3, 40, 0.05, 0.7828],
])('%d of %d missed: the certainty of being over %d', (missed, taken, line, expected) => {
  expect(certaintyOverLine(missed, taken, line)).toBeCloseTo(expected, 4);
});

describe('the lines', () => {
  test.each([
    // lessons -> [kind, line, missed, taken, since]
    ['never away', '....................', []],
    ['14 lessons are too few for a share', 'x.............', []],
    ['1 of 15 is over 5 %', 'x..............', [['share', 0.05, 1, 15, '2026-09-15']]],
    [
      'since the last crossing, not the first',
      `x${'.'.repeat(24)}xx`,
      [['share', 0.05, 3, 27, '2026-09-26']],
    ],
    ['the highest line that is sure', 'x.x.x.x.x.x....', [['share', 0.2, 6, 15, '2026-09-15']]],
    [
      'one illness of four days is one event: 20 % is not sure',
      'xxxx...........',
      [['share', 0.1, 4, 15, '2026-09-15']],
    ],
    ['three in a row at the end', '...xxx', [['streak', 3, 3, 3, '2026-09-04']]],
    ['three in a row that ended', 'xxx...', []],
    [
      'both',
      '..............xxx',
      [
        ['streak', 3, 3, 3, '2026-09-15'],
        ['share', 0.05, 3, 17, '2026-09-15'],
      ],
    ],
  ])('%s', (_what, pattern, expected) => {
    expect(levelsCrossed(lessons(pattern)).map((l) => [l.kind, l.line, l.missed, l.taken, l.since])).toEqual(
      expected,
    );
  });
});

describe('the list', () => {
  const dates = Array.from({ length: 20 }, (_, day) => addDays('2026-09-01', day));
  const held = dates.map((date) => lesson({ date }));
  const away = (studentId: string, days: number[]) =>
    days.map((day) => mark({ lessonId: `m.${dates[day]!}`, studentId, standingId: 'A' }));
  const list = (marks: ReturnType<typeof mark>[], taken = held, people = ['a', 'b', 'c']) =>
    watchList({
      enrolments: people.map((studentId) => enrolment({ studentId })),
      lessons: taken,
      book: { marks: Object.fromEntries(marks.map((m) => [m.id, m])), standings: standingsById, rules: {} },
    });
  test('says who, since when, on what evidence, against the class', () => {
    const [item, ...others] = list(away('b', [3, 6, 8, 11, 13, 15, 17, 18]));
    expect(others).toEqual([]);
    expect(item).toMatchObject({ studentId: 'b', concern: 'absent', since: '2026-09-15', classMedian: 0 });
    expect(item?.sentence).toBe(
      'Missed 8 of 20 lessons taken (40\u00A0%), at or over the 20\u00A0% line since 15 September. The student in the middle of the class missed 0\u00A0%.',
    );
  });
  test('a line crossed by what may be chance is a fact, not a concern', () => {
    expect(list(away('b', [4])).map((item) => item.concern)).toEqual(['over_a_line']);
  });
  test('lessons not taken, set aside, or before the student came say nothing', () => {
    const nobody = held.map((l) => ({ ...l, takenAt: null }));
    const aside = held.map((l) => ({ ...l, setAside: true }));
    const marks = away('b', [17, 18, 19]);
    expect([list(marks, nobody), list(marks, aside)]).toEqual([[], []]);
    const late = enrolment({ studentId: 'b', startsOn: '2026-09-21' });
    const input = {
      enrolments: [late],
      lessons: held,
      book: { marks: Object.fromEntries(marks.map((m) => [m.id, m])), standings: standingsById, rules: {} },
    };
    expect(watchList(input)).toEqual([]);
  });
  test('is ordered by strength', () => {
    const items = list([
      ...away('a', [17, 18, 19]),
      ...away('b', [9, 10, 11, 12, 13, 14, 15, 16, 17, 18, 19]),
    ]);
    expect(items.map((item) => item.studentId)).toEqual(['b', 'a']);
    expect(items.every(({ strength }) => strength > 0 && strength <= 1)).toBe(true);
  });
});
