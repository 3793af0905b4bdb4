import type { Seat } from './seat';
import type { FurnitureKind } from './limits';

/** Something that stands in the room and is no seat. */
export interface Furniture extends Seat {
  id: string;
  kind: FurnitureKind;
  /** Places that it takes from the left to the right, and from the front to the back. */
  wide: number;
  deep: number;
  /** In eighths of a full turn, 0 to 3: what is turned by half looks as before. */
  turn: number;
}

/** A seat with its table; `turn` as that of furniture, 0 where it is not said. */
export interface TurnedSeat extends Seat {
  turn?: number | undefined;
}

/** The places that a piece of furniture takes; one that stands aslant takes those of its box. */
export function cellsOf({ x, y, wide, deep }: Furniture): Seat[] {
  return Array.from({ length: wide * deep }, (_, at) => ({
    x: x + (at % wide),
    y: y + Math.floor(at / wide),
  }));
}
