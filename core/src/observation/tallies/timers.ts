import { minutesOf } from '../../calendar/localTime';
import { instantOf } from '../../calendar/zone';
import type { Lesson, Mark, Tally } from '../../records/schema';

/** When a timer that nobody stops ends by itself. */
export interface TimerEnd {
  /** Milliseconds since the epoch. */
  at: number;
  /** Nobody said that it was so: to be asked. */
  unsure: boolean;
}

/** A timed tally lasts at least a second and at most a day. */
const longestSeconds = 86_400;

/** Whole seconds from a timer's beginning to an instant. @param until milliseconds since the epoch */
export function timerSeconds({ at }: Pick<Tally, 'at'>, until: number): number {
  return Math.min(Math.max(Math.round((until - Date.parse(at)) / 1000), 1), longestSeconds);
}

/**
 * A timer ends when its student leaves, else with the lesson; then nobody knows whether it was true so long. One
 * that was begun after the lesson runs for the length of a lesson at most.
 * @param mark of the student in the lesson @param zone IANA name of the school's
 */
export function timerEnd(
  tally: Pick<Tally, 'at'>,
  { date, startsAt, endsAt }: Pick<Lesson, 'date' | 'startsAt' | 'endsAt'>,
  mark: Pick<Mark, 'leftAt'> | undefined,
  zone: string,
): TimerEnd {
  const begun = Date.parse(tally.at);
  const lessonEnd = instantOf({ date, time: endsAt }, zone);
  const length = (minutesOf(endsAt) - minutesOf(startsAt)) * 60_000;
  const end = begun < lessonEnd ? lessonEnd : begun + length;
  const left = mark?.leftAt ? instantOf({ date, time: mark.leftAt }, zone) : null;
  return left !== null && begun <= left && left < end
    ? { at: left, unsure: false }
    : { at: end, unsure: true };
}
