import type { Pattern } from './patternTest';
import { inWords, noneOr, weekdayWords } from './words';

const verbs = {
  presence: 'missed',
  lateness: 'came late to',
  trouble: 'had unwanted tallies in',
} as const;

/** The lessons that a pattern is bound to, those it is held against, and what would end it. */
function lessonsIn({ kind, day, besideName }: Pattern): { which: string; others: string; clears: string } {
  const weekday = `${weekdayWords[day] ?? ''}s`;
  switch (kind) {
    case 'weekday':
      return {
        which: weekday,
        others: 'lessons on other days',
        clears: `two or three ${weekday} as on other days`,
      };
    case 'afternoon':
      return {
        which: 'lessons after lunch',
        others: 'lessons before lunch',
        clears: 'several lessons after lunch as before lunch',
      };
    case 'seat':
      return {
        which: 'lessons on the present seat',
        others: 'lessons on other seats',
        clears: 'several lessons on this seat as on others, or another seat',
      };
    case 'neighbour':
      return {
        which: `lessons beside ${besideName ?? ''}`,
        others: 'lessons without',
        clears: `several lessons beside ${besideName ?? ''} as without, or another seat`,
      };
  }
}

/** A pattern with its numbers, to follow a name. */
export function patternWords(pattern: Pattern): string {
  const { stream, hits, times, otherHits, otherTimes } = pattern;
  const { which, others } = lessonsIn(pattern);
  const last = pattern.kind === 'weekday' || pattern.kind === 'afternoon' ? 'the last ' : '';
  return `${verbs[stream]} ${inWords(hits)} of ${last}${inWords(times)} ${which}, and ${noneOr(otherHits)} of ${otherTimes} ${others}`;
}

/** What would end a pattern, to follow "It clears with". */
export const patternClears = (pattern: Pattern) => lessonsIn(pattern).clears;
