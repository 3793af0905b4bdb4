import { minutesOf } from '../../calendar/localTime';
import { localMoment } from '../../calendar/zone';
import type { Lesson, Tallying } from '../../records/schema';
import type { Presence } from '../../attendance/roll/presence';

/** From and to, in minutes since midnight. */
export type Span = readonly [from: number, to: number];

/**
 * The part of a lesson in which tallying was on. Turned on or off outside of the lesson (before it
 * begins, or afterwards from memory) means all of it, from or to there.
 * @param firstAt the first tally's instant: one device may have counted before another turned it on
 */
export function observedSpan(
  lesson: Pick<Lesson, 'date' | 'startsAt' | 'endsAt'>,
  { onAt, offAt }: Pick<Tallying, 'onAt' | 'offAt'>,
  zone: string,
  firstAt: string | null = null,
): Span {
  const within = (instant: string, otherwise: string) => {
    const { date, time } = localMoment(Date.parse(instant), zone);
    const inside = date === lesson.date && time >= lesson.startsAt && time < lesson.endsAt;
    return minutesOf(inside ? time : otherwise);
  };
  const from = within(firstAt !== null && firstAt < onAt ? firstAt : onAt, lesson.startsAt);
  const to = offAt === null ? minutesOf(lesson.endsAt) : within(offAt, lesson.endsAt);
  return [from, Math.max(from, to)];
}

/**
 * Minutes of the observed part in which a student was there: the chance there was to see anything
 * (the exposure). None for who was away or set aside; all of it where the roll was not taken.
 * @param presence null where the roll was not taken
 */
export function observedMinutes(
  lesson: Pick<Lesson, 'startsAt' | 'endsAt'>,
  [from, to]: Span,
  presence: Pick<Presence, 'there' | 'away'> | null,
): number {
  if (presence === null) return to - from;
  if (presence.away || presence.there === null) return 0;
  const start = minutesOf(lesson.startsAt);
  const length = minutesOf(lesson.endsAt) - start;
  const came = start + presence.there.from * length;
  const left = start + presence.there.to * length;
  return Math.max(Math.round(Math.min(to, left) - Math.max(from, came)), 0);
}
