import fc from 'fast-check';
import type { Furniture } from '../src/people/room/furniture';
import type { Seat } from '../src/people/room/seat';
import { layoutOf } from '../src/people/room/layouts';
import {
  isFree,
  moved,
  placesAfter,
  removed,
  tableAt,
  turned,
  type Chosen,
  type Room,
} from '../src/people/room/pieces';
import { allSeated } from '../src/people/room/placing';

const door: Furniture = { id: 'door', kind: 'door', x: 9, y: 20, wide: 1, deep: 2, turn: 0 };
const people = Array.from({ length: 12 }, (_, at) => `p${at}`);

function roomOf(seats: readonly Seat[]): Room {
  return { seats, furniture: [door], places: allSeated({ seats, places: [] }, people) };
}
const rows = (seats: readonly Seat[]) =>
  seats
    .map(
      ({ x, y }) =>
        `${x - Math.min(...seats.map((one) => one.x))} ${y - Math.min(...seats.map((one) => one.y))}`,
    )
    .sort();

test('a table of four by an eighth is a diamond round its middle, by two a square again', () => {
  const seats = layoutOf('fours', 4);
  const chosen = { seats, furniture: [] };
  const once = turned(roomOf(seats), chosen) as Room;
  expect(rows(once.seats)).toEqual(['0 1', '1 0', '1 2', '2 1']);
  expect(once.seats.map(({ turn }) => turn)).toEqual([1, 1, 1, 1]);
  const twice = turned(once, { seats: once.seats, furniture: [] }) as Room;
  expect(rows(twice.seats)).toEqual(['0 0', '0 1', '1 0', '1 1']);
});

test('a bench stands aslant, then across; a door is as deep as it was wide after a quarter', () => {
  const bench = layoutOf('benches', 4, 4);
  const room = roomOf(bench);
  const once = turned(room, { seats: bench, furniture: ['door'] }) as Room;
  expect(rows(once.seats)).toEqual(['0 3', '1 2', '2 1', '3 0']);
  expect(once.furniture[0]).toMatchObject({ wide: 1, deep: 2, turn: 1 });
  const twice = turned(once, { seats: once.seats, furniture: ['door'] }) as Room;
  expect(rows(twice.seats)).toEqual(['0 0', '0 1', '0 2', '0 3']);
  expect(twice.furniture[0]).toMatchObject({ wide: 2, deep: 1, turn: 2 });
});

test('what stands in the way stops a move, and so does the end of the floor', () => {
  const seats = layoutOf('pairs', 4, 2);
  const room = roomOf(seats);
  const first = { seats: seats.slice(0, 2), furniture: [] };
  expect(moved(room, first, 3, 0)).toBeNull();
  expect(moved(room, first, -11, 0)).toBeNull();
  expect(moved(room, { seats: [], furniture: ['door'] }, 1, -10)).toBeNull();
  const next = moved(room, first, 0, 1) as Room;
  expect(next.places.find(({ studentId }) => studentId === 'p0')).toEqual({ studentId: 'p0', x: 10, y: 11 });
});

const steps = fc.array(
  fc.record({
    act: fc.constantFrom('move', 'turn', 'remove'),
    which: fc.array(fc.nat(11), { minLength: 1, maxLength: 6 }),
    dx: fc.integer({ min: -3, max: 3 }),
    dy: fc.integer({ min: -3, max: 3 }),
    door: fc.boolean(),
  }),
  { maxLength: 15 },
);

test('moved and turned by anything: nothing on top of another, nobody lost, everybody on a seat of their own', () => {
  fc.assert(
    fc.property(
      steps,
      fc.constantFrom('pairs' as const, 'fours' as const, 'horseshoe' as const),
      (all, layout) => {
        let room = roomOf(layoutOf(layout, 12));
        for (const { act, which, dx, dy, door: withDoor } of all) {
          const seats = which.flatMap((at) => room.seats[at] ?? []);
          const chosen: Chosen = { seats, furniture: withDoor ? ['door'] : [] };
          const before = room;
          const next =
            act === 'move'
              ? moved(room, chosen, dx, dy)
              : act === 'turn'
                ? turned(room, chosen)
                : removed(room, chosen);
          room = next ?? room;
          expect(isFree(room)).toBe(true);
          if (act !== 'remove') {
            expect(room.places.map(({ studentId }) => studentId)).toEqual(
              before.places.map(({ studentId }) => studentId),
            );
            // Another class in the same room keeps its own students on the same seats.
            expect(placesAfter(before.seats, room.seats, before.places)).toEqual(room.places);
          }
          for (const place of room.places)
            expect(room.seats.filter(({ x, y }) => x === place.x && y === place.y)).toHaveLength(1);
        }
      },
    ),
  );
});

test('a seat that comes near joins a table, one that goes leaves it', () => {
  const seats = layoutOf('pairs', 4, 2);
  const at = (room: Room, seat: Seat) => tableAt(room.seats, seat).length;
  const [first, second] = seats as [Seat, Seat];
  expect(at(roomOf(seats), first)).toBe(2);
  const joined = moved(roomOf(seats), { seats: [first, second], furniture: [] }, 1, 0) as Room;
  expect(at(joined, { x: 11, y: 10 })).toBe(4);
  const apart = moved(joined, { seats: [{ x: 11, y: 10 }], furniture: [] }, 0, 2) as Room;
  expect([at(apart, { x: 11, y: 12 }), at(apart, { x: 12, y: 10 })]).toEqual([1, 3]);
});
