import { addDays } from '@slate-path/core/calendar/localTime';
import type { LocalMoment } from '@slate-path/core/calendar/zone';
import { listOf, type Records } from '@slate-path/core/records/records';
import type { RoomPlan, Seating } from '@slate-path/core/records/schema';
import { countsFrom, lastDay, seatingOn } from '@slate-path/core/people/room/seatings';
import { useAllLessons } from '../../attendance/lesson/lessons';
import { makeChange } from '../../../sync/outbox';

/** The room plans of a class, in the order in which they were made. */
export function plansOf(records: Records, sectionId: string): RoomPlan[] {
  return listOf(records, 'roomPlan')
    .filter((plan) => plan.sectionId === sectionId)
    .sort((a, b) => (a.id < b.id ? -1 : 1));
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
  return plan && !plan.removed ? { plan, seating } : null;
}

/** Whose last change *Take back* takes back. */
export const roomHistory = (sectionId: string) => `room ${sectionId}`;

/** From which day on the class sits as it is seated now. */
export function useCountsFrom(sectionId: string, now: LocalMoment): string {
  const lessons = useAllLessons();
  return countsFrom(
    lessons.filter((lesson) => lesson.sectionId === sectionId),
    now,
    addDays(now.date, 1),
  );
}

/** @param startsOn the day from which the class sits like that; null where this plan is not in use */
export function savePlan({ id, sectionId, name, seats, places }: RoomPlan, startsOn: string | null): void {
  makeChange('room.set', { id, sectionId, name, seats, places, startsOn }, roomHistory(sectionId));
}
