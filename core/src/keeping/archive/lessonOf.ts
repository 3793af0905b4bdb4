import type { Lesson } from '../../records/schema';
import type { ArchiveFields } from './tables';

const dateOf = (moment: string) => moment.slice(0, 10);

/** A lesson of an archive as the application knows one. @param takenAt by lesson; the day alone may be unknown (null) */
export function lessonOf(row: ArchiveFields<'lessons'>, takenAt: ReadonlyMap<string, string | null>): Lesson {
  return {
    id: row.id,
    sectionId: row.section_id,
    date: dateOf(row.starts_at),
    startsAt: row.starts_at.slice(11, 16),
    endsAt: row.ends_at.slice(11, 16),
    label: row.label,
    setAside: row.status === 'set_aside',
    takenAt: takenAt.has(row.id) ? (takenAt.get(row.id) ?? row.starts_at) : null,
    removed: false,
  };
}

/** A time on another day than the lesson's lies before or after all of it. */
export function clockTime(moment: string | null, lesson: Pick<Lesson, 'date'>): string | null {
  if (moment === null) return null;
  if (dateOf(moment) === lesson.date) return moment.slice(11, 16);
  return dateOf(moment) < lesson.date ? '00:00' : '23:59';
}
