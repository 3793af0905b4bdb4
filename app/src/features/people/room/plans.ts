import { addDays } from '@slate-path/core/calendar/localTime';
import type { LocalMoment } from '@slate-path/core/calendar/zone';
import { listOf, type Records } from '@slate-path/core/records/records';
import type { Lesson, RoomPlan, SeatWish } from '@slate-path/core/records/schema';
import { placesAfter, type Room } from '@slate-path/core/people/room/pieces';
import { countsFrom } from '@slate-path/core/people/room/seatings';
import { isOfTwo } from '@slate-path/core/people/room/seating/wish';
import { makeChange, newId } from '../../../sync/outbox';
import { useRecords } from '../../../sync/useRecords';
import { planInUse, whole } from './planInUse';

/** The room plans of a class, in the order in which they were made. */
export function plansOf(records: Records, sectionId: string): RoomPlan[] {
  return listOf(records, 'roomPlan')
    .filter((plan) => plan.sectionId === sectionId)
    .map(whole)
    .sort((a, b) => (a.id < b.id ? -1 : 1));
}

/** What is wished of where somebody of a class sits, of those who are in it. */
export function wishesOf(
  records: Records,
  sectionId: string,
  inClass: ReadonlyMap<string, unknown>,
): SeatWish[] {
  return listOf(records, 'seatWish')
    .filter((wish) => wish.sectionId === sectionId)
    .filter(({ kind, studentIds }) => studentIds.length === (isOfTwo(kind) ? 2 : 1))
    .filter(({ studentIds }) => studentIds.every((id) => inClass.has(id)))
    .sort((a, b) => (a.id < b.id ? -1 : 1));
}

/** Whose last change *Take back* takes back. */
export const roomHistory = (sectionId: string) => `room ${sectionId}`;

/** From which day on a class sits as it is seated now. @param lessons of all classes */
export function countsFromOf(lessons: readonly Lesson[], sectionId: string, now: LocalMoment): string {
  return countsFrom(
    lessons.filter((lesson) => lesson.sectionId === sectionId),
    now,
    addDays(now.date, 1),
  );
}

/** @param startsOn the day from which the class sits like that; null where this plan is not in use */
export function savePlan({ removed: _removed, ...plan }: RoomPlan, startsOn: string | null): void {
  makeChange('room.set', { ...plan, startsOn }, roomHistory(plan.sectionId));
}

/**
 * What stands in a room is moved, in all plans of it; whoever sits on a seat goes along.
 * @param startsOn by class, the day from which it sits like that
 */
export function arrange(plan: RoomPlan, room: Room, startsOn: (sectionId: string) => string): void {
  const { current } = useRecords.getState();
  const others = listOf(current, 'roomPlan').filter(
    ({ id, roomId }) => id !== plan.id && roomId !== null && roomId === plan.roomId,
  );
  const sits = ({ id, sectionId }: RoomPlan) =>
    planInUse(current, sectionId)?.plan.id === id ? startsOn(sectionId) : null;
  const plans = [
    { id: plan.id, sectionId: plan.sectionId, places: [...room.places], startsOn: sits(plan) },
    ...others.map((other) => ({
      ...{ id: other.id, sectionId: other.sectionId, startsOn: sits(other) },
      places: placesAfter(plan.seats, room.seats, other.places),
    })),
  ];
  const { seats, furniture } = room;
  makeChange(
    'room.arrange',
    { plans, seats: [...seats], furniture: [...furniture] },
    roomHistory(plan.sectionId),
  );
}

/** What plans of one room have in common; a plan that stood alone gets it. @returns that id */
export function shareRoom(plan: RoomPlan): string {
  if (plan.roomId !== null) return plan.roomId;
  const roomId = newId();
  savePlan({ ...plan, roomId }, null);
  return roomId;
}
