import type { LocalMoment } from '../../calendar/zone';
import { byName, displayName, type NameOrder } from '../../people/names';
import { groupBy } from '../../records/groupBy';
import type { Enrolment, Lesson, Student } from '../../records/schema';
import type { RollBook } from './book';
import { rulesFor } from './book';
import { markId } from './markId';
import { isEnrolledOn, presenceIn, studentTotals, totalsOf, wasHeld, type Totals } from './totals';

/** What stands for a lesson that was held and whose roll nobody took. */
export const notTakenWords = 'not taken';

export const totalColumns: [title: string, field: keyof Totals][] = [
  ['Lessons', 'lessons'],
  ['Taken', 'taken'],
  ['Not taken', 'notTaken'],
  ['Here', 'here'],
  ['Late', 'late'],
  ['Left early', 'leftEarly'],
  ['Away', 'away'],
  ['Excused', 'excused'],
  ['Away by lates', 'awayByLates'],
  ['Set aside', 'setAside'],
  ['Credit', 'credit'],
  ['Percent', 'percent'],
  ['Minutes missed', 'minutesMissed'],
  ['Minutes late', 'minutesLate'],
  ['Minutes there', 'minutesThere'],
  ['Days', 'days'],
];

/** One class over some days. */
export interface ClassRoll {
  students: readonly Student[];
  enrolments: readonly Enrolment[];
  /** Those of this class in the range, in order of time. */
  lessons: readonly Lesson[];
  book: RollBook;
}

/** A student's line: all times in the class taken together. */
export interface StudentTotals {
  sectionId: string;
  studentId: string;
  cohort: string;
  totals: Totals;
}

/**
 * Every student's totals in one class over some lessons, one line a student: who left and came back
 * has one sum. Students whose time in the class touches none of the lessons' days have no line.
 */
export function classTotals(
  sectionId: string,
  { enrolments, lessons, book }: Pick<ClassRoll, 'enrolments' | 'lessons' | 'book'>,
  now: LocalMoment,
): StudentTotals[] {
  const first = lessons[0]?.date ?? '';
  const last = lessons.at(-1)?.date ?? '';
  const touching = enrolments.filter(
    (e) => (e.startsOn === null || e.startsOn <= last) && (e.endsOn === null || e.endsOn >= first),
  );
  return [...groupBy(touching, ({ studentId }) => studentId)].map(([studentId, times]) => ({
    sectionId,
    studentId,
    cohort: times.at(-1)?.cohort ?? '',
    totals: totalsOf(
      times.map((enrolment) => studentTotals(enrolment, lessons, book, now)),
      rulesFor(book, sectionId),
    ),
  }));
}

/** What stands for a student in a lesson: the code letter, with times; nothing where nothing is known. */
function entryOf(lesson: Lesson, times: readonly Enrolment[], book: RollBook, now: LocalMoment): string {
  const enrolment = times.find((time) => isEnrolledOn(time, lesson.date));
  if (!enrolment || !wasHeld(lesson, now)) return '';
  if (lesson.setAside) return 'set aside';
  const presence = presenceIn(lesson, enrolment.studentId, book);
  if (!presence) return notTakenWords;
  const mark = book.marks[markId(lesson.id, enrolment.studentId)];
  const standing = mark?.standingId ? book.standings[mark.standingId] : undefined;
  const here = Object.values(book.standings).find((s) => s.countsAs === 'here' && !s.removed);
  const clock = [mark?.arrivedAt && `from ${mark.arrivedAt}`, mark?.leftAt && `to ${mark.leftAt}`];
  return [standing?.code ?? here?.code ?? 'H', ...clock].filter(Boolean).join(' ');
}

export type TableCell = string | number | null;

const rounded = (value: number | null) => (value === null ? null : Math.round(value * 10) / 10);

/** The totals of a line as they stand in a table, in the order of `totalColumns`. */
export function totalCells(totals: Totals): TableCell[] {
  return totalColumns.map(([, field]) => rounded(totals[field]));
}

/** A class's roll over some days as the rows of a table: a heading, then a student a row with all totals. */
export function rollTable(
  sectionId: string,
  roll: ClassRoll,
  now: LocalMoment,
  order: NameOrder = 'given',
): TableCell[][] {
  const { students, lessons, book, enrolments } = roll;
  const titles = lessons.map(({ date, startsAt }) => `${date} ${startsAt}`);
  const heading = ['Student', 'Cohort', ...titles, ...totalColumns.map(([title]) => title)];
  const byId = new Map(students.map((student) => [student.id, student]));
  const timesOf = groupBy(enrolments, ({ studentId }) => studentId);
  const rows = classTotals(sectionId, roll, now)
    .flatMap((line) => {
      const student = byId.get(line.studentId);
      return student ? [{ student, ...line }] : [];
    })
    .sort((a, b) => byName(order)(a.student, b.student))
    .map(({ student, cohort, totals }) => [
      displayName(student),
      cohort,
      ...lessons.map((lesson) => entryOf(lesson, timesOf.get(student.id) ?? [], book, now)),
      ...totalCells(totals),
    ]);
  return [heading, ...rows];
}
