import { markId } from '../../attendance/roll/markId';
import { classTotals, totalCells, totalColumns } from '../../attendance/roll/rollTable';
import { isEnrolledOn, presenceIn, wasHeld } from '../../attendance/roll/totals';
import { byName, displayName } from '../../people/names';
import { dayCell, type BookCell, type BookFrame, type ClassBook } from './book';

/** Who is in a class at any time of the range, in the order of names. */
export function peopleOf({ roll }: Pick<ClassBook, 'roll'>, { order }: Pick<BookFrame, 'order'>) {
  const ids = new Set(roll.enrolments.map(({ studentId }) => studentId));
  return roll.students
    .filter(({ id }) => ids.has(id))
    .toSorted(byName(order))
    .map((student) => ({ id: student.id, name: displayName(student) }));
}

/** A student in a lesson whose roll was taken a row: what a table program sums and turns about. */
export function attendanceSheet(books: readonly ClassBook[], frame: BookFrame): BookCell[][] {
  const heading = [
    'Day',
    'Starts',
    'Class',
    'Student',
    'Mark',
    'Away',
    'Excused',
    'Minutes late',
    'Minutes there',
  ];
  const rows = books.flatMap((book) => {
    const { section, roll } = book;
    const here = Object.values(roll.book.standings).find((one) => one.countsAs === 'here' && !one.removed);
    return roll.lessons.flatMap((lesson) =>
      peopleOf(book, frame).flatMap(({ id, name }): BookCell[][] => {
        const times = roll.enrolments.filter((one) => one.studentId === id);
        const presence = presenceIn(lesson, id, roll.book);
        if (
          !presence ||
          !wasHeld(lesson, frame.now) ||
          !times.some((time) => isEnrolledOn(time, lesson.date))
        )
          return [];
        const mark = roll.book.marks[markId(lesson.id, id)];
        const standing = (mark?.standingId && roll.book.standings[mark.standingId]) || here;
        const { away, excused, minutesLate, minutesThere, setAside } = presence;
        const of = (is: boolean) => (setAside ? null : Number(is));
        return [
          [
            ...[dayCell(lesson.date), lesson.startsAt, section.name, name, standing?.name ?? 'Here'],
            ...[of(away), of(excused), minutesLate, minutesThere],
          ],
        ];
      }),
    );
  });
  return [heading, ...rows];
}

/** A student in a class a row, with all totals. */
export function totalsSheet(books: readonly ClassBook[], frame: BookFrame): BookCell[][] {
  const rows = books.flatMap((book) => {
    const totals = new Map(
      classTotals(book.section.id, book.roll, frame.now).map((line) => [line.studentId, line.totals]),
    );
    return peopleOf(book, frame).flatMap(({ id, name }): BookCell[][] => {
      const own = totals.get(id);
      return own ? [[name, book.section.name, ...totalCells(own)]] : [];
    });
  });
  return [['Student', 'Class', ...totalColumns.map(([title]) => title)], ...rows];
}
