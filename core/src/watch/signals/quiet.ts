import type { Quiet } from '../../records/schema';
import type { WatchItem } from './watchClass';

/** A concern comes back before its time when it is so much stronger than when it was put aside. */
export const clearlyWorse = 0.15;

/** The id of what keeps a concern quiet: every device derives the same one. */
export const quietId = (sectionId: string, studentId: string, concern: string) =>
  `${sectionId}/${studentId}/${concern}`;

type Aside = Pick<Quiet, 'until' | 'strength' | 'removed'>;

/**
 * Is a concern not to be shown on a day? Until its date, or for good where it was said to be none;
 * in either case only as long as it does not get clearly worse.
 */
export function isQuiet(
  { strength }: Pick<WatchItem, 'strength'>,
  aside: Aside | undefined,
  today: string,
): boolean {
  if (!aside || aside.removed) return false;
  if (aside.until !== null && aside.until <= today) return false;
  return strength < aside.strength + clearlyWorse;
}
