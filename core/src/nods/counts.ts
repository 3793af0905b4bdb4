import { mondayOf } from '../calendar/localTime';
import { groupBy } from '../records/groupBy';
import type { Nod } from '../records/schema';

/** By what nods are counted. */
export const nodGroupings = ['student', 'reason', 'place', 'week', 'month'] as const;
export type NodGrouping = (typeof nodGroupings)[number];

export interface NodCount {
  /** The student's id, the reason, the place, the Monday, or the month. */
  key: string;
  count: number;
}

type CountedNod = Pick<Nod, 'studentId' | 'at' | 'reason' | 'place'>;

const keyOf: Record<NodGrouping, (nod: CountedNod) => string> = {
  student: ({ studentId }) => studentId,
  reason: ({ reason }) => reason,
  place: ({ place }) => place,
  week: ({ at }) => mondayOf(at.slice(0, 10)),
  month: ({ at }) => at.slice(0, 7),
};

const byTime: readonly NodGrouping[] = ['week', 'month'];

/** How many nods there are of each kind: weeks and months in their order, all else by number. */
export function nodCounts(nods: readonly CountedNod[], grouping: NodGrouping): NodCount[] {
  const counts = [...groupBy(nods, keyOf[grouping])].map(([key, found]) => ({ key, count: found.length }));
  return counts.sort((a, b) =>
    byTime.includes(grouping) ? a.key.localeCompare(b.key) : b.count - a.count || a.key.localeCompare(b.key),
  );
}

/**
 * Who has had no nod since a day.
 * @param since `YYYY-MM-DD` @returns of these students, in their order
 */
export function withoutNod(
  studentIds: readonly string[],
  nods: readonly Pick<Nod, 'studentId' | 'at'>[],
  since: string,
): string[] {
  const had = new Set(nods.filter(({ at }) => at.slice(0, 10) >= since).map(({ studentId }) => studentId));
  return studentIds.filter((id) => !had.has(id));
}
