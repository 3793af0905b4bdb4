import type { LocalMoment } from '../../calendar/zone';
import type { Lesson } from '../../records/schema';
import type { Place } from './placing';

/** How a class sat from a day on. */
export interface Seated {
  /** YYYY-MM-DD */
  startsOn: string;
  places: readonly Place[];
}

/** A day by which every seating has begun, also one that counts from tomorrow. */
export const lastDay = '9999-12-31';

/** The last of them that had begun by a day. @param seatings of one class, in any order */
export function seatingOn<S extends Seated>(seatings: readonly S[], date: string): S | undefined {
  return seatings
    .filter(({ startsOn }) => startsOn <= date)
    .reduce<S | undefined>((last, one) => (last && last.startsOn >= one.startsOn ? last : one), undefined);
}

/**
 * From which day a new seating counts: today, but from tomorrow on where a lesson of the class is over by now and
 * none comes any more, for that one was still seated as before.
 * @param lessons of the class, of today @param tomorrow the day after
 */
export function countsFrom(lessons: readonly Lesson[], now: LocalMoment, tomorrow: string): string {
  const today = lessons.filter(({ date, setAside }) => date === now.date && !setAside);
  const isOver = today.length > 0 && today.every(({ endsAt }) => endsAt <= now.time);
  return isOver ? tomorrow : now.date;
}

/**
 * Who sits at the same table right beside, in front of or behind whom; or corner to corner with nobody between, as round
 * a circle or at a table that stands aslant.
 */
export function neighbours(places: readonly Place[]): Map<string, string[]> {
  const at = new Map(places.map(({ x, y, studentId }) => [`${x} ${y}`, studentId]));
  const who = (x: number, y: number) => at.get(`${x} ${y}`);
  return new Map(
    places.map(({ x, y, studentId }) => {
      const sides = [who(x - 1, y), who(x + 1, y), who(x, y - 1), who(x, y + 1)];
      const corners = [-1, 1].flatMap((dx) =>
        [-1, 1].map((dy) => ((who(x + dx, y) ?? who(x, y + dy)) ? undefined : who(x + dx, y + dy))),
      );
      return [studentId, [...sides, ...corners].filter((id) => id !== undefined)];
    }),
  );
}
