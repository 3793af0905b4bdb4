import { addDays, datesBetween, minutesOf, timeOf, weekdayOf } from '@slate-path/core/calendar/localTime';
import { instantOf, localMoment } from '@slate-path/core/calendar/zone';
import { classes, periodTimes, school } from './scenario';

/** The middle of every lesson on a date, in milliseconds since the epoch. */
function middlesOn(date: string): number[] {
  const weekday = weekdayOf(date);
  return classes.flatMap(({ meets }) =>
    meets.flatMap(([day, period]) => {
      if (day !== weekday) return [];
      const { startsAt, endsAt } = periodTimes(period);
      const time = timeOf((minutesOf(startsAt) + minutesOf(endsAt)) / 2);
      return [instantOf({ date, time }, school.zone)];
    }),
  );
}

/**
 * Where the demo's clock starts: in the middle of the lesson nearest to now, by night and on
 * Sundays too.
 * @param now milliseconds since the epoch
 * @param kept of a demo started before: its clock never goes back, nor past the end of its term
 */
export function demoStart(now: number, kept?: { lastNow: number; endsOn: string }): number {
  const wanted = kept
    ? Math.max(Math.min(now, instantOf({ date: kept.endsOn, time: '23:00' }, school.zone)), kept.lastNow)
    : now;
  const { date } = localMoment(wanted, school.zone);
  const found = datesBetween(addDays(date, -4), addDays(date, 4))
    .filter((day) => !kept || day <= kept.endsOn)
    .flatMap(middlesOn)
    .filter((middle) => !kept || middle >= kept.lastNow)
    .sort((a, b) => Math.abs(a - wanted) - Math.abs(b - wanted));
  return found[0] ?? wanted;
}
