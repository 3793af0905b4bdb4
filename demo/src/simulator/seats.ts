import type { ArchiveRows } from '@slate-path/core/keeping/archive/archiveRows';
import { layoutOf } from '@slate-path/core/people/room/layouts';
import { allSeated } from '@slate-path/core/people/room/placing';
import type { Chance } from './chance';

const sectionId = 's';
const weeksOnOneSeat = 4;

/** The class sits in pairs, and everybody gets another seat every few weeks, by lot. */
export function drawSeats(
  rows: ArchiveRows,
  chance: Chance,
  studentIds: readonly string[],
  days: readonly { date: string }[],
): void {
  const seats = layoutOf('pairs', studentIds.length);
  const add = (table: string, id: string, fields: object) => {
    rows.add('more', { table, id, fields: JSON.stringify(fields) });
  };
  const plan = { sectionId, name: 'Pairs', seats, places: [] };
  add('roomPlan', 'pairs', plan);
  days.forEach(({ date: startsOn }, at) => {
    if (at % (weeksOnOneSeat * 5) !== 0) return;
    const mixed = studentIds
      .map((id) => ({ id, lot: chance.uniform() }))
      .sort((a, b) => a.lot - b.lot)
      .map(({ id }) => id);
    const places = allSeated({ seats, places: [] }, mixed);
    add('seating', `${startsOn}.${sectionId}`, { sectionId, roomPlanId: 'pairs', startsOn, places });
  });
}
