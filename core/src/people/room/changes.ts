import { z } from 'zod';
import { changeKind } from '../../changes/kind';
import { Id, LocalDate, recordFields } from '../../records/schema';
import { mostPlansAtOnce } from './limits';
import { isOfTwo } from './seating/wish';

const { roomPlan, seatWish } = recordFields;

/** What a form asks for. */
export const RoomPlanName = roomPlan.pick({ name: true });

/** One of the plans of a room, as it is after its furniture was moved; with a day, the class sits like that from then on. */
const PlanOfRoom = roomPlan
  .pick({ sectionId: true, places: true })
  .extend({ id: Id, startsOn: LocalDate.nullable() })
  .strict();

export const roomChanges = {
  // With a day, the class sits like that from then on.
  'room.set': changeKind(
    roomPlan
      .extend({
        id: Id,
        startsOn: LocalDate.nullable(),
        // What an application from before does not say stays as it is.
        furniture: roomPlan.shape.furniture.unwrap().optional(),
        roomId: roomPlan.shape.roomId.unwrap().optional(),
      })
      .strict(),
    ({ sectionId }) => sectionId,
  ),
  // Where seats and other things stand, in all plans of the room.
  'room.arrange': changeKind(
    z.strictObject({
      ...roomPlan.pick({ seats: true, furniture: true }).shape,
      plans: z.array(PlanOfRoom).min(1).max(mostPlansAtOnce),
    }),
    ({ plans }) => plans[0]?.sectionId ?? '',
  ),
  'room.remove': changeKind(
    z.strictObject({ id: Id, sectionId: Id, removed: z.boolean() }),
    ({ sectionId }) => sectionId,
  ),
  'seatWish.set': changeKind(
    seatWish
      .extend({ id: Id, studentIds: z.array(Id).min(1, 'Whom is it about?').max(2) })
      .strict()
      .refine(({ kind, studentIds }) => new Set(studentIds).size === (isOfTwo(kind) ? 2 : 1), {
        path: ['studentIds'],
        message: 'Apart and together are about two students, the others about one',
      }),
    ({ sectionId }) => sectionId,
  ),
  'seatWish.remove': changeKind(
    z.strictObject({ id: Id, sectionId: Id, removed: z.boolean() }),
    ({ sectionId }) => sectionId,
  ),
};
