import { z } from 'zod';
import { furnitureKinds, mostFurniture, mostSeats } from '../people/room/limits';
import { wishKinds } from '../people/room/seating/wish';
import { Id, LocalDate } from './values';

/** A place on the floor: columns from the left, rows from the front of the room, as the teacher faces it. */
const Cell = z.object({ x: z.int().min(0).max(39), y: z.int().min(0).max(39) });
/** In eighths of a full turn. A table looks the same after four of them. */
const turn = z.int().min(0).max(3);
const Seat = Cell.extend({ turn: turn.optional() });
const places = z.array(Cell.extend({ studentId: Id })).max(mostSeats);

const Furniture = Cell.extend({
  id: Id,
  kind: z.enum(furnitureKinds),
  /** Places that it takes from the left to the right, and from the front to the back. */
  wide: z.int().min(1).max(20),
  deep: z.int().min(1).max(20),
  turn,
});

/** Where a class sits. */
export const roomFields = {
  // A way to set up the room, and who sits where in it.
  roomPlan: z.object({
    sectionId: Id,
    name: z.string().trim().min(1, 'A room plan needs a name').max(40, 'At most 40 characters'),
    seats: z.array(Seat).max(mostSeats, 'A room has at most 80 seats'),
    furniture: z.array(Furniture).max(mostFurniture, 'At most 40 things stand in a room').default([]),
    places,
    /** Plans of classes that use one room have the same: what is moved in one moves in all. */
    roomId: Id.nullable().default(null),
  }),
  // How a class sat from a day on, to the next such day; its id is made of both. Kept, for patterns are told by it.
  seating: z.object({ sectionId: Id, roomPlanId: Id, startsOn: LocalDate, places }),
  // What is wished of where somebody of a class sits.
  seatWish: z.object({
    sectionId: Id,
    kind: z.enum(wishKinds),
    studentIds: z.array(Id).max(2),
    /** Where not. */
    seats: z.array(Cell).max(mostSeats),
  }),
} as const;
