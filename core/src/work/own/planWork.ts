import { minutesOf, timeOf } from '../../calendar/localTime';
import type { Enrolment, Lesson, Mark, Section, Standing } from '../../records/schema';
import type { LessonMarks, MarkFields } from '../../attendance/roll/changes';
import { markId } from '../../attendance/roll/markId';
import { standingFor } from '../../attendance/roll/standings';
import { isEnrolledOn } from '../../attendance/roll/totals';
import type { Finished } from './finished';

/** How much of a day somebody's finished work makes. */
export type WorkDay = 'whole' | 'half' | 'none';

type FinishedDay = Pick<Finished, 'studentId' | 'doneOn' | 'minutes'>;

/**
 * What a student's finished work makes of a day: nothing finished is none; else a whole day, or a half
 * one below the class's number of minutes.
 */
export function workDay(
  pieces: readonly FinishedDay[],
  studentId: string,
  date: string,
  wholeDayMinutes: number | null,
): WorkDay {
  const done = pieces.filter((piece) => piece.studentId === studentId && piece.doneOn === date);
  if (done.length === 0) return 'none';
  const minutes = done.reduce((sum, { minutes: of }) => sum + (of ?? 0), 0);
  return wholeDayMinutes === null || minutes >= wholeDayMinutes ? 'whole' : 'half';
}

export interface WorkRecords {
  pieces: readonly FinishedDay[];
  enrolments: readonly Enrolment[];
  standings: readonly Standing[];
  marks: Readonly<Record<string, Mark>>;
}

function markOf(studentId: string, lesson: Lesson, day: WorkDay, standings: readonly Standing[]): MarkFields {
  const here = { studentId, standingId: null, arrivedAt: null, leftAt: null };
  if (day === 'whole') return here;
  if (day === 'none') return { ...here, standingId: standingFor(standings, 'away')?.id ?? null };
  // Half a day is there for the first half.
  const middle = timeOf((minutesOf(lesson.startsAt) + minutesOf(lesson.endsAt)) / 2);
  return { ...here, standingId: standingFor(standings, 'left_early')?.id ?? null, leftAt: middle };
}

const isSame = (mark: Mark | undefined, fields: MarkFields) =>
  mark !== undefined &&
  mark.standingId === fields.standingId &&
  mark.arrivedAt === fields.arrivedAt &&
  mark.leftAt === fields.leftAt;

/**
 * Made by hand, or by anything but work: it stays. In a roll that was taken, "here" is such a mark too;
 * in one that was not, an empty one says nothing.
 */
const stays = (mark: Mark | undefined, lesson: Lesson) =>
  mark !== undefined &&
  mark.source !== 'work' &&
  (mark.standingId !== null || mark.arrivedAt !== null || mark.leftAt !== null || lesson.takenAt !== null);

/**
 * The rolls that follow from finished work: in a lesson on a day on which anybody of the class finished
 * something, whoever did is here (or for half of it), and whoever did not is away. Marks made otherwise
 * stay. A lesson whose work is gone again is as if its roll had never been taken.
 * @param lessons of one class, those of the days that the work touches @param takenAt instant for rolls that are taken by it
 * @returns only lessons in which something changes
 */
export function planWork(
  lessons: readonly Lesson[],
  section: Pick<Section, 'wholeDayMinutes'>,
  { pieces, enrolments, standings, marks }: WorkRecords,
  takenAt: string,
): LessonMarks[] {
  return lessons
    .filter((lesson) => !lesson.setAside && !lesson.removed)
    .flatMap((lesson): LessonMarks[] => {
      const { id, sectionId, date, startsAt, endsAt } = lesson;
      const ids = enrolments
        .filter((e) => !e.removed && e.sectionId === sectionId && isEnrolledOn(e, date))
        .map(({ studentId }) => studentId);
      const days = ids.map((studentId) => ({
        studentId,
        mark: marks[markId(id, studentId)],
        day: workDay(pieces, studentId, date, section.wholeDayMinutes),
      }));
      const worked = days.some(({ day }) => day !== 'none');
      const before = days.some(({ mark }) => mark?.source === 'work');
      // A roll that somebody took says of everyone in it how they were there, of most without a mark.
      if ((!worked || lesson.takenAt !== null) && !before) return [];
      const wanted = days
        .filter(({ mark }) => !stays(mark, lesson) && (worked || mark?.source === 'work'))
        .map(({ studentId, mark, day }) => ({
          mark,
          fields: worked
            ? markOf(studentId, lesson, day, standings)
            : { studentId, standingId: null, arrivedAt: null, leftAt: null },
        }))
        .filter(({ mark, fields }) => !isSame(mark, fields) || mark?.source !== 'work');
      const byOthers = days.some(({ mark }) => stays(mark, lesson));
      const taken = lesson.takenAt !== null;
      const taking = worked && !taken ? { takenAt } : !worked && taken && !byOthers ? { takenAt: null } : {};
      if (wanted.length === 0 && !('takenAt' in taking)) return [];
      return [
        {
          lesson: { id, sectionId, date, startsAt, endsAt },
          marks: wanted.map(({ fields }) => fields),
          ...taking,
        },
      ];
    });
}
