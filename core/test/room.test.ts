import fc from 'fast-check';
import { seatWords, type Seat } from '../src/people/room/seat';
import { layoutNames, layoutOf, widthsOf, type LayoutName } from '../src/people/room/layouts';
import {
  allSeated,
  placesOf,
  seated,
  whoSitsAt,
  withSeatChanged,
  type Place,
} from '../src/people/room/placing';
import { countsFrom, neighbours, seatingOn } from '../src/people/room/seatings';
import { tablesOf } from '../src/people/room/tables';
import { seatNames } from '../src/people/room/seatNames';
import { lesson } from './records';

const key = ({ x, y }: Seat) => `${x} ${y}`;
const sizes = fc.integer({ min: 1, max: 60 });
const anyLayout = fc.constantFrom(...layoutNames.filter((layout) => layout !== 'empty'));
const people = (count: number) => Array.from({ length: count }, (_, i) => `p${i}`);
const full = (layout: LayoutName, count: number) =>
  allSeated({ seats: layoutOf(layout, count), places: [] }, people(count));
const student = (id: string, givenName: string, familyName: string, called = '') => ({
  id,
  givenName,
  familyName,
  called,
});

test('every layout has a seat of its own for each, in reading order from the front', () => {
  fc.assert(
    fc.property(anyLayout, fc.integer({ min: 1, max: 80 }), fc.nat(40), (layout, count, across) => {
      const seats = layoutOf(layout, count, across === 0 ? undefined : across);
      expect(new Set(seats.map(key)).size).toBe(count);
      expect(seats).toEqual(seats.toSorted((a, b) => a.y - b.y || a.x - b.x));
      for (const { x, y } of seats) expect([x >= 1, y >= 1, x <= 39, y <= 39]).not.toContain(false);
    }),
  );
});

test.each<[LayoutName, number, number, number[]]>([
  // From the front: how many seats stand in each row.
  ['horseshoe', 30, 8, [...Array<number>(11).fill(2), 8]],
  ['horseshoe', 9, 4, [1, 2, 2, 4]],
  ['circle', 12, 5, [3, 2, 2, 2, 3]],
  ['circle', 30, 9, [5, 2, 2, 2, 2, 2, 2, 2, 2, 2, 2, 5]],
  ['sixes', 12, 2, [6, 6]],
  ['benches', 10, 5, [5, 5]],
  ['empty', 30, 1, []],
])('%s for %d, %d wide', (layout, count, across, expected) => {
  const seats = layoutOf(layout, count, across);
  const rows = [...new Set(seats.map(({ y }) => y))].map((row) => seats.filter(({ y }) => y === row).length);
  expect(rows).toEqual(expected);
  const { least, usual, most } = widthsOf(layout, count);
  expect([least <= usual, usual <= most]).toEqual([true, true]);
});

// By hand: how many have none, one and two beside, in front of or behind them.
test.each<[LayoutName, number, number[]]>([
  ['rows', 24, [24, 0, 0]],
  ['pairs', 24, [0, 24, 0]],
  ['pairs', 25, [1, 24, 0]],
  ['fours', 24, [0, 0, 24]],
  ['fours', 26, [0, 2, 24]],
  // Benches of four: two ends each. Of six for more than sixteen.
  ['benches', 12, [0, 6, 6]],
  ['benches', 24, [0, 8, 16]],
  // Two tables of six and of its last the half that is full: corners have two, middles three.
  ['sixes', 12, [0, 0, 8]],
  ['horseshoe', 30, [0, 2, 28]],
  // All round: everybody has one on either side, also across the cut corners.
  ['circle', 30, [0, 0, 30]],
])('at %s, %d students have their neighbours', (layout, count, expected) => {
  const found = [...neighbours(full(layout, count)).values()].map(({ length }) => length);
  expect([0, 1, 2].map((many) => found.filter((length) => length === many).length)).toEqual(expected);
});

test.each<[LayoutName, number, number]>([
  ['rows', 24, 0],
  ['pairs', 24, 12],
  // The last one sits alone.
  ['pairs', 25, 12],
  ['fours', 24, 6],
  // Of the seventh table one seat is missing: it is no rectangle.
  ['fours', 27, 6],
  ['benches', 24, 4],
])('%s for %d are %d tables to draw', (layout, count, expected) => {
  const tables = tablesOf(layoutOf(layout, count));
  expect(tables).toHaveLength(expected);
  if (layout === 'pairs')
    for (const { from, to } of tables) expect([to.x - from.x, to.y - from.y]).toEqual([1, 0]);
});

test('neighbours are so to each other', () => {
  fc.assert(
    fc.property(anyLayout, sizes, (layout, count) => {
      const found = neighbours(full(layout, count));
      for (const [id, others] of found) for (const other of others) expect(found.get(other)).toContain(id);
    }),
  );
});

test('moving students loses nobody, seats nobody twice and fills no seat twice', () => {
  const moves = fc.array(fc.tuple(fc.nat(29), fc.option(fc.nat(29))), { maxLength: 30 });
  fc.assert(
    fc.property(moves, (all) => {
      const seats = layoutOf('pairs', 30);
      let places: Place[] = full('pairs', 30);
      let off = 0;
      for (const [who, where] of all) {
        const id = `p${who}`;
        const before = places;
        const seat = where === null ? null : (seats[where] ?? null);
        const sat = seat && whoSitsAt(before, seat);
        const wasSeated = before.some(({ studentId }) => studentId === id);
        places = seated(before, id, seat);
        if (seat) expect(whoSitsAt(places, seat)).toBe(id);
        if (seat === null && wasSeated) off += 1;
        if (seat !== null && !wasSeated && sat === undefined) off -= 1;
        expect(places).toHaveLength(30 - off);
        expect(new Set(places.map(key)).size).toBe(places.length);
        expect(new Set(places.map(({ studentId }) => studentId)).size).toBe(places.length);
      }
    }),
  );
});

test('two who change places sit where the other sat; whoever comes from no seat leaves the other without', () => {
  const places = [
    { studentId: 'a', x: 1, y: 1 },
    { studentId: 'b', x: 2, y: 1 },
  ];
  expect(seated(places, 'a', { x: 2, y: 1 })).toEqual([
    { studentId: 'b', x: 1, y: 1 },
    { studentId: 'a', x: 2, y: 1 },
  ]);
  expect(seated(places, 'c', { x: 2, y: 1 }).map(({ studentId }) => studentId)).toEqual(['a', 'c']);
  expect(seated(places, 'b', null)).toEqual([places[0]]);
});

test('everybody is seated from the front as far as there are seats, and nobody is moved for it', () => {
  fc.assert(
    fc.property(sizes, sizes, (count, room) => {
      const seats = layoutOf('fours', room);
      const before = [{ studentId: 'p0', ...(seats.at(-1) ?? { x: 0, y: 0 }) }];
      const places = allSeated({ seats, places: before }, people(count));
      expect(places[0]).toEqual(before[0]);
      expect(places).toHaveLength(Math.min(count, room));
    }),
  );
});

test('a seat put and taken away again leaves the plan as it was; with a seat goes who sat on it', () => {
  const plan = { seats: layoutOf('rows', 4), places: full('rows', 4) };
  const more = withSeatChanged(plan, { x: 3, y: 3 });
  expect(more.seats).toHaveLength(5);
  expect(withSeatChanged(more, { x: 3, y: 3 })).toEqual(plan);
  const less = withSeatChanged(plan, plan.seats[1] ?? { x: 0, y: 0 });
  expect(less.places.map(({ studentId }) => studentId)).toEqual(['p0', 'p2', 'p3']);
  expect(placesOf({ ...plan, seats: less.seats }, new Set(['p0', 'p1', 'p3']))).toHaveLength(2);
});

test.each([
  ['2026-09-01', undefined],
  ['2026-09-14', 'first'],
  ['2026-10-30', 'first'],
  ['2026-11-01', 'second'],
  ['2027-01-01', 'third'],
])('on %s the class sits by the seating that had begun last: %s', (date, id) => {
  const seating = (name: string, startsOn: string) => ({ id: name, startsOn, places: [] });
  const seatings = [
    seating('second', '2026-11-01'),
    seating('third', '2026-12-05'),
    seating('first', '2026-09-14'),
  ];
  expect(seatingOn(seatings, date)?.id).toBe(id);
});

// A lesson of the class today from 10:40 to 11:30, where there is one.
test.each([
  ['before it', '09:00', [lesson()], '2026-11-23'],
  ['in it', '11:00', [lesson()], '2026-11-23'],
  ['after it', '11:30', [lesson()], '2026-11-24'],
  [
    'after it, with another to come',
    '12:00',
    [lesson(), lesson({ id: 'l2', startsAt: '14:00', endsAt: '14:50' })],
    '2026-11-23',
  ],
  ['after one that is set aside', '12:00', [lesson({ setAside: true })], '2026-11-23'],
  ['on a day without', '12:00', [lesson({ date: '2026-11-20' })], '2026-11-23'],
])('seated %s it counts from the right day', (_when, time, lessons, from) => {
  expect(countsFrom(lessons, { date: '2026-11-23', time }, '2026-11-24')).toBe(from);
});

test('a seat has its place in words, and one word for who sits on it', () => {
  const seats = layoutOf('pairs', 8);
  expect(seats.map((seat) => seatWords(seats, seat)).slice(3, 5)).toEqual(['row 1, seat 4', 'row 2, seat 1']);
  const names = seatNames([
    student('a', 'Mei', 'Tanaka'),
    student('b', 'Mei', 'Thorsen'),
    student('c', 'Aleksandra', 'Wolny', 'Sasha'),
    student('d', 'Jun', ''),
  ]);
  expect(Object.fromEntries(names)).toEqual({ a: 'Mei Ta.', b: 'Mei Th.', c: 'Sasha', d: 'Jun' });
});
