import { useMemo } from 'react';
import type { Plan } from '@slate-path/core/people/room/placing';
import { useRecords } from '../../../sync/useRecords';
import { planInUse } from './planInUse';

/** How a class sits by the plan that is in use; null where it has none. The same object while nothing of it changes. */
export function useSeats(sectionId: string): Plan | null {
  const roomPlan = useRecords((state) => state.current.roomPlan);
  const seating = useRecords((state) => state.current.seating);
  return useMemo(() => {
    const inUse = planInUse({ roomPlan, seating }, sectionId);
    return inUse && { seats: inUse.plan.seats, places: inUse.seating.places };
  }, [roomPlan, seating, sectionId]);
}
