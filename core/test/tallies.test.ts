import fc from 'fast-check';
import { rollBookOf } from '../src/roll/book';
import type { LookFor, Tally } from '../src/records/schema';
import { draftFeedback } from '../src/circle/feedback';
import { evennessWords, gini } from '../src/circle/gini';
import { placeOnto, seatAt, seatInTurn } from '../src/circle/seating';
import { circleShares } from '../src/circle/shares';
import { tallyChanges } from '../src/tallies/changes';
import { classCounts } from '../src/tallies/classCounts';
import { countsOf, sumOf } from '../src/tallies/counts';
import { countsTable } from '../src/tallies/countsTable';
import { durationWords } from '../src/tallies/duration';
import { emptyHand, tapWith, type Hold } from '../src/tallies/hold';
import { observedMinutes, observedSpan } from '../src/tallies/observed';
import { rateOf } from '../src/tallies/rates';
import { copyFocus, shippedFocuses } from '../src/tallies/shipped';
import { strokeBundles } from '../src/tallies/strokes';
import { drawTurn, turnChances } from '../src/turns/fairTurns';
import { enrolment, lesson, mark, standings, student } from './records';

let number = 0;
const newId = () => `id${String((number += 1))}`;

const lookFor = (id: string, more: Partial<LookFor> = {}): LookFor => ({
  id,
  removed: false,
  name: id,
  tone: 'wanted',
  measure: 'count',
  sign: 'voice',
  sectionId: null,
  position: 0,
  ...more,
});
const tally = (studentId: string | null, lookForId: string, more: Partial<Tally> = {}): Tally => ({
  id: newId(),
  removed: false,
  lessonId: 'l1',
  studentId,
  lookForId,
  at: '2026-11-23T10:50:00.000Z',
  amount: 1,
  circleId: null,
  correctedFrom: null,
  ...more,
});

describe('Gini', () => {
  test.each([
    // Worked out with the definition (half the relative mean difference), as fractions, by hand.
    ['all the same', [3, 3, 3, 3], 0],
    ['one has everything, of four', [0, 0, 0, 8], 0.75],
    ['1 to 4', [1, 2, 3, 4], 0.25],
    ['1 and 3', [1, 3], 0.25],
    ['nobody anything', [0, 0, 0], 0],
    ['one alone', [5], 0],
    // The example of the R packages ineq and DescTools (ten household incomes): 0.4620911.
    ['ten incomes', [541, 1463, 2445, 3438, 4437, 5401, 6392, 8304, 11904, 22261], 0.4620911],
  ])('%s', (_, counts, expected) => {
    expect(gini(counts)).toBeCloseTo(expected, 6);
  });

  test('is half the relative mean difference, between 0 and 1, whoever is who and however it is counted', () => {
    const byDefinition = (x: readonly number[]) => {
      const mean = x.reduce((a, b) => a + b, 0) / x.length;
      return (
        x.flatMap((a) => x.map((b) => Math.abs(a - b))).reduce((a, b) => a + b, 0) /
        (2 * x.length ** 2 * mean)
      );
    };
    fc.assert(
      fc.property(
        fc.array(fc.nat(60), { minLength: 2, maxLength: 40 }),
        fc.integer({ min: 2, max: 9 }),
        (counts, k) => {
          fc.pre(counts.some((count) => count > 0));
          const value = gini(counts);
          expect(value).toBeCloseTo(byDefinition(counts), 9);
          expect(gini(counts.toReversed())).toBeCloseTo(value, 9);
          expect(gini(counts.map((count) => count * k))).toBeCloseTo(value, 9);
          expect(value).toBeLessThanOrEqual((counts.length - 1) / counts.length + 1e-9);
        },
      ),
    );
  });

  test('says what it means', () => {
    expect(evennessWords([0, 0])).toBe('Nobody has spoken yet.');
    expect(evennessWords([2, 2, 3])).toContain('evenly');
    expect(evennessWords([0, 0, 0, 9])).toBe('Nearly one voice.');
  });
});

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
    expect(said(10_000)).toBe('A count is at most 999');
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
  ['let go by tapping it again', [{ lookFor: 'x' }, { lookFor: 'x' }, { student: 'a' }], []],
  ['another in its place', [{ lookFor: 'x' }, { lookFor: 'y' }, { student: 'a' }], ['a y']],
  ['the whole class', [{ lookFor: 'x' }, { student: null }], [' x']],
])('one thumb: %s', (_, taps, expected) => {
  let hold: Hold = emptyHand;
  const made = taps.flatMap((tap) => {
    const held = tapWith(hold, tap as { student: string });
    hold = held.hold;
    return held.tally ? [`${held.tally.studentId ?? ''} ${held.tally.lookForId}`] : [];
  });
  expect(made).toEqual(expected);
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

describe('a circle', () => {
  const lookFors = {
    evidence: lookFor('evidence', { name: 'Gave evidence' }),
    opinion: lookFor('opinion', { name: 'Bare opinion', tone: 'unwanted' }),
    waited: lookFor('waited', { measure: 'seconds' }),
  };
  const member = (studentId: string, goalCount: number | null = null) => ({
    studentId,
    goalLookForId: goalCount ? 'evidence' : null,
    goalCount,
  });
  const shares = circleShares(
    [member('a', 2), member('b', 3), member('c')],
    [
      tally('a', 'evidence'),
      tally('a', 'evidence'),
      tally('a', 'opinion'),
      tally('b', 'evidence'),
      tally('b', 'waited', { amount: 40 }),
    ],
    Object.values(lookFors),
  );

  test('shares, goals and who is unheard', () => {
    expect(shares.spoken).toBe(4);
    expect(shares.unheard).toEqual(['c']);
    expect(shares.members.map(({ share, unhelpful, goal }) => [share, unhelpful, goal?.reached])).toEqual([
      [0.75, 1, true],
      [0.25, 0, false],
      [0, 0, undefined],
    ]);
    // 0, 1 and 3 spoken: by hand (2 * (1*0 + 2*1 + 3*3)) / (3 * 4) - 4/3 = 0.5.
    expect(shares.gini).toBeCloseTo(0.5, 9);
  });

  test('one sentence each to give back', () => {
    const [a, b, c] = shares.members.map((share, index) =>
      draftFeedback(['Ada', 'Bram', 'Cai'][index]!, share, lookFors),
    );
    expect(a).toBe(
      'Ada, you spoke 3 times: gave evidence twice; but bare opinion once. Your goal, gave evidence twice, is reached.',
    );
    expect(b).toBe(
      'Bram, you spoke once: gave evidence once. Your goal, gave evidence 3 times, is not reached yet (1 of 3).',
    );
    expect(c).toContain('you listened all through');
  });

  test('seats around the ring; who is dropped on a seat takes it, the others move up', () => {
    expect(seatAt(0, 4)).toEqual({ x: 0.5, y: 0 });
    expect(seatAt(1, 4).x).toBeCloseTo(1, 9);
    const ring = ['a', 'b', 'c', 'd'].map((id, place) => ({ id, place }));
    const moved = (id: string, onto: string) =>
      ring
        .map((seat) => (seat.id === id ? { id, place: placeOnto(ring, id, onto) } : seat))
        .sort((x, y) => x.place - y.place)
        .map((seat) => seat.id)
        .join('');
    expect([moved('d', 'b'), moved('a', 'c'), moved('b', 'a'), moved('a', 'd')]).toEqual([
      'adbc',
      'bcad',
      'bacd',
      'bcda',
    ]);
    const spoken = new Map([
      ['a', 9],
      ['b', 0],
      ['c', 5],
      ['d', 1],
    ]);
    expect(seatInTurn(['a', 'b', 'c', 'd', 'e'], spoken)).toEqual(['a', 'e', 'c', 'b', 'd']);
  });
});

describe('fair turns', () => {
  /** Draws again and again. @returns the students in the order in which they came */
  function drawn(students: number, draws: number, seed: number, heard: (index: number) => number): string[] {
    const counts = new Map(Array.from({ length: students }, (_, index) => [`s${index}`, 0]));
    const order: string[] = [];
    for (let draw = 0; draw < draws; draw += 1) {
      const candidates = [...counts].map(([studentId, times], index) => ({
        studentId,
        heard: heard(index) + times,
        drawn: times,
      }));
      const found = drawTurn(turnChances(candidates, order.at(-1) ?? null), seed * 1000 + draw)!;
      counts.set(found, (counts.get(found) ?? 0) + 1);
      order.push(found);
    }
    return order;
  }

  test('forty draws reach everyone, before anyone comes three times, and nobody twice running', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 2, max: 36 }),
        fc.nat(10_000),
        fc.array(fc.nat(9), { minLength: 36, maxLength: 36 }),
        (students, seed, heard) => {
          const order = drawn(students, 40, seed, (index) => heard[index] ?? 0);
          const third = order.findIndex(
            (id, at) => order.slice(0, at).filter((other) => other === id).length === 2,
          );
          const before = third < 0 ? order : order.slice(0, third);
          expect(new Set(before).size).toBe(students);
          expect(order.some((id, at) => at > 0 && order[at - 1] === id)).toBe(false);
        },
      ),
      { numRuns: 200 },
    );
  });

  test('the least heard come first more often, by the weights that are shown; a draw can be checked', () => {
    const chances = turnChances(
      [0, 1, 3].map((heard, index) => ({ studentId: `s${index}`, heard, drawn: 0 })),
      null,
    );
    expect(chances.map(({ weight }) => weight)).toEqual([1, 1 / 2, 1 / 4]);
    const wins = Array.from({ length: 4000 }, (_, seed) => drawTurn(chances, seed)).filter(
      (id) => id === 's0',
    ).length;
    // 4 in 7, give or take four standard errors.
    expect(Math.abs(wins / 4000 - 4 / 7)).toBeLessThan(4 * Math.sqrt(((4 / 7) * (3 / 7)) / 4000));
    expect(drawTurn(chances, 77)).toBe(drawTurn(chances, 77));
    expect(drawTurn([], 1)).toBeNull();
  });
});
