import { groupBy } from '../records/groupBy';
import { readAttendance, type GraceOf } from './observe/attendance';
import { readHandIns, readScores } from './observe/work';
import { readOnline, readStuck } from './observe/days';
import { Roster } from './observe/roster';
import type { StreamRow, StreamRows } from './observe/streamRows';
import { readTallies } from './observe/tallies';
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

function heldLessons(lessons: readonly StreamRow<'lessons'>[], asOf: string): StreamRow<'lessons'>[] {
  return lessons
    .filter(({ status, starts_at: start }) => status === 'held' && dateOf(start) <= asOf)
    .sort((a, b) => (a.starts_at < b.starts_at ? -1 : a.starts_at > b.starts_at ? 1 : a.id < b.id ? -1 : 1));
}

/** A level of one lesson for whoever has one. */
function levelSlots<R extends { student_id: string }>(
  roster: Roster,
  rows: ReadonlyMap<string, readonly R[]>,
  levelOf: (row: R) => number | null,
): Slot[] {
  return roster.lessons.flatMap((lesson, index) => {
    const found = rows.get(lesson.id);
    if (!found) return [];
    const slot = roster.emptySlot(lesson.date, index, lesson.id);
    let any = false;
    for (const row of found) {
      const level = levelOf(row);
      const i = level === null ? -1 : roster.indexIn(row.student_id, lesson.date);
      if (i < 0) continue;
      slot.value[i] = level ?? NaN;
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
  archive: StreamRows,
  { asOf, graceOf = () => 5, observed = new Set() }: ObserveOptions,
): ClassSeries[] {
  const lessonsOf = groupBy(archive.lessons, (row) => row.section_id);
  const enrolmentsOf = groupBy(archive.enrolments, (row) => row.section_id);
  const rolls = groupBy(archive.roll, (row) => row.lesson_id);
  const tallies = groupBy(archive.tallies, (row) => row.lesson_id);
  const sweeps = groupBy(archive.sweeps, (row) => row.lesson_id);
  const checkIns = groupBy(archive.check_ins, (row) => row.lesson_id);
  return archive.sections.map((section) => {
    const lessons = heldLessons(lessonsOf.get(section.id) ?? [], asOf);
    const roster = new Roster(archive.students, enrolmentsOf.get(section.id) ?? [], lessons, asOf);
    const attendance = readAttendance(archive, roster, rolls, graceOf(section.id), asOf);
    const swept = levelSlots(roster, sweeps, (row) => row.level);
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
        weather: levelSlots(roster, checkIns, (row) => row.weather),
        online: readOnline(archive, roster, section.id, asOf),
        hand_in: readHandIns(archive, roster, section.id, asOf),
        score: readScores(archive, roster, section.id, asOf),
        stuck: readStuck(archive, roster, section.id, asOf),
      },
    };
  });
}
