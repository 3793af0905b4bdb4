import { lessonsBetween } from '@slate-path/core/calendar/lessons';
import type { LocalMoment } from '@slate-path/core/calendar/zone';
import { listOf, type Records } from '@slate-path/core/records/records';
import type { Lesson } from '@slate-path/core/records/schema';
import { rollBookOf } from '@slate-path/core/attendance/roll/book';
import { wasHeld } from '@slate-path/core/attendance/roll/totals';
import { remembered } from '../../../sync/remembered';
import { useRecords } from '../../../sync/useRecords';

/** Every lesson of every class in all terms known here, in order of time. */
export const allLessons = remembered(
  (records) => [records.term, records.dayOff, records.meeting, records.lesson, records.section],
  (records): Lesson[] => {
    const terms = listOf(records, 'term');
    const lessons = listOf(records, 'lesson');
    const dates = [...terms.flatMap((t) => [t.startsOn, t.endsOn]), ...lessons.map((l) => l.date)].sort();
    const [from, to] = [dates[0], dates.at(-1)];
    if (!from || !to) return [];
    const calendar = {
      terms,
      daysOff: listOf(records, 'dayOff'),
      meetings: listOf(records, 'meeting'),
      lessons: Object.values(records.lesson),
    };
    const sections = records.section;
    return lessonsBetween(calendar, from, to).filter((l) => sections[l.sectionId]?.removed === false);
  },
);

/** What rolls are read with. */
export const rollBook = remembered(
  (records) => [records.mark, records.standing, records.school, records.section],
  (records) =>
    rollBookOf({
      marks: records.mark,
      standings: Object.values(records.standing),
      sections: Object.values(records.section),
      school: Object.values(records.school)[0],
    }),
);

export function useAllLessons(): Lesson[] {
  return useRecords((state) => allLessons(state.current));
}

/** The lesson at the same time of the class that is taught together with this one's. */
export function partnerOf(lesson: Lesson, records: Records): Lesson | undefined {
  const others = Object.values(records.section).filter(
    ({ id, taughtWithId, removed }) =>
      !removed &&
      id !== lesson.sectionId &&
      (taughtWithId === lesson.sectionId || records.section[lesson.sectionId]?.taughtWithId === id),
  );
  if (others.length === 0) return undefined;
  return allLessons(records).find(
    (other) =>
      others.some(({ id }) => id === other.sectionId) &&
      other.date === lesson.date &&
      other.startsAt < lesson.endsAt &&
      lesson.startsAt < other.endsAt,
  );
}

/** Whose history on this device a lesson's changes are: of two with one roll, the one that comes first. */
export function historyOf(lesson: Lesson): string {
  const partner = partnerOf(lesson, useRecords.getState().current);
  return partner && partner.id < lesson.id ? partner.id : lesson.id;
}

/** Lessons that are over and whose roll nobody took, latest first. */
export function untakenLessons(lessons: readonly Lesson[], now: LocalMoment): Lesson[] {
  return lessons.filter((l) => l.takenAt === null && !l.setAside && wasHeld(l, now)).reverse();
}
