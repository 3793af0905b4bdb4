import { clockTime, lessonOf } from '../../../keeping/archive/lessonOf';
import { presenceOf } from '../../../attendance/roll/presence';
import { missedKey, type MissedHow, type Slot } from '../streams';
import type { Roster } from './roster';
import type { StreamRows } from './streamRows';

export type GraceOf = (sectionId: string) => number;

/** Missing so much of a lesson is missing it. */
const awayFromShare = 0.5;

/** Who was there in which lesson, as the roll says it. */
export class Attendance {
  readonly presence: Slot[] = [];
  readonly lateness: Slot[] = [];
  readonly missedHow = new Map<string, MissedHow>();
  /** Share of the lesson there, by lesson and student; NaN for whose own lesson does not count. */
  private readonly there = new Map<string, Float64Array>();

  add(lessonId: string, presence: Slot, lateness: Slot, there: Float64Array): void {
    this.presence.push(presence);
    this.lateness.push(lateness);
    this.there.set(lessonId, there);
  }

  /** Share of the lesson that a student was there; all of it where the roll was not taken. */
  shareThere(lessonId: string, i: number): number {
    return this.there.get(lessonId)?.[i] ?? 1;
  }

  /** Takes out of a lesson's slot whoever was not there. */
  onlyThere(slot: Slot): void {
    for (let i = 0; i < slot.value.length; i += 1)
      if (!(this.shareThere(slot.source, i) > 0)) slot.value[i] = NaN;
  }
}

/** Reads the roll of one class's lessons that had been taken by an evening. */
export function readAttendance(
  archive: StreamRows,
  roster: Roster,
  graceMinutes: number,
  asOf: string,
): Attendance {
  const standings = new Map(
    archive.standings.map((row) => [
      row.id,
      { countsAs: row.counts_as, credit: row.credit, excused: row.excused },
    ]),
  );
  const takenAt = new Map(archive.taken.map((row) => [row.lesson_id, row.taken_at]));
  const rows = new Map(archive.lessons.map((row) => [row.id, row]));
  const rules = { graceMinutes, awayFromShare, creditBy: 'standing' } as const;
  const attendance = new Attendance();
  roster.lessons.forEach(({ id, date }, index) => {
    const taken = takenAt.get(id);
    const row = rows.get(id);
    if (taken === undefined || row === undefined || (taken !== null && taken.slice(0, 10) > asOf)) return;
    const lesson = lessonOf(row, takenAt);
    const presence = roster.emptySlot(date, index, id);
    const lateness = roster.emptySlot(date, index, id);
    const there = roster.empty();
    roster.students.forEach((_, i) => {
      if (!roster.isIn(i, date)) return;
      presence.value[i] = 0;
      lateness.value[i] = 0;
      there[i] = 1;
    });
    const roll = archive.roll.get(id);
    roll?.student_id.forEach((student, at) => {
      const i = roster.indexIn(student, date);
      if (i < 0) return;
      const times = {
        arrivedAt: clockTime(roll.arrived_at[at] ?? null, lesson),
        leftAt: clockTime(roll.left_at[at] ?? null, lesson),
      };
      const how = presenceOf(lesson, times, standings.get(roll.standing_id[at] ?? ''), rules);
      presence.value[i] = how.setAside ? NaN : how.away ? 1 : 0;
      lateness.value[i] = how.setAside || how.away ? NaN : how.late ? 1 : 0;
      const partly = how.away && how.there !== null;
      if (how.away && (how.excused || partly))
        attendance.missedHow.set(missedKey(id, i), { excused: how.excused, partly });
      there[i] = how.setAside || how.away || how.there === null ? 0 : how.there.to - how.there.from;
    });
    attendance.add(id, presence, lateness, there);
  });
  return attendance;
}
