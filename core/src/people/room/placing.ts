import { inReadingOrder, isSame, type Seat } from './seat';

/** Who sits where. */
export interface Place extends Seat {
  studentId: string;
}

/** Seats, and who sits on them. */
export interface Plan {
  seats: readonly Seat[];
  places: readonly Place[];
}

export const whoSitsAt = (places: readonly Place[], seat: Seat) =>
  places.find((place) => isSame(place, seat))?.studentId;

/**
 * Puts a student on a seat. Whoever sat there goes where the student came from; from no seat, to none.
 * @param seat null takes the student off the plan @returns who sits where then
 */
export function seated(places: readonly Place[], studentId: string, seat: Seat | null): Place[] {
  const from = places.find((place) => place.studentId === studentId);
  const rest = places.filter((place) => place.studentId !== studentId);
  if (seat === null) return rest;
  const others = rest.flatMap((place): Place[] => {
    if (!isSame(place, seat)) return [place];
    return from ? [{ ...place, x: from.x, y: from.y }] : [];
  });
  return [...others, { studentId, x: seat.x, y: seat.y }];
}

/** Puts those who have no seat on the free ones, from the front; who finds none has none. @param studentIds in order */
export function allSeated({ seats, places }: Plan, studentIds: readonly string[]): Place[] {
  const placed = new Set(places.map(({ studentId }) => studentId));
  const waiting = studentIds.filter((id) => !placed.has(id));
  const free = inReadingOrder(seats).filter((seat) => whoSitsAt(places, seat) === undefined);
  return [
    ...places,
    ...free.flatMap(({ x, y }, index): Place[] => {
      const studentId = waiting[index];
      return studentId === undefined ? [] : [{ studentId, x, y }];
    }),
  ];
}

/** A seat more, or one less with whoever sat on it. */
export function withSeatChanged({ seats, places }: Plan, seat: Seat): { seats: Seat[]; places: Place[] } {
  const isThere = seats.some((one) => isSame(one, seat));
  return isThere
    ? {
        seats: seats.filter((one) => !isSame(one, seat)),
        places: places.filter((place) => !isSame(place, seat)),
      }
    : { seats: inReadingOrder([...seats, { x: seat.x, y: seat.y }]), places: [...places] };
}

/** Only those who are in the class and whose seat is there. */
export function placesOf({ seats, places }: Plan, inClass: ReadonlySet<string>): Place[] {
  return places.filter((place) => inClass.has(place.studentId) && seats.some((seat) => isSame(seat, place)));
}
