import fc from 'fast-check';
import { isSame, type Seat } from '../src/people/room/seat';
import { layoutNames, layoutOf } from '../src/people/room/layouts';
import { keep } from '../src/people/room/seating/conflict';
import { fillRoom, type FillRequest } from '../src/people/room/seating/fill';
import { inThirds, means } from '../src/people/room/seating/groups';
import { holds } from '../src/people/room/seating/holds';
import { relationsOf } from '../src/people/room/seating/relations';
import type { Wish, WishKind } from '../src/people/room/seating/wish';
import { filledWords, mixedWords, wishWords } from '../src/people/room/seating/wishWords';
import { feasibleCase } from './seatingCases';

const people = (count: number) => Array.from({ length: count }, (_, at) => `p${at}`);
const wish = (id: string, kind: WishKind, studentIds: string[], seats: Seat[] = []): Wish => ({
  ...{ id, kind, studentIds, seats },
});
const request = (seats: Seat[], wishes: Wish[], more: Partial<FillRequest> = {}): FillRequest => ({
  ...{ seats, wishes, staying: [], students: people(seats.length), order: 'name', groups: {}, seed: 1 },
  ...more,
});

/** Which wishes a seating keeps, by another way than the search: from the places that came out. */
function keptBy({ seats, wishes }: FillRequest, places: readonly (Seat & { studentId: string })[]): string[] {
  const seatOf = new Map(
    places.map((place) => [place.studentId, seats.findIndex((seat) => isSame(seat, place))]),
  );
  const relations = relationsOf(seats);
  return wishes.filter((one) => holds(one, seats, relations, seatOf)).map(({ id }) => id);
}

test('of 500 cases that can be kept all wishes are, and everybody has a seat of their own', () => {
  for (let number = 0; number < 500; number += 1) {
    const asked = feasibleCase(number);
    const filled = fillRoom(asked);
    expect([number, filled.given, filled.conflict]).toEqual([number, [], []]);
    expect(keptBy(asked, filled.places)).toEqual(asked.wishes.map(({ id }) => id));
    expect(new Set(filled.places.map(({ studentId }) => studentId)).size).toBe(30);
    expect(new Set(filled.places.map(({ x, y }) => `${x} ${y}`)).size).toBe(30);
  }
});

// By hand: which wishes stand in each other's way, and how many have to be given up.
test.each<[string, Seat[], Wish[], string[], number]>([
  [
    'nobody has two neighbours at a pair',
    layoutOf('pairs', 8),
    [wish('a', 'together', ['p0', 'p1']), wish('b', 'together', ['p1', 'p2']), wish('c', 'front', ['p5'])],
    ['a', 'b'],
    1,
  ],
  [
    'both ways at once',
    layoutOf('benches', 12),
    [wish('a', 'apart', ['p0', 'p1']), wish('b', 'together', ['p1', 'p0']), wish('c', 'apart', ['p2', 'p3'])],
    ['a', 'b'],
    1,
  ],
  // Three rows of four single tables: the first is the front.
  [
    'five on four seats',
    layoutOf('rows', 12, 4),
    people(5).map((id) => wish(id, 'front', [id])),
    people(5),
    1,
  ],
  [
    'no seat at all',
    layoutOf('pairs', 4),
    [wish('a', 'notThere', ['p0'], layoutOf('pairs', 4)), wish('b', 'front', ['p1'])],
    ['a'],
    1,
  ],
  // A bench of four has one seat only that is far enough from an end.
  [
    'two who are far from a third',
    layoutOf('benches', 4, 4),
    [wish('a', 'together', ['p0', 'p1']), wish('b', 'apart', ['p0', 'p2']), wish('c', 'apart', ['p1', 'p2'])],
    ['b', 'c'],
    1,
  ],
])('%s', (_, seats, wishes, conflict, given) => {
  const filled = fillRoom(request(seats, wishes));
  expect([filled.conflict.toSorted(), filled.given.length, filled.isSmallest]).toEqual([
    conflict,
    given,
    true,
  ]);
  expect(keptBy(request(seats, wishes), filled.places).sort()).toEqual(filled.kept.toSorted());
});

test('against every way to seat five: as many wishes as can be, and the smallest conflict', () => {
  const seats = layoutOf('pairs', 5, 2);
  const relations = relationsOf(seats);
  const orders = (left: number[]): number[][] =>
    left.length === 0
      ? [[]]
      : left.flatMap((at) => orders(left.filter((one) => one !== at)).map((rest) => [at, ...rest]));
  const all = orders([0, 1, 2, 3, 4]).map(
    (order) => new Map(people(5).map((id, at) => [id, order[at] ?? 0])),
  );
  const one = fc.record({
    kind: fc.constantFrom<WishKind>('apart', 'together', 'front', 'notThere'),
    a: fc.nat(4),
    step: fc.integer({ min: 1, max: 4 }),
    not: fc.subarray([...seats]),
  });
  fc.assert(
    fc.property(fc.array(one, { minLength: 1, maxLength: 6 }), (drawn) => {
      const wishes = drawn.map(({ kind, a, step, not }, at) =>
        wish(
          `w${at}`,
          kind,
          kind === 'apart' || kind === 'together' ? [`p${a}`, `p${(a + step) % 5}`] : [`p${a}`],
          kind === 'notThere' ? not : [],
        ),
      );
      const keptIn = all.map((seatOf) =>
        wishes.filter((w) => holds(w, seats, relations, seatOf)).map(({ id }) => id),
      );
      const most = Math.max(...keptIn.map(({ length }) => length));
      const filled = fillRoom(request(seats, wishes));
      expect(filled.kept).toHaveLength(most);
      const canAll = (ids: readonly string[]) => keptIn.some((kept) => ids.every((id) => kept.includes(id)));
      const subsets = wishes.reduce<string[][]>(
        (sets, { id }) => [...sets, ...sets.map((set) => [...set, id])],
        [[]],
      );
      const smallest = Math.min(...subsets.filter((ids) => !canAll(ids)).map(({ length }) => length));
      if (most === wishes.length) expect(filled.conflict).toEqual([]);
      else {
        expect(canAll(filled.conflict)).toBe(false);
        expect(filled.conflict).toHaveLength(smallest);
      }
    }),
    { numRuns: 150 },
  );
});

test('a search that is given up claims no conflict', () => {
  const outcome = keep([wish('a', 'front', ['p0'])], (some) => (some.length === 0 ? new Map() : 'unknown'));
  expect([outcome.kept, outcome.conflict, outcome.isSmallest]).toEqual([[], [], false]);
  // Two that cannot both be kept, and a third of which it is not known: no smaller set is claimed.
  const [a, b, c] = ['a', 'b', 'c'].map((id) => wish(id, 'front', [id])) as [Wish, Wish, Wish];
  const unsure = keep([a, b, c], (some) => {
    if (some.includes(a) && some.includes(b)) return 'none';
    return some.includes(c) && some.length > 1 ? 'unknown' : new Map();
  });
  expect([unsure.conflict.length > 0, unsure.isSmallest]).toEqual([true, false]);
});

test('who stays is not moved; by name the others follow from the front; who left or came is no matter', () => {
  const seats = layoutOf('pairs', 6, 3);
  const staying = [
    { studentId: 'p3', ...(seats[0] as Seat) },
    { studentId: 'gone', ...(seats[1] as Seat) },
  ];
  const { places } = fillRoom(request(seats, [wish('a', 'apart', ['p0', 'gone'])], { staying }));
  const inOrder = seats.map((seat) => places.find((place) => isSame(place, seat))?.studentId);
  expect(inOrder).toEqual(['p3', 'p0', 'p1', 'p2', 'p4', 'p5']);
  const few = fillRoom(request(seats.slice(0, 2), [wish('f', 'front', ['p5'])], { students: people(6) }));
  expect(few.places.map(({ studentId }) => studentId)).toContain('p5');
  expect(few.places).toHaveLength(2);
});

test('mixed: no two of a cohort side by side where that can be, and no wish is broken for it', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 1, max: 1000 }),
      fc.constantFrom(...layoutNames.slice(1, 5)),
      (seed, layout) => {
        const seats = layoutOf(layout, 24);
        const groups = Object.fromEntries(people(24).map((id, at) => [id, at % 2 === 0 ? 'A' : 'B']));
        const wishes = [wish('a', 'together', ['p0', 'p2']), wish('b', 'front', ['p9'])];
        const filled = fillRoom(request(seats, wishes, { order: 'mixed', groups, seed }));
        expect(keptBy(request(seats, wishes), filled.places)).toEqual(['a', 'b']);
        const random = fillRoom(request(seats, wishes, { order: 'random', groups, seed }));
        expect(filled.alike).toBeLessThanOrEqual(random.alike);
        // The two of A that are wished together leave two of B.
        if (layout === 'pairs') expect(filled.alike).toBe(2);
      },
    ),
    { numRuns: 30 },
  );
});

test('thirds of one size by the mean of what is known', () => {
  const found = inThirds(
    means([
      ['a', 1],
      ['a', 3],
      ['b', 0],
      ['c', 9],
      ['d', 5],
      ['e', 4],
      ['f', 7],
    ]),
  );
  expect(found).toEqual({ b: 'low', a: 'low', e: 'middle', d: 'middle', f: 'high', c: 'high' });
});

test('what came of it is said in words', () => {
  const words = (id: string) => ({ a: 'Ana and Bo apart', b: 'Ana and Bo beside each other' })[id] ?? '';
  const none = { places: [], alike: 0 };
  expect(filledWords({ ...none, kept: ['a', 'b'], given: [], conflict: [], isSmallest: true }, words)).toBe(
    'All 2 wishes are kept.',
  );
  expect(
    filledWords({ ...none, kept: ['a'], given: ['b'], conflict: ['a', 'b'], isSmallest: true }, words),
  ).toBe(
    '1 of 2 wishes kept, not: Ana and Bo beside each other. These 2 cannot all be kept: Ana and Bo apart; Ana and Bo beside each other.',
  );
  expect(wishWords('notThere', ['Ana'], 3)).toBe('Ana not on 3 seats');
  expect([mixedWords(0, 0), mixedWords(0, 9), mixedWords(1, 9), mixedWords(2, 9)]).toEqual([
    'Nothing is known to mix by: everybody sits by chance.',
    'Nobody sits beside somebody of their group.',
    '1 pair of one group sits side by side.',
    '2 pairs of one group sit side by side.',
  ]);
});
