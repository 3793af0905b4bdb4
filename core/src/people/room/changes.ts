import { z } from 'zod';
import { changeKind } from '../../changes/kind';
import { Id, LocalDate, recordFields } from '../../records/schema';

/** What a form asks for. */
export const RoomPlanName = recordFields.roomPlan.pick({ name: true });

export const roomChanges = {
  // With a day, the class sits like that from then on.
  'room.set': changeKind(
    recordFields.roomPlan.extend({ id: Id, startsOn: LocalDate.nullable() }).strict(),
    ({ sectionId }) => sectionId,
  ),
  'room.remove': changeKind(
    z.strictObject({ id: Id, sectionId: Id, removed: z.boolean() }),
    ({ sectionId }) => sectionId,
  ),
};
