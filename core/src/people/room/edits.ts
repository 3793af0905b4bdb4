import { within } from '../../keeping/archive/derivedId';
import type { Edit, EditsByKind } from '../../changes/edit';
import type { roomChanges } from './changes';

/** How a class sits from a day on. */
export const seatingId = (sectionId: string, startsOn: string) => within(`${startsOn}.${sectionId}`);

export const roomEdits: EditsByKind<typeof roomChanges> = {
  'room.set': ({ id, startsOn, ...values }): Edit[] => {
    const { sectionId, places } = values;
    const roomPlan: Edit[] = [
      { op: 'make', table: 'roomPlan', id, values },
      { op: 'set', table: 'roomPlan', id, values },
    ];
    if (startsOn === null) return roomPlan;
    const seating = { sectionId, roomPlanId: id, startsOn, places };
    return [
      ...roomPlan,
      { op: 'make', table: 'seating', id: seatingId(sectionId, startsOn), values: seating },
      { op: 'set', table: 'seating', id: seatingId(sectionId, startsOn), values: seating },
    ];
  },
  'room.remove': ({ id, removed }) => [{ op: 'set', table: 'roomPlan', id, values: { removed } }],
};
