import * as fc from 'fast-check';
import { lessonTone, meanTone, toneCourse, type Told } from '../src/observation/tone/course';
import { toneName } from '../src/observation/tone/levels';
import { toneWeeks } from '../src/observation/tone/weeks';

const from = Date.parse('2026-11-23T10:40:00.000Z');
const minute = 60_000;
const to = from + 50 * minute;
let made = 0;
const told = (at: number, level: number, removed = false): Told => ({
  ...{ id: `t${(made += 1)}`, level, removed },
  at: new Date(from + at * minute).toISOString(),
});

describe('the course of the tone', () => {
  test.each<[string, Told[], [number, number, number][]]>([
    ['nothing set', [], []],
    ['once', [told(10, 1)], [[10, 50, 1]]],
    [
      'before the lesson counts from its beginning',
      [told(-5, -1), told(20, 0)],
      [
        [0, 20, -1],
        [20, 50, 0],
      ],
    ],
    ['two before it: the later', [told(-5, -1), told(-2, 2)], [[0, 50, 2]]],
    ['the same again is one step', [told(5, 1), told(9, 1)], [[5, 50, 1]]],
    ['taken back', [told(5, 1), told(9, -2, true)], [[5, 50, 1]]],
    ['after its end', [told(5, 1), told(55, -2)], [[5, 50, 1]]],
    [
      'out of order',
      [told(30, 0), told(5, 1)],
      [
        [5, 30, 1],
        [30, 50, 0],
      ],
    ],
  ])('%s', (_, tones, steps) => {
    expect(toneCourse(tones, from, to)).toEqual(
      steps.map(([begins, ends, level]) => ({
        from: from + begins * minute,
        to: from + ends * minute,
        level,
      })),
    );
  });

  test('has no gap after its beginning, and its mean lies between its levels', () => {
    const tone = fc.tuple(fc.integer({ min: -20, max: 70 }), fc.integer({ min: -2, max: 2 }));
    fc.assert(
      fc.property(fc.array(tone, { maxLength: 20 }), (all) => {
        const course = toneCourse(
          all.map(([at, level]) => told(at, level)),
          from,
          to,
        );
        course.forEach((step, at) => {
          expect(step.to).toBeGreaterThan(step.from);
          expect(step.to).toBe(course[at + 1]?.from ?? to);
          expect(course[at + 1]?.level).not.toBe(step.level);
        });
        const mean = meanTone(course);
        const levels = course.map(({ level }) => level);
        if (mean === null) expect(levels).toEqual([]);
        else {
          expect(mean).toBeGreaterThanOrEqual(Math.min(...levels) - 1e-9);
          expect(mean).toBeLessThanOrEqual(Math.max(...levels) + 1e-9);
        }
      }),
    );
  });

  test('a lesson in a line: 10 minutes far down and 30 up are a mean of a quarter', () => {
    const course = toneCourse([told(10, -2), told(20, 1)], from, to);
    expect(lessonTone({ id: 'l', date: '2026-11-23', startsAt: '10:40' }, course)).toEqual({
      ...{ lessonId: 'l', date: '2026-11-23', startsAt: '10:40' },
      ...{ mean: 0.25, lowest: -2, highest: 1, minutes: 40 },
    });
    expect(toneName(0.25)).toBe('even');
  });
});

test('weeks have the median of their lessons', () => {
  const lesson = (date: string, mean: number) => ({
    ...{ lessonId: date, date, startsAt: '10:40', mean, lowest: -2, highest: 2, minutes: 50 },
  });
  const weeks = toneWeeks([
    lesson('2026-11-25', 2),
    lesson('2026-11-16', 1),
    lesson('2026-11-23', -1),
    lesson('2026-11-27', 0),
  ]);
  expect(weeks.map(({ week, median, lessons }) => [week, median, lessons.length])).toEqual([
    ['2026-11-16', 1, 1],
    ['2026-11-23', 0, 3],
  ]);
});

test.each([
  [-2, 'far down'],
  [-1, 'down'],
  [0, 'even'],
  [1, 'up'],
  [2, 'far up'],
])('level %d is called %s', (level, name) => {
  expect(toneName(level)).toBe(name);
});
