import { datesBetween } from '../calendar/localTime';
import { instantOfLocal } from '../keeping/archive/localSeconds';
import { isHandedBack, isHandedIn, type HandInFacts } from './pieceStatus';
import { wholeMoment } from './wholeMoment';

const dayLength = 24 * 60 * 60 * 1000;

/** Handed in and not handed back by a moment: it waits for the teacher. */
export const isWaiting = (handIn: HandInFacts, asOf: string): boolean =>
  handIn.status !== 'excused' && isHandedIn(handIn, asOf) && !isHandedBack(handIn, asOf);

/**
 * How long a student waited for feedback: elapsed time from handed in to handed back, in days of 24 hours. Between
 * instants, so that a night in which the clocks change is as long as it was.
 * @param zone IANA name of the school's zone @returns null where either is not known by then
 */
export function feedbackDays(handIn: HandInFacts, asOf: string, zone: string): number | null {
  const { handedInAt, handedBackAt } = handIn;
  if (handedInAt === null || handedBackAt === null) return null;
  if (!isHandedIn(handIn, asOf) || !isHandedBack(handIn, asOf)) return null;
  const from = Date.parse(instantOfLocal(wholeMoment(handedInAt), zone));
  const to = Date.parse(instantOfLocal(wholeMoment(handedBackAt), zone));
  return to < from ? null : (to - from) / dayLength;
}

/**
 * The same in school days: how many days with school lie after the day on which it was handed in, up to the day on
 * which it was handed back; handed back on the same day is none. @param isSchoolDay of a date
 */
export function feedbackSchoolDays(
  handIn: HandInFacts,
  asOf: string,
  isSchoolDay: (date: string) => boolean,
): number | null {
  const { handedInAt, handedBackAt } = handIn;
  if (handedInAt === null || handedBackAt === null || handedBackAt < handedInAt) return null;
  if (!isHandedIn(handIn, asOf) || !isHandedBack(handIn, asOf)) return null;
  return datesBetween(handedInAt.slice(0, 10), handedBackAt.slice(0, 10)).slice(1).filter(isSchoolDay).length;
}
