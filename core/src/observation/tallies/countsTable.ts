import { mondayOf } from '../../calendar/localTime';
import { byName, displayName, type NameOrder } from '../../people/names';
import type { LookFor, Student } from '../../records/schema';
import type { TableCell } from '../../attendance/roll/rollTable';
import type { ClassCounts } from './classCounts';
import { ratesBy, type KeyedRate } from './rates';

export const countGroupings = ['student', 'lesson', 'week'] as const;
export type CountGrouping = (typeof countGroupings)[number];

/** A group of the counts, in its order: a student, a lesson or the Monday of a week. */
export interface CountGroup {
  key: string;
  title: string;
}

/** By what the counts are put together, and all groups there are of it. */
export function countGroups(
  { lessons, exposures }: Pick<ClassCounts, 'lessons' | 'exposures'>,
  students: readonly Student[],
  grouping: CountGrouping,
  order: NameOrder = 'given',
): CountGroup[] {
  if (grouping === 'lesson')
    return lessons.map(({ id, date, startsAt }) => ({ key: id, title: `${date} ${startsAt}` }));
  if (grouping === 'week')
    return [...new Set(lessons.map(({ date }) => mondayOf(date)))].map((key) => ({ key, title: key }));
  const seen = new Set(exposures.map(({ studentId }) => studentId));
  return students
    .filter(({ id }) => seen.has(id))
    .toSorted(byName(order))
    .map((student) => ({ key: student.id, title: displayName(student) }));
}

/** One look-for's sums and rates by group; groups without any stand with none. */
export function lookForRates(
  { lessons, counts, exposures }: ClassCounts,
  lookForId: string,
  grouping: CountGrouping,
): Map<string, KeyedRate> {
  const dates = new Map(lessons.map(({ id, date }) => [id, date]));
  const keyOf = ({ lessonId, studentId }: { lessonId: string; studentId: string }) =>
    grouping === 'student'
      ? studentId
      : grouping === 'lesson'
        ? lessonId
        : mondayOf(dates.get(lessonId) ?? '');
  const own = counts.filter((count) => count.lookForId === lookForId);
  return new Map(ratesBy(own, exposures, keyOf).map((rate) => [rate.key, rate]));
}

const titles: Record<CountGrouping, string> = { student: 'Student', lesson: 'Lesson', week: 'Week from' };
const units: Record<LookFor['measure'], string> = { count: 'times', tick: 'lessons', seconds: 'minutes' };
/** What is timed is recorded in seconds and read in minutes. */
export const unitOf = ({ measure }: Pick<LookFor, 'measure'>) => (measure === 'seconds' ? 60 : 1);
const rounded = (value: number) => Math.round(value * 100) / 100;

/**
 * The counts as a table, a group a line; two columns a look-for: the sum, and the sum per observed hour
 * of a student (empty where nothing was observed). Hours are those of the students together.
 */
export function countsTable(
  seen: ClassCounts,
  lookFors: readonly LookFor[],
  students: readonly Student[],
  grouping: CountGrouping,
  order: NameOrder = 'given',
): TableCell[][] {
  const columns = lookFors.map((lookFor) => ({ lookFor, rates: lookForRates(seen, lookFor.id, grouping) }));
  const observed = lookForRates(seen, '', grouping);
  const heading = [
    titles[grouping],
    'Lessons observed',
    'Minutes observed',
    ...lookFors.flatMap(({ name, measure }) => [`${name} (${units[measure]})`, `${name} per hour`]),
  ];
  const lines = countGroups(seen, students, grouping, order).map(({ key, title }): TableCell[] => [
    title,
    observed.get(key)?.lessons ?? 0,
    observed.get(key)?.minutes ?? 0,
    ...columns.flatMap(({ lookFor, rates }): TableCell[] => {
      const rate = rates.get(key);
      const perHour = rate?.perHour ?? null;
      const unit = unitOf(lookFor);
      return [rounded((rate?.amount ?? 0) / unit), perHour === null ? '' : rounded(perHour / unit)];
    }),
  ]);
  return [heading, ...lines];
}
