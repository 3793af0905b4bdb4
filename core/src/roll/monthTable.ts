import type { LocalMoment } from '../calendar/zone';
import { byDisplayName, displayName } from '../people/names';
import type { Enrolment, Lesson, Student } from '../records/schema';
import { markId } from './markId';
import type { RollBook } from './book';
import { isEnrolledOn, presenceIn, studentTotals, wasHeld, type Totals } from './totals';

export const totalColumns: [title: string, field: keyof Totals][] = [
  ['Lessons', 'lessons'],
  ['Taken', 'taken'],
  ['Not taken', 'notTaken'],
  ['Here', 'here'],
  ['Late', 'late'],
  ['Left early', 'leftEarly'],
  ['Away', 'away'],
  ['Excused', 'excused'],
  ['Set aside', 'setAside'],
  ['Credit', 'credit'],
  ['Percent', 'percent'],
  ['Minutes missed', 'minutesMissed'],
  ['Minutes late', 'minutesLate'],
  ['Minutes there', 'minutesThere'],
  ['Days', 'days'],
];

interface MonthOfClass {
  students: readonly Student[];
  enrolments: readonly Enrolment[];
  lessons: readonly Lesson[];
  book: RollBook;
}

/** What stands for a student in a lesson: the code letter, with times; nothing where nothing is known. */
function entryOf(lesson: Lesson, enrolment: Enrolment, book: RollBook, now: LocalMoment): string {
  if (!isEnrolledOn(enrolment, lesson.date) || !wasHeld(lesson, now)) return '';
  if (lesson.setAside) return 'set aside';
  const presence = presenceIn(lesson, enrolment.studentId, book);
  if (!presence) return 'not taken';
  const mark = book.marks[markId(lesson.id, enrolment.studentId)];
  const standing = mark?.standingId ? book.standings[mark.standingId] : undefined;
  const here = Object.values(book.standings).find((s) => s.countsAs === 'here' && !s.removed);
  const times = [mark?.arrivedAt && `from ${mark.arrivedAt}`, mark?.leftAt && `to ${mark.leftAt}`];
  return [standing?.code ?? here?.code ?? 'H', ...times].filter(Boolean).join(' ');
}

const rounded = (value: number | null) => (value === null ? null : Math.round(value * 10) / 10);

/** A month of a class as the rows of a table: a heading, then a student a row with all totals. */
export function monthTable(month: MonthOfClass, now: LocalMoment): (string | number | null)[][] {
  const { students, lessons, book } = month;
  const titles = lessons.map(({ date, startsAt }) => `${date} ${startsAt}`);
  const heading = ['Student', ...titles, ...totalColumns.map(([title]) => title)];
  const byId = new Map(students.map((student) => [student.id, student]));
  const rows = month.enrolments
    .flatMap((enrolment) => {
      const student = byId.get(enrolment.studentId);
      return student ? [{ student, enrolment }] : [];
    })
    .sort((a, b) => byDisplayName(a.student, b.student))
    .map(({ student, enrolment }) => {
      const totals = studentTotals(enrolment, lessons, book, now);
      const entries = lessons.map((lesson) => entryOf(lesson, enrolment, book, now));
      return [displayName(student), ...entries, ...totalColumns.map(([, field]) => rounded(totals[field]))];
    });
  return [heading, ...rows];
}
