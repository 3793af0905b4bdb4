import { minutesOf } from '../../calendar/localTime';
import type { LocalMoment } from '../../calendar/zone';
import type { Lesson, Mark, Standing } from '../../records/schema';
import type { MarkFields } from './changes';
import type { RollRules } from './rules';
import { standingFor } from './standings';

/** After the roll was taken this long ago, whoever is still shown as here was seen to be here. */
export const settlesAfterMinutes = 5;

/** What a tap on a student does at this moment. */
export type TapMeaning = 'away' | 'here' | 'late' | 'leaves' | 'back';

export interface TapMoment {
  lesson: Pick<Lesson, 'date' | 'startsAt' | 'endsAt'>;
  now: LocalMoment;
  /** Local moment at which the roll was first taken; null when it was not. */
  takenAt: LocalMoment | null;
  rules: RollRules;
}

/** How far the lesson is: before it, minutes into it, or over. A lesson of another day is one or the other. */
function minutesInto({ lesson, now }: TapMoment): number | 'before' | 'over' {
  if (now.date !== lesson.date) return now.date < lesson.date ? 'before' : 'over';
  const minute = minutesOf(now.time);
  if (minute >= minutesOf(lesson.endsAt)) return 'over';
  return minute < minutesOf(lesson.startsAt) ? 'before' : minute - minutesOf(lesson.startsAt);
}

/** The roll was taken long enough ago, on the lesson's own day, that a tap is no longer part of taking it. */
export function hasSettled({ lesson, now, takenAt }: TapMoment): boolean {
  if (!takenAt || takenAt.date !== lesson.date || now.date !== lesson.date) return false;
  return minutesOf(now.time) - minutesOf(takenAt.time) >= settlesAfterMinutes;
}

/** What is recorded of the student so far; nothing is here for all of it. */
type MarkSoFar = Pick<Mark, 'arrivedAt' | 'leftAt' | 'standingId'> | undefined;

function arrivalHasSettled(arrivedAt: string | null, now: LocalMoment): boolean {
  return arrivedAt !== null && minutesOf(now.time) - minutesOf(arrivedAt) >= settlesAfterMinutes;
}

/**
 * What one tap means, by where the student stands and how far the lesson is:
 * - here, while the roll is being taken or afterwards in the books: away;
 * - here in a lesson whose roll has settled, or late and long arrived: leaves now;
 * - away, within the grace: here after all; later in the lesson: late, as of now; over: here;
 * - late a moment ago, or in the books: here for all of it (a correction);
 * - gone early: back again.
 */
export function tapMeaning(
  moment: TapMoment,
  standing: Pick<Standing, 'countsAs'> | undefined,
  mark?: MarkSoFar,
): TapMeaning {
  const into = minutesInto(moment);
  const on = typeof into === 'number';
  if (mark?.leftAt) return 'back';
  switch (standing?.countsAs ?? 'here') {
    case 'here':
      return on && hasSettled(moment) ? 'leaves' : 'away';
    case 'away':
      return on && into > moment.rules.graceMinutes ? 'late' : 'here';
    case 'late':
      return on && arrivalHasSettled(mark?.arrivedAt ?? null, moment.now) ? 'leaves' : 'here';
    case 'left_early':
      return 'back';
    default:
      return 'here';
  }
}

/**
 * The mark that a tap makes: what the screen said it would.
 * @param meaning as it was shown when the student was tapped @param arrivedAt that of the mark shown
 * @param now `HH:MM` @param standings those in use
 * @returns the fields to set; null when the teacher has no standing of the kind that is needed
 */
export function markByTap(
  studentId: string,
  meaning: TapMeaning,
  arrivedAt: string | null,
  now: string,
  standings: readonly Standing[],
): MarkFields | null {
  const as = (countsAs: Standing['countsAs'], times: Partial<MarkFields> = {}): MarkFields | null => {
    const kind = standingFor(standings, countsAs);
    return kind ? { studentId, standingId: kind.id, arrivedAt: null, leftAt: null, ...times } : null;
  };
  const here: MarkFields = { studentId, standingId: null, arrivedAt: null, leftAt: null };
  switch (meaning) {
    case 'here':
      return here;
    case 'away':
      return as('away');
    case 'late':
      return as('late', { arrivedAt: now });
    case 'leaves':
      return as(arrivedAt ? 'late' : 'left_early', { arrivedAt, leftAt: now });
    case 'back':
      return arrivedAt ? as('late', { arrivedAt }) : here;
  }
}
