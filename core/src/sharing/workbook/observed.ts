import { lookForRates, unitOf } from '../../observation/tallies/countsTable';
import { peopleOf } from './attendance';
import { dayCell, type BookCell, type BookFrame, type ClassBook } from './book';

const units = { count: 'times', tick: 'lessons', seconds: 'minutes' } as const;
const hundredths = (value: number) => Math.round(value * 100) / 100;

/** What was counted of a student a row, with the chance there was for it. */
export function countsSheet(books: readonly ClassBook[], frame: BookFrame): BookCell[][] {
  const heading = [
    'Student',
    'Class',
    'Look-for',
    'In all',
    'Unit',
    'Lessons observed',
    'In an hour observed',
  ];
  const rows = books.flatMap((book) =>
    book.lookFors.flatMap((lookFor) => {
      const rates = lookForRates(book.counts, lookFor.id, 'student');
      const unit = unitOf(lookFor);
      return peopleOf(book, frame).flatMap(({ id, name }): BookCell[][] => {
        const rate = rates.get(id);
        if (!rate) return [];
        const perHour = rate.perHour === null ? null : hundredths(rate.perHour / unit);
        const sum = hundredths(rate.amount / unit);
        return [[name, book.section.name, lookFor.name, sum, units[lookFor.measure], rate.lessons, perHour]];
      });
    }),
  );
  return [heading, ...rows];
}

/** A student in a lesson that was looked at a row. */
export function engagementSheet(books: readonly ClassBook[], frame: BookFrame): BookCell[][] {
  const rows = books.flatMap((book) => {
    const names = new Map(peopleOf(book, frame).map(({ id, name }) => [id, name]));
    const dates = new Map(book.roll.lessons.map(({ id, date }) => [id, date]));
    return book.sweeps
      .flatMap(({ lessonId, studentId, level }) => {
        const [date, name] = [dates.get(lessonId), names.get(studentId)];
        return date === undefined || name === undefined || level === null ? [] : [{ date, name, level }];
      })
      .toSorted((a, b) => (a.date === b.date ? 0 : a.date < b.date ? -1 : 1))
      .map(({ date, name, level }): BookCell[] => [
        dayCell(date),
        book.section.name,
        name,
        level,
        frame.levels[level] ?? '',
      ]);
  });
  return [['Day', 'Class', 'Student', 'Level', 'Called'], ...rows];
}
