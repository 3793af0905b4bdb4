import fc from 'fast-check';
import { draftFeedback } from '../src/observation/circle/feedback';
import { evennessWords, gini } from '../src/observation/circle/gini';
import { placeOnto, seatInTurn, seatsOn } from '../src/observation/circle/seating';
import { circleShares } from '../src/observation/circle/shares';
import { drawTurn, turnChances } from '../src/observation/turns/fairTurns';
import { timesHeard } from '../src/observation/turns/heard';
import { lookFor, tally } from './records';

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
    expect(evennessWords([2, 2, 3])).toBe('Shared evenly.');
    expect(evennessWords([0, 0, 0, 9])).toBe('Nearly one voice.');
  });
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
    const [top, right, bottom] = seatsOn(4);
    expect(top).toEqual({ x: 0.5, y: 0 });
    expect([right?.x, right?.y, bottom?.y]).toEqual(
      [1, 0.5, 1].map((near) => expect.closeTo(near, 2) as number),
    );
    const flat = seatsOn(12, 0.5);
    const gaps = flat.map((seat, index) => {
      const next = flat[(index + 1) % 12]!;
      return Math.hypot(next.x - seat.x, (next.y - seat.y) / 2);
    });
    expect(Math.max(...gaps) / Math.min(...gaps)).toBeLessThan(1.1);
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
  test('heard is what is wanted and counted or ticked, and turns spoken; neither time nor what is unwanted', () => {
    const lookFors = {
      asked: { tone: 'wanted', measure: 'count' },
      ready: { tone: 'wanted', measure: 'tick' },
      led: { tone: 'wanted', measure: 'seconds' },
      called: { tone: 'unwanted', measure: 'count' },
    } as const;
    const count = (studentId: string | null, lookForId: string, amount: number) => ({
      studentId,
      lookForId,
      amount,
    });
    const counts = [
      count('mei', 'asked', 3),
      count('mei', 'ready', 1),
      count('mei', 'called', 4),
      count('jun', 'led', 90),
      count(null, 'asked', 5),
      count('oda', 'no longer known', 2),
    ];
    const heard = timesHeard(counts, lookFors, [{ studentId: 'jun' }, { studentId: 'mei' }]);
    expect([...heard]).toEqual([
      ['mei', 5],
      ['jun', 1],
    ]);
  });

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
