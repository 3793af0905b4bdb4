import { median } from '../../../statistics/median';
import { groupBy } from '../../../records/groupBy';
import { late, missing, onTime } from '../models/handInModel';
import type { Slot } from '../streams';
import type { Roster } from './roster';
import type { StreamRow, StreamRows } from './streamRows';

const dateOf = (moment: string | null) => (moment === null ? null : moment.slice(0, 10));

/** By what stands in it, so that neither the order of the file nor the ids decide. */
const orderOf = ({ due_at: due, assigned_at: assigned, title, id }: StreamRow<'work'>) =>
  [due, assigned, title, id].join('\u0000');

function workOf(archive: StreamRows, sectionId: string): StreamRow<'work'>[] {
  return archive.work
    .filter((row) => row.section_id === sectionId)
    .sort((a, b) => (orderOf(a) < orderOf(b) ? -1 : 1));
}

/** How a piece stood on an evening; null where nothing was known or it was excused. */
function standingOf(row: StreamRow<'hand_ins'>, due: string, asOf: string): number | null {
  if (row.status === 'excused') return null;
  const handedIn = row.handed_in_at;
  if (row.status === 'missing' && handedIn === null) return missing;
  if (handedIn === null || handedIn <= due) return onTime;
  // Handed in late was missing from its due time until then.
  return handedIn.slice(0, 10) <= asOf ? late : missing;
}

/** On time, late or missing, for each piece of work that was due. */
export function readHandIns(archive: StreamRows, roster: Roster, sectionId: string, asOf: string): Slot[] {
  const handIns = groupBy(archive.hand_ins, (row) => row.work_id);
  return workOf(archive, sectionId).flatMap(({ id, due_at: due }) => {
    const date = dateOf(due);
    if (due === null || date === null || date > asOf) return [];
    const slot = roster.emptySlot(date, roster.lessonsBefore(date), id);
    for (const row of handIns.get(id) ?? []) {
      const i = roster.indexIn(row.student_id, date);
      const standing = standingOf(row, due, asOf);
      if (i >= 0 && standing !== null) slot.value[i] = standing;
    }
    return slot.value.every(Number.isNaN) ? [] : [slot];
  });
}

/** Percent less the class's median on the piece, once it was handed back. */
export function readScores(archive: StreamRows, roster: Roster, sectionId: string, asOf: string): Slot[] {
  const handIns = groupBy(archive.hand_ins, (row) => row.work_id);
  const slots = workOf(archive, sectionId).flatMap(({ id, due_at: due, points }) => {
    const known = (handIns.get(id) ?? []).flatMap((row) => {
      const on = dateOf(row.handed_back_at ?? row.handed_in_at ?? due);
      if (row.score === null || row.status === 'excused' || on === null || on > asOf) return [];
      return [{ studentId: row.student_id, on, percent: points ? (row.score / points) * 100 : row.score }];
    });
    if (known.length < 3) return [];
    const middle = median(known.map(({ percent }) => percent)) ?? 0;
    const date = known.map(({ on }) => on).sort()[known.length >> 1] ?? asOf;
    const slot = roster.emptySlot(date, roster.lessonsBefore(date), id);
    for (const { studentId, percent } of known) {
      const i = roster.indexIn(studentId, date);
      if (i >= 0) slot.value[i] = percent - middle;
    }
    return [slot];
  });
  return slots.sort((a, b) => (a.date < b.date ? -1 : a.date > b.date ? 1 : 0));
}
