import { byDisplayName } from '../../people/names';
import type { Enrolment, Lesson, Mark, Standing, Student } from '../../records/schema';
import { rulesFor, type RollBook } from './book';
import { markId } from './markId';
import { presenceOf, type Presence } from './presence';
import { isEnrolledOn } from './totals';

/** A student on a lesson's roll, whether it is taken or not. */
export interface RollRow {
  student: Student;
  mark: Mark | undefined;
  standing: Standing | undefined;
  presence: Presence;
}

/** Who is on a lesson's roll, in the order of the class list: the students enrolled on its day. */
export function rollRows(
  lesson: Lesson,
  students: Readonly<Record<string, Student>>,
  enrolments: readonly Enrolment[],
  book: RollBook,
): RollRow[] {
  const enrolled = enrolments.filter(
    (e) => !e.removed && e.sectionId === lesson.sectionId && isEnrolledOn(e, lesson.date),
  );
  const ids = [...new Set(enrolled.map(({ studentId }) => studentId))];
  return ids
    .flatMap((studentId) => {
      const student = students[studentId];
      if (!student || student.removed) return [];
      const mark = book.marks[markId(lesson.id, studentId)];
      const standing = mark?.standingId ? book.standings[mark.standingId] : undefined;
      return [
        {
          student,
          mark,
          standing,
          presence: presenceOf(lesson, mark, standing, rulesFor(book, lesson.sectionId)),
        },
      ];
    })
    .sort((a, b) => byDisplayName(a.student, b.student));
}
