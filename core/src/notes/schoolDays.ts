import { isWholeDay, lessonsBetween, termOn, type Calendar } from '../calendar/lessons';
import { addDays } from '../calendar/localTime';
import { schoolDaysOf } from '../calendar/schoolDays';
import type { Lesson } from '../records/schema';

/** What dates in notes are read by. */
export interface SchoolDays {
  /** Is there school on a day? */
  isSchoolDay(date: string): boolean;
  /** The day of the `n`th lesson of the class in hand after this moment; null where none is known. */
  nextLesson(n: number): string | null;
  /** The last day of the term a day lies in; null outside of all. */
  termEnd(date: string): string | null;
  /** The first day after the next days off; null where none are known. */
  afterDaysOff(date: string): string | null;
}

/** Where nothing is known of the school: every day is one like another. */
export const anyDays: SchoolDays = {
  isSchoolDay: () => true,
  nextLesson: () => null,
  termEnd: () => null,
  afterDaysOff: () => null,
};

const farthest = 400;

/**
 * The school's calendar for reading notes.
 * @param now local date and time @param sectionId the class in hand, if any
 */
export function schoolDays(
  calendar: Calendar,
  now: { date: string; time: string },
  sectionId: string | null,
): SchoolDays {
  const { terms, daysOff } = calendar;
  const isSchoolDay = schoolDaysOf(calendar);
  let ahead: Lesson[] | null = null;
  const lessonsAhead = () =>
    (ahead ??= lessonsBetween(calendar, now.date, addDays(now.date, 60)).filter(
      (lesson) =>
        lesson.sectionId === sectionId &&
        !lesson.setAside &&
        (lesson.date > now.date || lesson.startsAt > now.time),
    ));
  return {
    isSchoolDay,
    nextLesson: (n) => (sectionId === null ? null : (lessonsAhead()[n - 1]?.date ?? null)),
    termEnd: (date) => termOn(date, terms)?.endsOn ?? null,
    afterDaysOff: (date) => {
      const off = daysOff
        .filter((one) => isWholeDay(one) && one.endsOn > date)
        .toSorted((a, b) => (a.startsOn < b.startsOn ? -1 : 1));
      return off[0] ? nextSchoolDay(addDays(off[0].endsOn, 1), { isSchoolDay }) : null;
    },
  };
}

/** The day itself, or the next one with school; itself where there is none within a year. */
export function nextSchoolDay(date: string, days: Pick<SchoolDays, 'isSchoolDay'>): string {
  for (let day = date, tries = 0; tries < farthest; day = addDays(day, 1), tries += 1)
    if (days.isSchoolDay(day)) return day;
  return date;
}
