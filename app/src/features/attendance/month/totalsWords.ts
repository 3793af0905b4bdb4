import { many } from '@slate-path/core/words/many';
import type { Totals } from '@slate-path/core/attendance/roll/totals';

const part = (count: number, words: string) => (count > 0 ? [`${count} ${words}`] : []);

/** What some lessons add up to, in one line. Lessons not taken are said, for they count nowhere. */
export function totalsWords(totals: Totals): string {
  const { taken, away, excused, late, minutesLate, leftEarly, notTaken, setAside, percent } = totals;
  if (taken === 0) return notTaken > 0 ? `${many(notTaken, 'lesson')}, none taken` : 'No lessons yet';
  return [
    `there in ${taken - away} of ${many(taken, 'lesson')} taken (${Math.round(percent ?? 0)} %)`,
    ...part(excused, 'excused'),
    ...(late > 0 ? [minutesLate > 0 ? `${late} late, ${many(minutesLate, 'minute')}` : `${late} late`] : []),
    ...part(leftEarly, 'left early'),
    ...part(setAside, 'set aside'),
    ...part(notTaken, 'not taken'),
  ].join(', ');
}
