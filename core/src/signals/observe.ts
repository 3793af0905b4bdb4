import type { Archive, ArchiveRow } from '../archive/tables';
import { groupBy } from '../records/groupBy';
import { readAttendance, type GraceOf } from './observe/attendance';
import { readHandIns, readScores } from './observe/work';
import { readOnline, readStuck } from './observe/days';
import { readTallies } from './observe/tallies';
import { Roster } from './observe/roster';
import type { ClassSeries, Slot } from './streams';

export interface ObserveOptions {
  /** The last evening that counts, YYYY-MM-DD. */
  asOf: string;
  /** Minutes of lateness that a class forgives. */
  graceOf?: GraceOf;
  /** Lessons in which somebody tallied, though nothing was seen. */
  observed?: ReadonlySet<string>;
}

const dateOf = (moment: string) => moment.slice(0, 10);

function heldLessons(lessons: readonly ArchiveRow<'lessons'>[], asOf: string): ArchiveRow<'lessons'>[] {
  return lessons
    .filter(({ status, starts_at: start }) => status === 'held' && dateOf(start) <= asOf)
    .sort((a, b) => (a.starts_at < b.starts_at ? -1 : a.starts_at > b.starts_at ? 1 : a.id < b.id ? -1 : 1));
}

/** A level of one lesson for whoever was there. */
function levelSlots(
  roster: Roster,
  rows: ReadonlyMap<string, { student_id: string; value: number | null }[]>,
): Slot[] {
  return roster.lessons.flatMap((lesson, index) => {
    const slot = roster.emptySlot(lesson.date, index, lesson.id);
    let any = false;
    for (const { student_id: student, value } of rows.get(lesson.id) ?? []) {
      const i = roster.indexIn(student, lesson.date);
      if (i < 0 || value === null) continue;
      slot.value[i] = value;
      any = true;
    }
    return any ? [slot] : [];
  });
}

/**
 * What an archive says of each class until an evening, and nothing later: the streams with their
 * exposures. A lesson not taken, set aside or outside an enrolment says nothing.
 * @returns one series for each class with a lesson or a student
 */
export function observe(
  archive: Archive,
  { asOf, graceOf = () => 5, observed = new Set() }: ObserveOptions,
): ClassSeries[] {
  const lessonsOf = groupBy(archive.lessons, (row) => row.section_id);
  const enrolmentsOf = groupBy(archive.enrolments, (row) => row.section_id);
  const rolls = groupBy(archive.roll, (row) => row.lesson_id);
  const tallies = groupBy(archive.tallies, (row) => row.lesson_id);
  const sweeps = groupBy(
    archive.sweeps.map((row) => ({ ...row, value: row.level })),
    (row) => row.lesson_id,
  );
  const checkIns = groupBy(
    archive.check_ins.map((row) => ({ ...row, value: row.weather })),
    (row) => row.lesson_id,
  );
  return archive.sections.map((section) => {
    const lessons = heldLessons(lessonsOf.get(section.id) ?? [], asOf);
    const roster = new Roster(archive.students, enrolmentsOf.get(section.id) ?? [], lessons, asOf);
    const attendance = readAttendance(archive, roster, rolls, graceOf(section.id), asOf);
    const swept = levelSlots(roster, sweeps);
    for (const slot of swept) attendance.onlyThere(slot);
    return {
      sectionId: section.id,
      students: roster.students,
      lessons: roster.lessons,
      streams: {
        presence: attendance.presence,
        lateness: attendance.lateness,
        ...readTallies(archive, roster, tallies, attendance, observed),
        engagement: swept,
        weather: levelSlots(roster, checkIns),
        online: readOnline(archive, roster, section.id, asOf),
        hand_in: readHandIns(archive, roster, section.id, asOf),
        score: readScores(archive, roster, section.id, asOf),
        stuck: readStuck(archive, roster, section.id, asOf),
      },
    };
  });
}
