import type { Slot } from '../streams';
import type { Attendance } from './attendance';
import type { Roster } from './roster';
import type { StreamRows } from './streamRows';

/** How often something was seen: what a tally counts, or once for whatever was ticked or timed. */
function timesSeen(amount: number | null, measure: string): number {
  if (measure === 'count') return amount ?? 1;
  return (amount ?? 1) === 0 ? 0 : 1;
}

/**
 * Wanted (voice) and unwanted (trouble) tallies. A lesson with any tally was observed, for whoever was
 * there; one without says nothing, unless it is known that somebody was looking.
 */
export function readTallies(
  archive: StreamRows,
  roster: Roster,
  attendance: Attendance,
  observed: ReadonlySet<string>,
): { voice: Slot[]; trouble: Slot[] } {
  const lookFors = new Map(archive.look_fors.map((row) => [row.id, row]));
  const voice: Slot[] = [];
  const trouble: Slot[] = [];
  roster.lessons.forEach((lesson, index) => {
    const rows = archive.tallies.get(lesson.id);
    if (!rows && !observed.has(lesson.id)) return;
    const exposure = new Float64Array(roster.students.length);
    const wanted = { ...roster.emptySlot(lesson.date, index, lesson.id), exposure };
    const unwanted = { ...roster.emptySlot(lesson.date, index, lesson.id), exposure };
    roster.students.forEach((_, i) => {
      const there = attendance.shareThere(lesson.id, i);
      if (!roster.isIn(i, lesson.date) || !(there > 0)) return;
      exposure[i] = there;
      wanted.value[i] = 0;
      unwanted.value[i] = 0;
    });
    rows?.student_id.forEach((student, at) => {
      const lookFor = lookFors.get(rows.look_for_id[at] ?? '');
      const i = student === null ? -1 : roster.indexIn(student, lesson.date);
      if (i < 0 || !lookFor || lookFor.tone === 'neutral') return;
      const { value } = lookFor.tone === 'wanted' ? wanted : unwanted;
      value[i] = (value[i] ?? NaN) + timesSeen(rows.amount[at] ?? null, lookFor.measure);
    });
    for (const { value } of [wanted, unwanted])
      for (let i = 0; i < value.length; i += 1) if ((value[i] ?? 0) < 0) value[i] = 0;
    voice.push(wanted);
    trouble.push(unwanted);
  });
  return { voice, trouble };
}
