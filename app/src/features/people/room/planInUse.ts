import type { Records } from '@slate-path/core/records/records';
import type { RoomPlan, Seating } from '@slate-path/core/records/schema';
import { lastDay, seatingOn } from '@slate-path/core/people/room/seatings';

/** A device may still keep plans from before they had furniture. */
export function whole(plan: RoomPlan): RoomPlan {
  const { furniture, roomId } = plan as Partial<RoomPlan>;
  return { ...plan, furniture: furniture ?? [], roomId: roomId ?? null };
}

type RoomRecords = Pick<Records, 'roomPlan' | 'seating'>;

/** How a class sits, or will from tomorrow on, and by which of its plans. */
export function planInUse(
  records: RoomRecords,
  sectionId: string,
): { plan: RoomPlan; seating: Seating } | null {
  const seatings = Object.values(records.seating).filter(
    (one) => !one.removed && one.sectionId === sectionId,
  );
  const seating = seatingOn(seatings, lastDay);
  const plan = seating && records.roomPlan[seating.roomPlanId];
  return plan && !plan.removed ? { plan: whole(plan), seating } : null;
}
