import { weekdayOf } from '@slate-path/core/calendar/localTime';
import type { ClassSeries } from '@slate-path/core/watch/signals/streams';
import type { SimulatedTerm } from '@slate-path/demo/simulator/simulateTerm';
import { bernoulli, shareAway } from './oracle';

/** The share missed on the weekday of the planted story. */
const missedOnDay = 0.6;

/**
 * The limit of what can be called of a weekday: a CUSUM of those days alone, told the student's true usual, the
 * class's mood and that it would be 60 %.
 * @param weekday ISO @returns its evidence after each such day on which the roll was taken, and the lesson
 */
export function oracleWeekday(
  term: SimulatedTerm,
  series: ClassSeries,
  i: number,
  weekday: number,
): { lesson: number; score: number }[] {
  const usual = term.usuals.get(series.students[i]?.id ?? '');
  if (!usual) return [];
  const moodOn = new Map(term.moods.map((mood) => [mood.date, mood]));
  let evidence = 0;
  return series.streams.presence.flatMap(({ date, lesson, value }) => {
    const mood = moodOn.get(date);
    const away = value[i] ?? NaN;
    if (!mood || Number.isNaN(away) || weekdayOf(date) !== weekday) return [];
    evidence = Math.max(
      0,
      evidence + bernoulli(away === 1, Math.min(0.5, shareAway(usual, mood)), missedOnDay),
    );
    return [{ lesson, score: evidence }];
  });
}
