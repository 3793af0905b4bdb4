import {
  emptyArchive,
  type Archive,
  type ArchiveFields,
  type ArchiveTableName,
} from '../../src/keeping/archive/tables';
import { addDays, weekdayOf } from '../../src/calendar/localTime';
import { watchArchive } from '../../src/watch/signals/watchArchive';

/** How one student was in one lesson. */
export interface InLesson {
  away?: boolean;
  late?: boolean;
  spoke?: number;
  level?: number;
  trouble?: number;
}

export interface TestClass {
  lessons: number;
  students: number;
  /** Another start shifts all dates. */
  startsOn?: string;
  idOf?: (student: number) => string;
  /** How the class sits from a lesson on; seats of one row. */
  seatings?: { from: number; row: readonly (number | null)[] }[];
  how: (student: number, lesson: number, weekday: number) => InLesson;
}

/** School days from a day on, without weekends. */
function schoolDays(startsOn: string, count: number): string[] {
  const days: string[] = [];
  for (let date = startsOn; days.length < count; date = addDays(date, 1))
    if (weekdayOf(date) <= 5) days.push(date);
  return days;
}

/** An archive of one class with a lesson on each school day, all taken, tallied and swept. */
export function classArchive({
  lessons,
  students,
  startsOn = '2026-01-05',
  idOf = (i) => `p${i}`,
  seatings = [],
  how,
}: TestClass): Archive {
  const archive = emptyArchive();
  const add = <T extends ArchiveTableName>(table: T, row: ArchiveFields<T>) => {
    (archive[table] as object[]).push({ ...row, line: 0 });
  };
  add('sections', { id: 's', name: 'Shore Ecology', subject: '', room: '' });
  add('standings', { id: 'A', code: 'A', name: 'Away', counts_as: 'away', credit: 0, excused: false });
  add('standings', { id: 'L', code: 'L', name: 'Late', counts_as: 'late', credit: 1, excused: false });
  add('look_fors', { id: 'spoke', name: 'Spoke up', measure: 'count', tone: 'wanted' });
  add('look_fors', { id: 'disturbed', name: 'Disturbed', measure: 'count', tone: 'unwanted' });
  for (let i = 0; i < students; i += 1) {
    const person = { family_name: '', called: '', email: '', grade: '' };
    add('students', { id: idOf(i), given_name: `Student ${i}`, ...person });
    add('enrolments', { section_id: 's', student_id: idOf(i), cohort: '', starts_on: null, ends_on: null });
  }
  schoolDays(startsOn, lessons).forEach((date, lesson) => {
    const id = `l${lesson}`;
    const times = { starts_at: `${date}T10:40:00`, ends_at: `${date}T11:30:00` };
    add('lessons', { id, section_id: 's', ...times, status: 'held', label: '' });
    add('taken', { lesson_id: id, taken_at: null });
    for (let i = 0; i < students; i += 1) {
      const { away, late, spoke = 0, level, trouble = 0 } = how(i, lesson, weekdayOf(date));
      const mark = {
        lesson_id: id,
        student_id: idOf(i),
        arrived_at: null,
        left_at: null,
        comment: '',
        source: 'tap',
      };
      if (away || late) add('roll', { ...mark, standing_id: away ? 'A' : 'L' });
      if (away) continue;
      if (spoke > 0) {
        const tally = { lesson_id: id, student_id: idOf(i), look_for_id: 'spoke', at: null };
        add('tallies', { id: `t${lesson}-${i}`, ...tally, amount: spoke });
      }
      if (trouble > 0) {
        const tally = { lesson_id: id, student_id: idOf(i), look_for_id: 'disturbed', at: null };
        add('tallies', { id: `d${lesson}-${i}`, ...tally, amount: trouble });
      }
      if (level !== undefined) add('sweeps', { lesson_id: id, student_id: idOf(i), level });
    }
  });
  const dates = schoolDays(startsOn, lessons);
  for (const { from, row } of seatings) {
    const places = row.flatMap((i, x) => (i === null ? [] : [{ studentId: idOf(i), x, y: 0 }]));
    const seating = { sectionId: 's', roomPlanId: 'plan', startsOn: dates[from], places };
    add('more', { table: 'seating', id: `seating ${from}`, fields: JSON.stringify(seating) });
  }
  return archive;
}

export const listed = (archive: Archive, asOf = '2026-12-31') =>
  watchArchive(archive, { asOf }).filter(({ concern }) => concern !== 'over_a_line');

/** A number from 0 to 1 that looks like chance and is always the same. */
export function draw(...of: number[]): number {
  const x = Math.sin(of.reduce((sum, value, at) => sum + value * (at * 78.233 + 12.9898), 0.5)) * 43758.5453;
  return x - Math.floor(x);
}
