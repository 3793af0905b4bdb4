import { within } from '../../keeping/archive/derivedId';
import type { Edit, EditsByKind } from '../../changes/edit';
import type { roomChanges } from './changes';
import type { Place } from './placing';

/** How a class sits from a day on. */
export const seatingId = (sectionId: string, startsOn: string) => within(`${startsOn}.${sectionId}`);

interface Sitting {
  id: string;
  sectionId: string;
  places: Place[];
  startsOn: string | null;
}

function sits({ id, sectionId, places, startsOn }: Sitting): Edit[] {
  if (startsOn === null) return [];
  const seating = { sectionId, roomPlanId: id, startsOn, places };
  return [
    { op: 'make', table: 'seating', id: seatingId(sectionId, startsOn), values: seating },
    { op: 'set', table: 'seating', id: seatingId(sectionId, startsOn), values: seating },
  ];
}

export const roomEdits: EditsByKind<typeof roomChanges> = {
  'room.set': ({ id, startsOn, ...values }): Edit[] => [
    { op: 'make', table: 'roomPlan', id, values: { furniture: [], roomId: null, ...values } },
    { op: 'set', table: 'roomPlan', id, values },
    ...sits({ id, startsOn, sectionId: values.sectionId, places: values.places }),
  ],
  'room.arrange': ({ plans, seats, furniture }) =>
    plans.flatMap((plan): Edit[] => [
      { op: 'set', table: 'roomPlan', id: plan.id, values: { seats, furniture, places: plan.places } },
      ...sits(plan),
    ]),
  'room.remove': ({ id, removed }) => [{ op: 'set', table: 'roomPlan', id, values: { removed } }],
  'seatWish.set': ({ id, ...values }) => [
    { op: 'make', table: 'seatWish', id, values },
    { op: 'set', table: 'seatWish', id, values },
  ],
  'seatWish.remove': ({ id, removed }) => [{ op: 'set', table: 'seatWish', id, values: { removed } }],
};
