import fc from 'fast-check';
import { addDays } from '../src/calendar/localTime';
import { applyEdits, invertEdits } from '../src/changes/edit';
import { emptyRecords } from '../src/records/records';
import type { Lesson, Mark } from '../src/records/schema';
import { rollEdits } from '../src/attendance/roll/edits';
import { minutesMissed, presenceOf } from '../src/attendance/roll/presence';
import { defaultRules } from '../src/attendance/roll/rules';
import { markByTap, tapMeaning } from '../src/attendance/roll/tap';
import { isEnrolledOn, lessonCounts, studentTotals } from '../src/attendance/roll/totals';
import { standingByTimes } from '../src/attendance/roll/standings';
import { presenceSpoken, rowSpoken } from '../src/attendance/roll/words';
import type { MarkFields } from '../src/attendance/roll/changes';
import { rollCounts, rollCountWords } from '../src/attendance/roll/rollCounts';
import { enrolment, lesson, mark, standings, standingsById } from './records';

const byCode = (code: string) => standingsById[code];
const book = (marks: Mark[]) => ({
  marks: Object.fromEntries(marks.map((m) => [m.id, m])),
  standings: standingsById,
  rules: {},
});

describe('a mark, read by the rules of the archive format (10:40 to 11:30, grace 5)', () => {
  test.each([
    // standing, arrived, left -> minutes missed, in words
    [null, null, null, 0, 'here'],
    [null, '10:45', null, 0, 'here'],
    [null, '10:46', null, 6, 'late, 10:46, 6 minutes'],
    ['L', null, null, 0, 'late'],
    ['L', '10:42', null, 2, 'late, 10:42, 2 minutes'],
    ['E', null, '11:11', 19, 'left 11:11, 19 minutes'],
    [null, null, '11:26', 0, 'here'],
    ['L', '10:48', '11:20', 18, 'late, 10:48, left 11:20, 18 minutes'],
    ['A', null, null, 50, 'away'],
    ['X', null, null, 50, 'away, excused'],
    ['S', null, null, 0, 'set aside'],
    ['L', '12:00', null, 50, 'late, 12:00, 50 minutes'],
  ])('%s %s %s', (code, arrivedAt, leftAt, missed, words) => {
    const standing = code ? byCode(code) : undefined;
    const presence = presenceOf(lesson(), { arrivedAt, leftAt }, standing);
    expect([minutesMissed(presence), presenceSpoken(presence, { arrivedAt, leftAt }, standing)]).toEqual([
      missed,
      words,
    ]);
  });
});

describe('what one tap means', () => {
  const at = (time: string, taken: string | null, date = '2026-11-23') => ({
    lesson: lesson(),
    now: { date, time },
    takenAt: taken ? { date: '2026-11-23', time: taken } : null,
    rules: defaultRules,
  });
  test.each([
    // when, roll taken at, standing -> meaning
    ['on a roll not taken', '10:41', null, undefined, 'away'],
    ['while the roll is being taken', '10:44', '10:42', undefined, 'away'],
    ['once it has settled', '11:00', '10:42', undefined, 'leaves'],
    ['away, within the grace', '10:45', '10:42', 'A', 'here'],
    ['away, later in the lesson', '10:48', '10:42', 'A', 'late'],
    ['excused, who comes after all', '10:48', '10:42', 'X', 'late'],
    ['away, when it is over', '12:00', '10:42', 'A', 'here'],
    ['here, when it is over', '12:00', '10:42', undefined, 'away'],
    ['gone early', '11:20', '10:42', 'E', 'back'],
    ['before the lesson', '10:00', null, undefined, 'away'],
    ['set aside', '10:50', '10:42', 'S', 'here'],
  ])('%s', (_when, time, taken, code, meaning) => {
    expect(tapMeaning(at(time, taken), code ? byCode(code) : undefined)).toBe(meaning);
  });
  test('a lesson of another day is in the books: no minutes are made up', () => {
    expect(tapMeaning(at('10:50', '10:42', '2026-11-25'), byCode('A'))).toBe('here');
    expect(tapMeaning(at('10:50', '10:42', '2026-11-25'), undefined)).toBe('away');
  });
  test('away first, then late at that minute, then leaving, then back: one student, one thumb', () => {
    const tap = (time: string, taken: string | null, found?: MarkFields | null) => {
      const meaning = tapMeaning(at(time, taken), byCode(found?.standingId ?? ''), found ?? undefined);
      return markByTap('a', meaning, found?.arrivedAt ?? null, time, standings);
    };
    const away = tap('10:41', null);
    expect(away).toEqual({ studentId: 'a', standingId: 'A', arrivedAt: null, leftAt: null });
    const late = tap('10:48', '10:41', away);
    expect(late).toEqual({ studentId: 'a', standingId: 'L', arrivedAt: '10:48', leftAt: null });
    const gone = tap('11:11', '10:41', late);
    expect(gone).toEqual({ studentId: 'a', standingId: 'L', arrivedAt: '10:48', leftAt: '11:11' });
    const back = tap('11:15', '10:41', gone);
    expect(back).toEqual({ studentId: 'a', standingId: 'L', arrivedAt: '10:48', leftAt: null });
    expect(tap('10:50', '10:41', late)?.standingId).toBeNull();
  });
  test('an absence that is planned shows before the roll is taken, in words and as what a tap would change', () => {
    const untaken = lesson({ takenAt: null });
    const planned = mark({ standingId: 'X', source: 'range' });
    const spoken = (found: Mark | undefined, of = untaken) =>
      rowSpoken(
        of,
        presenceOf(of, found, byCode(found?.standingId ?? '')),
        found,
        byCode(found?.standingId ?? ''),
      );
    expect(spoken(planned)).toBe('planned: away, excused');
    expect(spoken(planned, lesson())).toBe('away, excused');
    expect(spoken(mark({ standingId: 'L', arrivedAt: '10:50', source: 'check_in' }))).toBe(
      'late, 10:50, 10 minutes',
    );
    expect(spoken(undefined)).toBe('not taken');
    expect(spoken(mark({ comment: 'has the key' }))).toBe('not taken');
    expect(tapMeaning(at('10:42', null), byCode('X'), planned)).toBe('here');
  });
});

test.each([
  // standing, what was typed -> standing
  ['L', { arrivedAt: null }, 'L'],
  ['L', { arrivedAt: '10:50' }, 'L'],
  [undefined, { arrivedAt: '10:50' }, 'L'],
  [undefined, { leftAt: '11:10' }, 'E'],
  [undefined, { arrivedAt: null }, 'H'],
  ['E', { leftAt: null }, 'E'],
  ['E', { arrivedAt: '10:50' }, 'L'],
  ['L', { leftAt: '11:10' }, 'L'],
] as const)('a time typed or taken off by hand: %s, %j is %s', (code, next, expected) => {
  expect(standingByTimes(code && byCode(code), next, standings)?.id).toBe(expected);
});

describe('totals, worked out by hand', () => {
  const now = { date: '2026-11-30', time: '12:00' };
  const dates = [0, 7, 14, 21].map((days) => addDays('2026-11-02', days));
  const lessons = [
    ...dates.map((date) => lesson({ date })),
    lesson({ id: 'n', date: '2026-11-25', takenAt: null }),
    lesson({ id: 's', date: '2026-11-26', setAside: true }),
    lesson({ id: 'later', date: '2026-12-02', takenAt: null }),
  ];
  const marks = (...codes: [index: number, code: string, arrivedAt?: string, leftAt?: string][]) =>
    book(
      codes.map(([i, code, arrivedAt = null, leftAt = null]) =>
        mark({ lessonId: `m.${dates[i]!}`, standingId: code, arrivedAt, leftAt }),
      ),
    );
  test.each([
    // marks -> lessons, taken, not taken, here, late, left, away, excused, set aside, credit, percent, missed, minutes late
    ['all there', [], [5, 4, 1, 4, 0, 0, 0, 0, 1, 4, 100, 0, 0]],
    ['one away', [[0, 'A']], [5, 4, 1, 3, 0, 0, 1, 0, 1, 3, 75, 50, 0]],
    [
      'excused is away too',
      [
        [0, 'X'],
        [1, 'A'],
      ],
      [5, 4, 1, 2, 0, 0, 2, 1, 1, 2, 50, 100, 0],
    ],
    ['late and left early in one', [[0, 'L', '10:50', '11:20']], [5, 4, 1, 3, 1, 1, 0, 0, 1, 4, 100, 20, 10]],
    ['the own lesson set aside', [[0, 'S']], [5, 3, 1, 3, 0, 0, 0, 0, 2, 3, 100, 0, 0]],
  ] as const)('%s', (_what, codes, expected) => {
    const t = studentTotals(enrolment(), lessons, marks(...(codes as unknown as [number, string][])), now);
    const found = [
      t.lessons,
      t.taken,
      t.notTaken,
      t.here,
      t.late,
      t.leftEarly,
      t.away,
      t.excused,
      t.setAside,
      t.credit,
      t.percent,
      t.minutesMissed,
      t.minutesLate,
    ];
    expect(found).toEqual([...expected]);
  });
  test('late joiners and leavers count only for their time', () => {
    const joined = enrolment({ startsOn: dates[1]!, endsOn: dates[2]! });
    expect(studentTotals(joined, lessons, marks([0, 'A']), now)).toMatchObject({
      lessons: 2,
      taken: 2,
      away: 0,
      percent: 100,
    });
  });
  test('nothing taken is no percentage', () => {
    expect(studentTotals(enrolment(), [lessons[4]!], book([]), now)).toMatchObject({
      taken: 0,
      notTaken: 1,
      percent: null,
    });
  });
  test('counts of a lesson; none where the roll was not taken', () => {
    const two = [enrolment(), enrolment({ studentId: 'b' })];
    expect(lessonCounts(lessons[0]!, two, marks([0, 'X']))).toEqual({
      students: 2,
      there: 1,
      setAside: 0,
      late: 0,
      leftEarly: 0,
      away: 1,
      excused: 1,
    });
    expect(lessonCounts(lessons[4]!, two, book([]))).toBeNull();
  });
  test('the words of a roll add up: who was late or left early is one of those there', () => {
    const how = (fields: object) => ({
      away: false,
      excused: false,
      late: false,
      leftEarly: false,
      setAside: false,
      ...fields,
    });
    const some = (count: number, fields: object) => Array.from({ length: count }, () => how(fields));
    const roll = [
      ...some(24, {}),
      ...some(2, { late: true }),
      ...some(1, { leftEarly: true }),
      ...some(3, { away: true }),
    ];
    expect(rollCountWords(rollCounts(roll))).toBe('27 of 30 there, 2 of them late, 1 left early');
    expect(rollCountWords(rollCounts([how({ leftEarly: true }), how({ setAside: true })]))).toBe(
      '1 of 2 there, 1 of them left early, 1 set aside',
    );
    expect(rollCountWords(rollCounts(some(5, {})))).toBe('5 of 5 there');
  });
});

describe('for any marks', () => {
  const anyLesson = fc.record({ day: fc.nat(120), taken: fc.boolean(), aside: fc.boolean() });
  const anyMark = fc.record({
    code: fc.constantFrom(null, ...standings.map((s) => s.id)),
    in: fc.option(fc.constantFrom('10:41', '10:50', '11:29')),
    out: fc.option(fc.constantFrom('10:45', '11:00', '11:30')),
  });
  const anyMonth = fc.array(fc.tuple(anyLesson, anyMark), { maxLength: 40 }).map((drawn) => {
    const lessons: Lesson[] = drawn.map(([l], index) =>
      lesson({
        id: `l${index}`,
        date: addDays('2026-08-24', l.day),
        takenAt: l.taken ? '2026-08-24T10:00:00.000Z' : null,
        setAside: l.aside,
      }),
    );
    const marks = drawn.map(([, m], index) =>
      mark({ lessonId: `l${index}`, standingId: m.code, arrivedAt: m.in, leftAt: m.out }),
    );
    return { lessons, marks };
  });
  const now = { date: '2027-01-01', time: '00:00' };
  test('the parts add up, nothing is over 100 %, and the order does not matter', () => {
    fc.assert(
      fc.property(anyMonth, fc.nat(), ({ lessons, marks }, turn) => {
        const t = studentTotals(enrolment(), lessons, book(marks), now);
        const own = t.setAside - lessons.filter((l) => l.setAside).length;
        const both = lessons.filter((l) => l.takenAt && !l.setAside).length;
        const turned = [...lessons.slice(turn % 7), ...lessons.slice(0, turn % 7)];
        expect(t.taken + t.notTaken + own).toBe(t.lessons);
        expect(t.taken + own).toBe(both);
        expect(t.here + t.away).toBeLessThanOrEqual(t.taken);
        expect(t.here + t.away + t.late + t.leftEarly).toBeGreaterThanOrEqual(t.taken);
        expect(t.percent ?? 0).toBeLessThanOrEqual(100);
        expect(t.minutesMissed).toBeLessThanOrEqual(t.taken * 50);
        expect(studentTotals(enrolment(), turned, book([...marks].reverse()), now)).toEqual(t);
      }),
    );
  });
  test('the whole is the sum of its months', () => {
    fc.assert(
      fc.property(anyMonth, ({ lessons, marks }) => {
        const whole = studentTotals(enrolment(), lessons, book(marks), now);
        const months = ['08', '09', '10', '11', '12'].map((month) =>
          studentTotals(
            enrolment(),
            lessons.filter((l) => l.date.slice(5, 7) === month),
            book(marks),
            now,
          ),
        );
        for (const field of ['taken', 'notTaken', 'away', 'credit', 'minutesMissed'] as const)
          expect(months.reduce((sum, m) => sum + m[field], 0)).toBeCloseTo(whole[field], 9);
      }),
    );
  });
  test('taking back is exact: the records are as before, mark for mark', () => {
    const change = fc.record({
      student: fc.constantFrom('a', 'b'),
      code: fc.constantFrom(null, 'A', 'L'),
      time: fc.option(fc.constant('10:50')),
    });
    fc.assert(
      fc.property(fc.array(change, { minLength: 1, maxLength: 12 }), (changes) => {
        const { id, sectionId, date, startsAt, endsAt } = lesson();
        const key = { id, sectionId, date, startsAt, endsAt };
        let records = emptyRecords();
        const before = changes.map(({ student, code, time }, index) => {
          const taking = index === 0 ? { takenAt: '2026-11-23T10:42:00.000Z' } : {};
          const marks = [{ studentId: student, standingId: code, arrivedAt: time, leftAt: null }];
          const edits = rollEdits['roll.mark']({ lesson: key, marks, ...taking });
          const step = {
            records: applyEdits(
              records,
              edits.filter((e) => e.op === 'ensure'),
            ),
            inverse: invertEdits(records, edits),
          };
          records = applyEdits(records, edits);
          return step;
        });
        for (const { records: was, inverse } of before.reverse()) {
          records = applyEdits(records, inverse);
          const shown = (r: typeof records) =>
            Object.values(r.mark).map(({ standingId, arrivedAt }) => [standingId, arrivedAt]);
          expect(shown(records).filter(([s]) => s !== null)).toEqual(shown(was).filter(([s]) => s !== null));
        }
        expect(records.lesson[id]?.takenAt).toBeNull();
      }),
    );
  });
});

test.each([
  [null, null, true],
  ['2026-11-23', '2026-11-23', true],
  ['2026-11-24', null, false],
  [null, '2026-11-22', false],
])('enrolled from %s to %s on 23 November: %s', (startsOn, endsOn, expected) => {
  expect(isEnrolledOn({ startsOn, endsOn }, '2026-11-23')).toBe(expected);
});
