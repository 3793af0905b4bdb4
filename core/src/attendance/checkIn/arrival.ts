import { minutesOf } from '../../calendar/localTime';
import type { Lesson, Mark, Standing } from '../../records/schema';
import type { MarkFields } from '../roll/changes';
import type { RollRules } from '../roll/rules';
import { standingFor } from '../roll/standings';

/** Given by the teacher's own hand, in the lesson or before it: nothing that a phone says changes it. */
export function isByHand(mark: Mark | undefined): boolean {
  if (!mark || mark.removed || (mark.source !== 'tap' && mark.source !== 'range')) return false;
  // Who has a comment and no standing was written about, and perhaps not marked.
  return mark.standingId !== null || mark.comment === '';
}

/**
 * What checking in at this minute makes of a student's mark: in time, nothing (here is no mark), or
 * here again for somebody marked away; after the grace, late with the minute. A mark of being late or
 * gone that is there already stays; so does a mark by the teacher's own hand.
 * @param time `HH:MM` @param standing that of the mark so far
 * @returns null where the mark stays as it is
 */
export function markByArrival(
  studentId: string,
  lesson: Pick<Lesson, 'startsAt'>,
  time: string,
  { graceMinutes }: Pick<RollRules, 'graceMinutes'>,
  mark: Mark | undefined,
  standing: Pick<Standing, 'countsAs'> | undefined,
  standings: readonly Standing[],
): MarkFields | null {
  if (isByHand(mark)) return null;
  const countsAs = mark && !mark.removed ? (standing?.countsAs ?? 'here') : 'here';
  if (countsAs !== 'here' && countsAs !== 'away') return null;
  if (mark?.leftAt || mark?.arrivedAt) return null;
  const inTime = minutesOf(time) <= minutesOf(lesson.startsAt) + graceMinutes;
  if (!inTime) {
    if (countsAs === 'here' && mark?.source === 'check_in') return null;
    const late = standingFor(standings, 'late');
    return late ? { studentId, standingId: late.id, arrivedAt: time, leftAt: null } : null;
  }
  return countsAs === 'away' ? { studentId, standingId: null, arrivedAt: null, leftAt: null } : null;
}
