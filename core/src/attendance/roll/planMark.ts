import type { Lesson, Mark } from '../../records/schema';
import type { MarkFields } from './changes';
import { says } from './says';

/** A mark that would be made, shown before it is. */
export interface PlannedMark {
  lesson: Lesson;
  mark: MarkFields;
  /** What is recorded so far; undefined where nothing is. */
  before: Mark | undefined;
  /** `replaces`: something is recorded, or the roll was taken and the student was here. */
  fate: 'new' | 'replaces' | 'same';
  /** Something else than the same source said what would go: to be looked at before it does. */
  fromElsewhere: boolean;
}

/**
 * What becomes of a mark when it meets what is recorded.
 * @param found the student's mark in the lesson, if any
 * @param source where the new one comes from: what came from there too goes without a look
 */
export function planMark(
  lesson: Lesson,
  mark: MarkFields,
  found: Mark | undefined,
  source: Mark['source'],
): PlannedMark {
  const before = says(found) ? found : undefined;
  const taken = lesson.takenAt !== null;
  const now = before ?? { standingId: null, arrivedAt: null, leftAt: null };
  const same =
    (before !== undefined || taken) &&
    now.standingId === mark.standingId &&
    now.arrivedAt === mark.arrivedAt &&
    now.leftAt === mark.leftAt;
  return {
    lesson,
    mark,
    before,
    fate: same ? 'same' : before || taken ? 'replaces' : 'new',
    fromElsewhere: before ? before.source !== source : taken,
  };
}

/** Which mark of which lesson, as a key. */
export const plannedKey = ({ lesson, mark }: Pick<PlannedMark, 'lesson' | 'mark'>) =>
  `${lesson.id} ${mark.studentId}`;
