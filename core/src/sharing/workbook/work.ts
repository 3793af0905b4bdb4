import { isEnrolledOn } from '../../attendance/roll/totals';
import { localMoment } from '../../calendar/zone';
import { statusOf } from '../../work/pieceStatus';
import { statusWords } from '../../work/pieceWords';
import { knownScore } from '../../work/scores';
import { peopleOf } from './attendance';
import { dayCell, type BookCell, type BookFrame, type ClassBook } from './book';

const dayOf = (moment: string | null | undefined): BookCell => (moment ? dayCell(moment.slice(0, 10)) : null);

/** A student's part of a piece of work a row. */
export function workSheet(books: readonly ClassBook[], frame: BookFrame): BookCell[][] {
  const heading = [
    'Student',
    'Class',
    'Piece',
    'Due',
    'Status',
    'Handed in',
    'Handed back',
    'Score',
    'Of',
    'Written',
  ];
  const asOf = `${frame.now.date}T${frame.now.time}`;
  const rows = books.flatMap((book) => {
    const handIns = new Map(book.handIns.map((handIn) => [`${handIn.workId} ${handIn.studentId}`, handIn]));
    const people = peopleOf(book, frame);
    return book.work.flatMap((work) =>
      people.flatMap(({ id, name }): BookCell[][] => {
        const day = (work.dueAt ?? frame.to).slice(0, 10);
        const times = book.roll.enrolments.filter((one) => one.studentId === id);
        const isTheirs = work.studentId === null || work.studentId === id;
        if (!isTheirs || !times.some((time) => isEnrolledOn(time, day))) return [];
        const handIn = handIns.get(`${work.id} ${id}`);
        const status = statusWords[statusOf(work.dueAt, handIn, asOf)];
        const score = handIn ? knownScore(handIn, asOf) : null;
        return [
          [
            ...[name, book.section.name, work.title, dayOf(work.dueAt), status],
            ...[dayOf(handIn?.handedInAt), dayOf(handIn?.handedBackAt), score, work.points],
            score === null ? (handIn?.written ?? null) : null,
          ],
        ];
      }),
    );
  });
  return [heading, ...rows];
}

/** What was written home a row: to how many, about what; never the words themselves. */
export function contactSheet(books: readonly ClassBook[], frame: BookFrame): BookCell[][] {
  const rows = books.flatMap((book) => {
    const names = new Map(peopleOf(book, frame).map(({ id, name }) => [id, name]));
    return book.messages.flatMap(({ studentId, writtenAt, subject, toWhom, addresses }): BookCell[][] => {
      const name = names.get(studentId);
      const { date, time } = localMoment(Date.parse(writtenAt), frame.zone);
      return name === undefined || date < frame.from || date > frame.to
        ? []
        : [[dayCell(date), time, name, book.section.name, toWhom, addresses.length, subject]];
    });
  });
  return [['Day', 'Time', 'Student', 'Class', 'To', 'Addresses', 'Subject'], ...rows];
}
