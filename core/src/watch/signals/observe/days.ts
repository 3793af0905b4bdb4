import { groupBy } from '../../../records/groupBy';
import type { Slot } from '../streams';
import type { Roster } from './roster';
import type { StreamRows } from './streamRows';

const dateOf = (moment: string) => moment.slice(0, 10);

/** A slot in which everybody of the class on that day has seen nothing yet. */
function dayOfNone(roster: Roster, date: string): Slot {
  const slot = roster.emptySlot(date, roster.lessonsBefore(date), date);
  roster.students.forEach((_, i) => {
    if (roster.isIn(i, date)) slot.value[i] = 0;
  });
  return slot;
}

const inOrder = (days: ReadonlyMap<string, unknown>) => [...days.keys()].sort();

/** What students did online, on each day on which anybody of the class did anything. */
export function readOnline(archive: StreamRows, roster: Roster, sectionId: string, asOf: string): Slot[] {
  const rows = archive.activity.filter(
    ({ section_id: section, student_id: student, at }) =>
      dateOf(at) <= asOf &&
      (section === sectionId || (section === null && roster.indexIn(student, dateOf(at)) >= 0)),
  );
  const days = groupBy(rows, ({ at }) => dateOf(at));
  return inOrder(days).map((date) => {
    const slot = dayOfNone(roster, date);
    for (const { student_id: student, count = 1 } of days.get(date) ?? []) {
      const i = roster.indexIn(student, date);
      if (i >= 0) slot.value[i] = (slot.value[i] ?? 0) + count;
    }
    return slot;
  });
}

/** Notes on topics that are marked as trouble, on each day on which anything was noted in the class. */
export function readStuck(archive: StreamRows, roster: Roster, sectionId: string, asOf: string): Slot[] {
  if (archive.notes.length === 0) return [];
  const lessonSection = new Map(archive.lessons.map((row) => [row.id, row.section_id]));
  const about = groupBy(archive.note_students, (row) => row.note_id);
  const troubles = new Set(archive.topics.filter(({ trouble }) => trouble).map(({ id }) => id));
  const inTrouble = new Set(
    archive.note_topics.filter((row) => troubles.has(row.topic_id)).map((row) => row.note_id),
  );
  const ofClass = archive.notes.filter(({ id, at, lesson_id: lesson }) => {
    if (dateOf(at) > asOf) return false;
    if (lesson !== null) return lessonSection.get(lesson) === sectionId;
    return (about.get(id) ?? []).some((row) => roster.indexIn(row.student_id, dateOf(at)) >= 0);
  });
  const days = groupBy(ofClass, ({ at }) => dateOf(at));
  return inOrder(days).map((date) => {
    const slot = dayOfNone(roster, date);
    for (const { id } of days.get(date) ?? [])
      if (inTrouble.has(id))
        for (const { student_id: student } of about.get(id) ?? []) {
          const i = roster.indexIn(student, date);
          if (i >= 0) slot.value[i] = (slot.value[i] ?? 0) + 1;
        }
    return slot;
  });
}
