import type { CheckIn, OtherCheckIn } from '../../records/schema';

/** The device that everybody uses: the tablet at the door. Who holds it is not known. */
export const sharedDevice = 'shared';

/** More than this for one student in one lesson is somebody playing; nothing of it is kept. */
export const mostOthers = 8;

type Said = Pick<CheckIn, 'weather' | 'wantsWord' | 'lunch' | 'comment'>;

/** Where a check-in belongs among what was said for the student in this lesson before. */
export type CheckInPlace =
  | { kind: 'first' }
  /** The same phone sets right what it said. */
  | { kind: 'correction' }
  /** From another device: kept beside the first; `otherId` is that of the one which it corrects. */
  | { kind: 'other'; otherId: string | null }
  /** The same words again, as when an answer was lost on its way. */
  | { kind: 'repeated' }
  | { kind: 'too_many' };

const sameWords = (a: Said, b: Said) =>
  a.weather === b.weather && a.wantsWord === b.wantsWord && a.lunch === b.lunch && a.comment === b.comment;

/**
 * Decides what a check-in is. Only the device that said something can correct it; on the tablet at the door
 * anybody could, so there nothing is corrected.
 * @param first the student's check-in in this lesson so far @param others what stands beside it
 */
export function placeOfCheckIn(
  saying: Said & { device: string },
  first: CheckIn | undefined,
  others: readonly OtherCheckIn[],
): CheckInPlace {
  if (!first || first.removed) return { kind: 'first' };
  const known = others.filter(({ removed }) => !removed);
  const own = [first, ...known].filter(({ device }) => device === saying.device);
  if (own.some((said) => sameWords(said, saying))) return { kind: 'repeated' };
  if (saying.device !== sharedDevice) {
    if (first.device === saying.device) return { kind: 'correction' };
    if (own[0]) return { kind: 'other', otherId: own[0].id };
  }
  return known.length >= mostOthers ? { kind: 'too_many' } : { kind: 'other', otherId: null };
}
