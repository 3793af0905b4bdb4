import { addDays, daysBetween, minutesOf, monthSpan, nextMonth } from '../../calendar/localTime';
import type { Enrolment, Lesson, Standing } from '../../records/schema';
import type { RollBook } from './book';
import type { MarkFields } from './changes';
import { markId } from './markId';
import { planMark, type PlannedMark } from './planMark';
import { isEnrolledOn } from './totals';

export type RangeStep = 'daily' | 'weekly' | 'monthly';

/** Which part of each day: all of it, the lessons before or after noon, or a stretch of time. */
export type RangePart = 'day' | 'morning' | 'afternoon' | { from: string; to: string };

export interface RangeRequest {
  studentIds: readonly string[];
  /** First and last day, both included. */
  from: string;
  to: string;
  step: RangeStep;
  part: RangePart;
  standing: Standing;
  /** For a stretch of time that covers only the beginning or the end of a lesson. */
  partly: { late: Standing | undefined; leftEarly: Standing | undefined };
}

/**
 * The days of a range: every one; every seventh from the first; or the first's day of each month, the
 * last of a shorter month.
 */
export function rangeDates({ from, to, step }: Pick<RangeRequest, 'from' | 'to' | 'step'>): string[] {
  const dates: string[] = [];
  if (step === 'monthly') {
    for (let month = from.slice(0, 7); month <= to.slice(0, 7); month = nextMonth(month, 1)) {
      const date = `${month}-${from.slice(8)}`;
      const last = monthSpan(month).to;
      dates.push(date > last ? last : date);
    }
  } else {
    const by = step === 'weekly' ? 7 : 1;
    for (let day = 0; day <= daysBetween(from, to); day += by) dates.push(addDays(from, day));
  }
  return dates.filter((date) => from <= date && date <= to);
}

const noon = '12:00';
const nowhere = { arrivedAt: null, leftAt: null };

type MarkWithoutStudent = Omit<MarkFields, 'studentId'>;

/** What a stretch of time away leaves of a lesson; null where it misses nothing that can be recorded. */
function markOfStretch(
  lesson: Lesson,
  stretch: { from: string; to: string },
  { standing, partly }: Pick<RangeRequest, 'standing' | 'partly'>,
): MarkWithoutStudent | null {
  const start = minutesOf(lesson.startsAt);
  const end = minutesOf(lesson.endsAt);
  const [from, to] = [minutesOf(stretch.from), minutesOf(stretch.to)];
  if (to <= start || from >= end) return null;
  if (standing.countsAs === 'here')
    return {
      standingId: standing.id,
      arrivedAt: from > start ? stretch.from : null,
      leftAt: to < end ? stretch.to : null,
    };
  if (from <= start && to >= end) return { ...nowhere, standingId: standing.id };
  // Gone in the middle only: there at the start and at the end, which no mark of a lesson says.
  if (from > start && to < end) return null;
  return from <= start
    ? { standingId: partly.late?.id ?? standing.id, arrivedAt: stretch.to, leftAt: null }
    : { standingId: partly.leftEarly?.id ?? standing.id, arrivedAt: null, leftAt: stretch.from };
}

function markFor(lesson: Lesson, request: RangeRequest): MarkWithoutStudent | null {
  const { part, standing } = request;
  if (typeof part === 'object') return markOfStretch(lesson, part, request);
  const before = lesson.startsAt < noon;
  if ((part === 'morning' && !before) || (part === 'afternoon' && before)) return null;
  return { ...nowhere, standingId: standing.id };
}

/**
 * The marks that a range would make, in order of time: one for each student and lesson in its days.
 * Days off have no lessons; lessons set aside and days on which a student is not in the class are
 * left out.
 * @param lessons of the students' classes, any order
 */
export function planRange(
  request: RangeRequest,
  lessons: readonly Lesson[],
  enrolments: readonly Enrolment[],
  book: Pick<RollBook, 'marks'>,
): PlannedMark[] {
  const dates = new Set(rangeDates(request));
  const wanted = new Set(request.studentIds);
  return lessons
    .filter((lesson) => dates.has(lesson.date) && !lesson.setAside && !lesson.removed)
    .toSorted((a, b) => (`${a.date} ${a.startsAt}` < `${b.date} ${b.startsAt}` ? -1 : 1))
    .flatMap((lesson) => {
      const mark = markFor(lesson, request);
      if (!mark) return [];
      const there = enrolments.filter(
        (e) =>
          !e.removed &&
          e.sectionId === lesson.sectionId &&
          wanted.has(e.studentId) &&
          isEnrolledOn(e, lesson.date),
      );
      const ids = [...new Set(there.map(({ studentId }) => studentId))];
      return ids.map((studentId) =>
        planMark(lesson, { studentId, ...mark }, book.marks[markId(lesson.id, studentId)], 'range'),
      );
    });
}
