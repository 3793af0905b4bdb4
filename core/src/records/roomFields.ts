import { z } from 'zod';
import { Id, LocalDate } from './values';

/** A seat's place on the floor: columns from the left, rows from the front of the room, as the teacher faces it. */
const Seat = z.object({ x: z.int().min(0).max(39), y: z.int().min(0).max(39) });
const places = z.array(Seat.extend({ studentId: Id })).max(80);

/** Where a class sits. */
export const roomFields = {
  // A way to set up the room, and who sits where in it.
  roomPlan: z.object({
    sectionId: Id,
    name: z.string().trim().min(1, 'A room plan needs a name').max(40, 'At most 40 characters'),
    seats: z.array(Seat).min(1, 'There is no seat in it').max(80, 'A room has at most 80 seats'),
    places,
  }),
  // How a class sat from a day on, to the next such day; its id is made of both. Kept, for patterns are told by it.
  seating: z.object({ sectionId: Id, roomPlanId: Id, startsOn: LocalDate, places }),
} as const;
