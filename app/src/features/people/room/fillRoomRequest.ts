import type { Place } from '@slate-path/core/people/room/placing';
import type { FillRequest } from '@slate-path/core/people/room/seating/fill';
import type { Records } from '@slate-path/core/records/records';
import type { RoomPlan, SeatWish } from '@slate-path/core/records/schema';
import type { FillChoice } from './FillSheet';
import { groupsOf } from './groupsOf';

interface ToFill {
  plan: RoomPlan;
  places: readonly Place[];
  /** By student, in the order of the class's list. */
  names: ReadonlyMap<string, string>;
  wishes: readonly SeatWish[];
  current: Records;
  choice: FillChoice;
}

/** What the search is asked for. */
export function fillRoomRequest({ plan, places, names, wishes, current, choice }: ToFill): FillRequest {
  const { order, by, stay } = choice;
  return {
    seats: plan.seats.map(({ x, y }) => ({ x, y })),
    staying: stay ? places : [],
    students: [...names.keys()],
    wishes,
    order,
    groups: order === 'mixed' ? groupsOf(current, plan.sectionId, names, by) : {},
    seed: Math.floor(Math.random() * 2 ** 32),
  };
}
