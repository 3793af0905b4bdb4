/** Columns from the left and rows from the front of the room, as the teacher faces it. */
export interface Seat {
  x: number;
  y: number;
}

/** From the front, each row from the left. */
export function inReadingOrder<S extends Seat>(seats: readonly S[]): S[] {
  return seats.toSorted((a, b) => a.y - b.y || a.x - b.x);
}

/** Where a seat is, as one says it: rows from the front, seats in it from the left. */
export function seatWords(seats: readonly Seat[], { x, y }: Seat): string {
  const rows = [...new Set(seats.map((seat) => seat.y))].sort((a, b) => a - b);
  const before = seats.filter((seat) => seat.y === y && seat.x < x).length;
  return `row ${rows.indexOf(y) + 1}, seat ${before + 1}`;
}

export const isSame = (a: Seat, b: Seat) => a.x === b.x && a.y === b.y;
