import type { Mark } from '../../records/schema';

/** A mark that says something; nothing recorded, or everything taken off again, is here all the time. */
export function says(mark: Mark | undefined): mark is Mark {
  return mark !== undefined && !mark.removed && (mark.standingId ?? mark.arrivedAt ?? mark.leftAt) !== null;
}

/**
 * Whether how a student was there can be shown: the roll was taken, or something is recorded before it is,
 * as an absence that is planned, or a check-in after the grace.
 */
export function isKnown(lesson: { takenAt: string | null }, mark: Mark | undefined): boolean {
  return lesson.takenAt !== null || says(mark);
}

/** Recorded by the teacher before the lesson, for it or for a range of days, and not yet confirmed by its roll. */
export function isPlanned(lesson: { takenAt: string | null }, mark: Mark | undefined): boolean {
  return lesson.takenAt === null && says(mark) && (mark.source === 'range' || mark.source === 'tap');
}
