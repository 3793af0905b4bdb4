import { isEnrolledOn } from '../../attendance/roll/totals';
import type { Draw, Enrolment, Nod } from '../../records/schema';

/** Whose nods count: of a class or the whole school, of a group or all of it, given from one day to another. */
export interface Pool extends Pick<Draw, 'sectionId' | 'startsOn' | 'endsOn' | 'at'> {
  /** Only these; null: everybody. */
  groupIds: readonly string[] | null;
}

/** Is a nod one of a class? Without a class it counts for each that its student is in. */
export const isOfClass = (nod: Pick<Nod, 'sectionId'>, sectionId: string | null): boolean =>
  sectionId === null || nod.sectionId === null || nod.sectionId === sectionId;

/**
 * How many nods everybody has who can be drawn: whoever is enrolled on the day of the draw.
 * @returns by student; those without a nod are not in it
 */
export function nodsInPool(
  { sectionId, groupIds, startsOn, endsOn, at }: Pool,
  nods: readonly Pick<Nod, 'studentId' | 'sectionId' | 'at'>[],
  enrolments: readonly Enrolment[],
): Map<string, number> {
  const day = at.slice(0, 10);
  const there = new Set(
    enrolments
      .filter(
        (one) =>
          !one.removed && isEnrolledOn(one, day) && (sectionId === null || one.sectionId === sectionId),
      )
      .map(({ studentId }) => studentId),
  );
  const counts = new Map<string, number>();
  for (const nod of nods) {
    const given = nod.at.slice(0, 10);
    const counted = startsOn <= given && given <= endsOn && nod.at <= at && isOfClass(nod, sectionId);
    const isIn = there.has(nod.studentId) && (groupIds?.includes(nod.studentId) ?? true);
    if (counted && isIn) counts.set(nod.studentId, (counts.get(nod.studentId) ?? 0) + 1);
  }
  return counts;
}
