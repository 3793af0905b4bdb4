import fc from 'fast-check';
import { rollBookOf } from '../src/attendance/roll/book';
import { tallyChanges } from '../src/observation/tallies/changes';
import { classCounts } from '../src/observation/tallies/classCounts';
import { countsOf, sumOf } from '../src/observation/tallies/counts';
import { countsTable, lookForRates } from '../src/observation/tallies/countsTable';
import { durationWords, readDuration } from '../src/observation/tallies/duration';
import { emptyHand, tapWith, type Hold, type HoldTap } from '../src/observation/tallies/hold';
import { observedMinutes, observedSpan } from '../src/observation/tallies/observed';
import { rateOf } from '../src/observation/tallies/rates';
import { copyFocus, shippedFocuses } from '../src/observation/tallies/shipped';
import { strokeBundles } from '../src/observation/tallies/strokes';
import { timerEnd, timerSeconds } from '../src/observation/tallies/timers';
import type { Tally } from '../src/records/schema';
import { enrolment, lesson, lookFor, mark, newId, standings, student, tally } from './records';

describe('counts', () => {
  const marks = [
    ['no tally', [], 'count', 0],
    ['three strokes', [1, 1, 1], 'count', 3],
    ['five seen, set right to three', [1, 1, 1, 1, 1, -2], 'count', 3],
    ['set right on two devices at once: never below none', [1, 1, -2, -2], 'count', 0],
    ['ticked twice is ticked', [1, 1], 'tick', 1],
    ['seconds; one still runs', [90, 45, null], 'seconds', 135],
  ] as const;
  test.each(marks)('%s', (_, amounts, measure, expected) => {
    expect(
      sumOf(
        amounts.map((amount) => ({ amount, removed: false })),
        measure,
      ),
    ).toBe(expected);
  });

  const some = fc.array(
    fc.record({
      student: fc.constantFrom('a', 'b', null),
      of: fc.constantFrom('x', 'y'),
      lessonId: fc.constantFrom('l1', 'l2'),
      amount: fc.integer({ min: 1, max: 4 }),
    }),
    { maxLength: 40 },
  );
  const made = (list: { student: string | null; of: string; lessonId: string; amount: number }[]) =>
    list.map(({ student, of, ...more }) => tally(student, of, more));
  const lookFors = { x: lookFor('x'), y: lookFor('y') };
  const sorted = (tallies: readonly Tally[]) =>
    countsOf(tallies, lookFors)
      .map((count) => JSON.stringify(count))
      .sort();

  test('the order of tallies changes nothing; a tally and its take back leave no trace', () => {
    fc.assert(
      fc.property(some, fc.nat(), (list, at) => {
        const tallies = made(list);
        expect(sorted(tallies.toReversed())).toEqual(sorted(tallies));
        const takenBack = { ...tally('a', 'x'), removed: true };
        expect(sorted(tallies.toSpliced(at % (tallies.length + 1), 0, takenBack))).toEqual(sorted(tallies));
        const sum = tallies.reduce((all, { amount }) => all + (amount ?? 0), 0);
        expect(countsOf(tallies, lookFors).reduce((all, { amount }) => all + amount, 0)).toBe(sum);
      }),
    );
  });

  test('impossible corrections are refused with the reason', () => {
    const key = { id: 'l1', sectionId: 's', date: '2026-11-23', startsAt: '10:40', endsAt: '11:30' };
    const correct = {
      lesson: key,
      id: 't',
      studentId: 'a',
      lookForId: 'x',
      at: '2026-11-23T10:50:00.000Z',
      from: 3,
    };
    const said = (to: number) =>
      tallyChanges['tally.correct'].payload.safeParse({ ...correct, to }).error?.issues[0]?.message;
    expect(said(-1)).toBe('A count cannot be below 0');
    expect(said(100_000)).toBe('At most the seconds of a day');
    expect(said(2.5)).toBe('A whole number');
    expect(said(0)).toBeUndefined();
  });
});

describe('what was observed', () => {
  const observed = lesson({ id: 'l1' });
  test.each([
    // Dublin is on UTC in November.
    ['from the middle on', '2026-11-23T11:00:00.000Z', null, null, [660, 690]],
    ['off again', '2026-11-23T10:50:00.000Z', '2026-11-23T11:05:00.000Z', null, [650, 665]],
    ['the evening after, from memory: all of it', '2026-11-23T19:00:00.000Z', null, null, [640, 690]],
    [
      'a tally before anybody turned it on',
      '2026-11-23T11:00:00.000Z',
      null,
      '2026-11-23T10:45:00.000Z',
      [645, 690],
    ],
  ])('%s', (_, onAt, offAt, firstAt, expected) => {
    expect(observedSpan(observed, { onAt, offAt }, 'Europe/Dublin', firstAt)).toEqual(expected);
  });
  test.each([
    ['roll not taken', null, 40],
    ['here', { away: false, there: { from: 0, to: 1 } }, 40],
    ['ten minutes late, when it had just begun', { away: false, there: { from: 0.2, to: 1 } }, 40],
    ['twenty late', { away: false, there: { from: 0.4, to: 1 } }, 30],
    ['left after fifteen', { away: false, there: { from: 0, to: 0.3 } }, 5],
    ['away', { away: true, there: null }, 0],
  ])('%s', (_, presence, expected) => {
    expect(observedMinutes(observed, [650, 690], presence)).toBe(expected);
  });

  test('a lesson observed at zero has exposure for who was there; a rate is a sum by observed hour', () => {
    const book = rollBookOf({
      marks: [mark({ lessonId: 'l1', studentId: 'b', standingId: 'A' })],
      standings,
      sections: [],
      school: undefined,
    });
    const roll = {
      enrolments: ['a', 'b'].map((studentId) => enrolment({ studentId })),
      lessons: [observed, lesson({ date: '2026-11-25' }), lesson({ id: 'l3', setAside: true })],
      book,
    };
    const on = {
      id: 'l1',
      removed: false,
      lessonId: 'l1',
      onAt: '2026-11-23T09:00:00.000Z',
      offAt: null,
      focusId: null,
    };
    const lookFors = { x: lookFor('x') };
    const zero = classCounts(roll, { tallies: [], tallyings: [on], lookFors, zone: 'Europe/Dublin' });
    expect(zero.exposures).toEqual([
      { lessonId: 'l1', studentId: 'a', minutes: 50 },
      { lessonId: 'l1', studentId: 'b', minutes: 0 },
    ]);
    const taken = { ...on, removed: true };
    expect(
      classCounts(roll, { tallies: [], tallyings: [taken], lookFors, zone: 'Europe/Dublin' }).lessons,
    ).toEqual([]);
    const seen = classCounts(roll, {
      tallies: [tally('a', 'x', { amount: 5 }), tally('z', 'x'), tally('a', 'x', { lessonId: 'l3' })],
      tallyings: [on],
      lookFors,
      zone: 'Europe/Dublin',
    });
    expect(seen.counts).toEqual([{ lessonId: 'l1', studentId: 'a', lookForId: 'x', amount: 5 }]);
    // 5 in 50 minutes are 6 an hour.
    expect(rateOf(seen.counts, seen.exposures)).toEqual({ amount: 5, lessons: 1, minutes: 50, perHour: 6 });
    const people = [
      student({ id: 'a', givenName: 'Adaeze', familyName: '' }),
      student({ id: 'b', givenName: 'Bram', familyName: '' }),
    ];
    expect(countsTable(seen, [lookFor('x', { name: 'Asked' })], people, 'student')).toEqual([
      ['Student', 'Lessons observed', 'Minutes observed', 'Asked (times)', 'Asked per hour'],
      ['Adaeze', 1, 50, 5, 6],
      ['Bram', 0, 0, 0, ''],
    ]);
    expect(countsTable(seen, [lookFor('x')], people, 'week')[1]).toEqual(['2026-11-23', 1, 50, 5, 6]);
  });
});

test.each([
  ['a student, then two look-fors', [{ student: 'a' }, { lookFor: 'x' }, { lookFor: 'y' }], ['a x', 'a y']],
  [
    'a look-for held, then students',
    [{ lookFor: 'x' }, { student: 'a' }, { student: 'b' }, { student: 'a' }],
    ['a x', 'b x', 'a x'],
  ],
  [
    'the student tapped again stays in hand',
    [
      { student: 'a' },
      { lookFor: 'x' },
      { student: 'a' },
      { lookFor: 'y' },
      { student: 'b' },
      { lookFor: 'x' },
    ],
    ['a x', 'a y', 'b x'],
  ],
  [
    'the look-for tapped again stays in hand',
    [{ lookFor: 'x' }, { student: 'a' }, { lookFor: 'x' }, { student: 'b' }],
    ['a x', 'b x'],
  ],
  ['another in its place', [{ lookFor: 'x' }, { lookFor: 'y' }, { student: 'a' }], ['a y']],
  ['the whole class', [{ lookFor: 'x' }, { student: null }], [' x']],
])('one thumb: %s', (_, taps, expected) => {
  let hold: Hold = emptyHand;
  const made = taps.flatMap((tap) => {
    const held = tapWith(hold, tap);
    hold = held.hold;
    return held.tally ? [`${held.tally.studentId ?? ''} ${held.tally.lookForId}`] : [];
  });
  expect(made).toEqual(expected);
});

test('for any taps, what counts is what the screen said at the tap', () => {
  const anyTap: fc.Arbitrary<HoldTap | 'let go'> = fc.oneof(
    fc.constantFrom('a', 'b', 'c', null).map((student) => ({ student })),
    fc.constantFrom('x', 'y', 'z').map((lookFor) => ({ lookFor })),
    fc.constant('let go' as const),
  );
  fc.assert(
    fc.property(fc.array(anyTap, { maxLength: 40 }), (taps) => {
      let hold: Hold = emptyHand;
      // By the words of the screen alone: since the hand was empty the first tap says which sort is held.
      let since: HoldTap[] = [];
      for (const tap of taps) {
        if (tap === 'let go') {
          hold = emptyHand;
          since = [];
          continue;
        }
        const held = tapWith(hold, tap);
        hold = held.hold;
        const studentFirst = since[0] && 'student' in since[0];
        const inHand = since.findLast((before) => 'student' in before === studentFirst);
        since.push(tap);
        const student = studentFirst ? inHand : tap;
        const lookFor = studentFirst ? tap : inHand;
        const expected =
          student && lookFor && 'student' in student && 'lookFor' in lookFor
            ? { studentId: student.student, lookForId: lookFor.lookFor }
            : null;
        expect(held.tally).toEqual(expected);
      }
    }),
  );
});

describe('a timer that nobody stops (10:40 to 11:30 UTC)', () => {
  const at = (time: string) => ({ at: `2026-11-23T${time}.000Z` });
  test.each([
    // begun, left at -> seconds, in doubt
    ['runs to the end of the lesson', '10:50:00', null, 2400, true],
    ['ends when the student leaves', '10:50:00', '11:00', 600, false],
    ['the student came back before it began', '11:10:00', '11:00', 1200, true],
    ['begun before the lesson', '10:30:00', null, 3600, true],
    ['begun after the lesson: as long as one', '12:00:00', null, 3000, true],
    ['left after the lesson was over', '10:50:00', '11:40', 2400, true],
  ])('%s', (_what, begun, leftAt, seconds, unsure) => {
    const end = timerEnd(at(begun), lesson(), { leftAt }, 'UTC');
    expect([timerSeconds(at(begun), end.at), end.unsure]).toEqual([seconds, unsure]);
  });
  test('no sum is longer than the student was there to be seen', () => {
    const timed = { x: lookFor('x', { measure: 'seconds' }) };
    const class1 = {
      enrolments: [enrolment()],
      lessons: [lesson()],
      book: { marks: {}, standings: {}, rules: {} },
    };
    const seen = classCounts(class1, {
      tallies: [tally('a', 'x', { lessonId: lesson().id, amount: 82_800, at: at('10:40:00').at })],
      tallyings: [],
      lookFors: timed,
      zone: 'UTC',
    });
    expect(seen.counts.map(({ amount }) => amount)).toEqual([3000]);
    expect(lookForRates(seen, 'x', 'student').get('a')?.perHour).toBe(3600);
  });
  test.each([
    ['3:20', 200],
    ['3 min 20 s', 200],
    ['200 s', 200],
    ['4', 240],
    ['1,5 min', 90],
    ['1 h 05 min', 3900],
    ['1:02:03', 3723],
    ['45 s', 45],
    ['soon', null],
    ['', null],
  ])('%s is read', (written, seconds) => {
    expect(readDuration(written)).toBe(seconds);
  });
});

test('strokes in fives up to ten, and seconds as they are said', () => {
  expect([0, 1, 5, 7, 10, 11].map(strokeBundles)).toEqual([[], [1], [5], [5, 2], [5, 5], []]);
  expect([45, 180, 200, 3900].map(durationWords)).toEqual(['45 s', '3 min', '3 min 20 s', '1 h 05 min']);
});

test('the sets that ship are whole, and a copy has look-fors of its own only where they were another class’s', () => {
  const sets = shippedFocuses(newId);
  expect(sets.every((set) => tallyChanges['focus.set'].payload.safeParse(set).success)).toBe(true);
  expect(new Set(sets.flatMap(({ lookFors }) => lookFors.map(({ sign }) => sign))).size).toBe(18);
  const lookFors = { shared: lookFor('shared'), own: lookFor('own', { sectionId: 's1' }) };
  const copy = copyFocus({ name: 'Mine', lookForIds: ['shared', 'own', 'gone'] }, 's2', lookFors, newId);
  expect(copy.focus.lookForIds[0]).toBe('shared');
  expect(copy.lookFors).toEqual([
    expect.objectContaining({ sectionId: 's2', name: 'own', id: copy.focus.lookForIds[1] }),
  ]);
});
