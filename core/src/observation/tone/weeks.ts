import { mondayOf } from '../../calendar/localTime';
import { groupBy } from '../../records/groupBy';
import { median } from '../../statistics/median';
import type { LessonTone } from './course';

export interface WeekTone {
  /** Its Monday, YYYY-MM-DD. */
  week: string;
  lessons: LessonTone[];
  /** Of the means of its lessons. */
  median: number;
}

/** Lessons by week, in order, each week with the median of its lessons. Weeks in which none was set are missing. */
export function toneWeeks(lessons: readonly LessonTone[]): WeekTone[] {
  const sorted = [...lessons].sort((a, b) => (a.date + a.startsAt < b.date + b.startsAt ? -1 : 1));
  return [...groupBy(sorted, ({ date }) => mondayOf(date))].map(([week, of]) => ({
    week,
    lessons: of,
    median: median(of.map(({ mean }) => mean)) ?? 0,
  }));
}
