import { cellsOf, type Furniture, type TurnedSeat } from './furniture';
import { isSame, type Seat } from './seat';
import { lastCell } from './layouts';
import type { Place } from './placing';

/** Everything that stands in a room, and who sits there. */
export interface Room {
  seats: readonly TurnedSeat[];
  furniture: readonly Furniture[];
  places: readonly Place[];
}

/** What is in hand: furniture by its id, seats by their place. */
export interface Chosen {
  seats: readonly Seat[];
  furniture: readonly string[];
}

const has = (seats: readonly Seat[], seat: Seat) => seats.some((one) => isSame(one, seat));

const isOnFloor = ({ x, y }: Seat) => x >= 0 && y >= 0 && x <= lastCell && y <= lastCell;

/** What stands at a place. */
export function whatStandsAt(
  { seats, furniture }: Pick<Room, 'seats' | 'furniture'>,
  cell: Seat,
): Furniture | TurnedSeat | null {
  return (
    seats.find((seat) => isSame(seat, cell)) ??
    furniture.find((piece) => cellsOf(piece).some((one) => isSame(one, cell))) ??
    null
  );
}

/** Whether nothing stands where something else does, and all on the floor. */
export function isFree({ seats, furniture }: Pick<Room, 'seats' | 'furniture'>): boolean {
  const cells = [...seats, ...furniture.flatMap(cellsOf)];
  const taken = new Set(cells.map(({ x, y }) => `${x} ${y}`));
  return taken.size === cells.length && cells.every(isOnFloor);
}

/** Where each seat in hand goes, with whoever sits on it; the same seats in the same order. */
function withSeats(room: Room, from: readonly TurnedSeat[], to: readonly TurnedSeat[]): Room {
  const next = (seat: Seat) => to[from.findIndex((one) => isSame(one, seat))];
  return {
    ...room,
    seats: room.seats.map((seat) => next(seat) ?? seat),
    places: room.places.map((place) => {
      const moved = next(place);
      return moved ? { studentId: place.studentId, x: moved.x, y: moved.y } : place;
    }),
  };
}

/** @returns the room with what is in hand moved; null where something stands in the way, or the floor ends */
export function moved(room: Room, chosen: Chosen, dx: number, dy: number): Room | null {
  const from = room.seats.filter((seat) => has(chosen.seats, seat));
  const to = from.map((seat) => ({ ...seat, x: seat.x + dx, y: seat.y + dy }));
  const furniture = room.furniture.map((piece) =>
    chosen.furniture.includes(piece.id) ? { ...piece, x: piece.x + dx, y: piece.y + dy } : piece,
  );
  const next = { ...withSeats(room, from, to), furniture };
  return isFree(next) ? next : null;
}

const distance = (a: Seat, b: Seat) => (a.x - b.x) ** 2 + (a.y - b.y) ** 2;

/** Whether seats stand aslant: the nearest of them lie corner to corner, and turning leads back onto the rows. */
function isAslant(seats: readonly Seat[]): boolean {
  const pairs = seats.flatMap((a, at) => seats.slice(at + 1).map((b) => ({ a, b, far: distance(a, b) })));
  const nearest = pairs.sort((one, other) => one.far - other.far)[0];
  if (!nearest) return false;
  const sameColour = seats.every(({ x, y }) => (x + y - nearest.a.x - nearest.a.y) % 2 === 0);
  return sameColour && Math.abs(nearest.a.x - nearest.b.x) === Math.abs(nearest.a.y - nearest.b.y);
}

/**
 * Seats by an eighth of a turn to the right round their middle. On a floor of places an eighth turn makes what stands
 * straight wider by the root of two, and what stands aslant narrower again, so that eight of them lead back.
 */
function turnedSeats(seats: readonly TurnedSeat[]): TurnedSeat[] {
  const [first] = seats;
  if (!first) return [];
  const by = isAslant(seats) ? 0.5 : 1;
  // Seen from the front with the back row above, the right turn takes what is behind to the right.
  const turned = seats.map(({ x, y, turn = 0 }) => {
    const [dx, dy] = [x - first.x, y - first.y];
    return { x: (dx + dy) * by, y: (dy - dx) * by, turn: (turn + 1) % 4 };
  });
  const middle = (of: readonly Seat[], axis: 'x' | 'y') =>
    of.reduce((sum, one) => sum + one[axis], 0) / of.length;
  const shift = (axis: 'x' | 'y') => Math.round(middle(seats, axis) - middle(turned, axis));
  const [dx, dy] = [shift('x'), shift('y')];
  return turned.map(({ x, y, turn }) => ({ x: x + dx, y: y + dy, turn }));
}

/** Every quarter turn what is wide becomes deep, round its middle. */
function turnedFurniture(piece: Furniture): Furniture {
  const turn = (piece.turn + 1) % 4;
  if (turn % 2 === 1) return { ...piece, turn };
  const { x, y, wide, deep } = piece;
  return {
    ...piece,
    turn,
    wide: deep,
    deep: wide,
    x: Math.max(0, x + Math.trunc((wide - deep) / 2)),
    y: Math.max(0, y + Math.trunc((deep - wide) / 2)),
  };
}

/**
 * What is in hand by an eighth of a turn: the seats as one, each piece of furniture for itself.
 * @returns null where something stands in the way
 */
export function turned(room: Room, chosen: Chosen): Room | null {
  const from = room.seats.filter((seat) => has(chosen.seats, seat));
  const furniture = room.furniture.map((piece) =>
    chosen.furniture.includes(piece.id) ? turnedFurniture(piece) : piece,
  );
  const next = { ...withSeats(room, from, turnedSeats(from)), furniture };
  return isFree(next) ? next : null;
}

/** Without what is in hand; who sat there has no seat. */
export function removed(room: Room, chosen: Chosen): Room {
  return {
    seats: room.seats.filter((seat) => !has(chosen.seats, seat)),
    furniture: room.furniture.filter(({ id }) => !chosen.furniture.includes(id)),
    places: room.places.filter((place) => !has(chosen.seats, place)),
  };
}

/** All seats that stand together with one: its table. */
export function tableAt(seats: readonly Seat[], start: Seat): Seat[] {
  const found = [start];
  for (const { x, y } of found)
    found.push(
      ...seats.filter(
        (seat) => Math.max(Math.abs(seat.x - x), Math.abs(seat.y - y)) === 1 && !has(found, seat),
      ),
    );
  return found;
}

/**
 * Who sits where after seats were moved, put or taken away: whoever sat on a seat that was moved goes along.
 * @param before seats, and `after` the same in the same order where as many are left
 */
export function placesAfter(
  before: readonly Seat[],
  after: readonly Seat[],
  places: readonly Place[],
): Place[] {
  if (before.length !== after.length) return places.filter((place) => has(after, place));
  return places.flatMap(({ studentId, ...place }) => {
    const to = after[before.findIndex((seat) => isSame(seat, place))];
    return to ? [{ studentId, x: to.x, y: to.y }] : [];
  });
}
