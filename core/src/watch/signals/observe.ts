import type { Archive } from '../../keeping/archive/tables';
import { groupBy } from '../../records/groupBy';
import { readAttendance, type GraceOf } from './observe/attendance';
import { readHandIns, readScores } from './observe/work';
import { readOnline, readStuck } from './observe/days';
import { Roster } from './observe/roster';
import { streamRowsOf, type StreamRow, type StreamRows } from './observe/streamRows';
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
function levelSlots<L extends string>(
  roster: Roster,
  rows: ReadonlyMap<
    string,
    { readonly student_id: readonly string[] } & Readonly<Record<L, readonly (number | null)[]>>
  >,
  level: L,
): Slot[] {
  return roster.lessons.flatMap((lesson, index) => {
    const found = rows.get(lesson.id);
    if (!found) return [];
    const slot = roster.emptySlot(lesson.date, index, lesson.id);
    let any = false;
    for (let at = 0; at < found.student_id.length; at += 1) {
      const value = found[level][at] ?? null;
      const i = value === null ? -1 : roster.indexIn(found.student_id[at] ?? '', lesson.date);
      if (i < 0) continue;
      slot.value[i] = value ?? NaN;
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
export function observe(archive: Archive, options: ObserveOptions): ClassSeries[] {
  return observeRows(streamRowsOf(archive), options);
}

/** The same, of rows that were read already. */
export function observeRows(
  rows: StreamRows,
  { asOf, graceOf = () => 5, observed = new Set() }: ObserveOptions,
): ClassSeries[] {
  const lessonsOf = groupBy(rows.lessons, (row) => row.section_id);
  const enrolmentsOf = groupBy(rows.enrolments, (row) => row.section_id);
  return rows.sections.map((section) => {
    const lessons = heldLessons(lessonsOf.get(section.id) ?? [], asOf);
    const roster = new Roster(rows.students, enrolmentsOf.get(section.id) ?? [], lessons, asOf);
    const attendance = readAttendance(rows, roster, graceOf(section.id), asOf);
    const swept = levelSlots(roster, rows.sweeps, 'level');
    for (const slot of swept) attendance.onlyThere(slot);
    return {
      sectionId: section.id,
      students: roster.students,
      lessons: roster.lessons,
      seatings: rows.seatings.filter(
        ({ sectionId, startsOn }) => sectionId === section.id && startsOn <= asOf,
      ),
      missedHow: attendance.missedHow,
      streams: {
        presence: attendance.presence,
        lateness: attendance.lateness,
        ...readTallies(rows, roster, attendance, observed),
        engagement: swept,
        weather: levelSlots(roster, rows.check_ins, 'weather'),
        online: readOnline(rows, roster, section.id, asOf),
        hand_in: readHandIns(rows, roster, section.id, asOf),
        score: readScores(rows, roster, section.id, asOf),
        stuck: readStuck(rows, roster, section.id, asOf),
      },
    };
  });
}
