import type { LevelCrossed } from './levels';
import { day, inWords, percent } from './words';

/** How many of those missed were excused or attended in part; empty where there is nothing to say. */
function howMissed({ missed, excused, partly }: LevelCrossed): string {
  const some = (count: number, words: string) =>
    count === 0
      ? ''
      : `${count === missed ? (count === 1 ? 'it was' : 'all of them') : inWords(count)} ${words}`;
  return [some(excused, 'excused'), some(partly, 'for the greater part')].filter(Boolean).join(', ');
}

const withHow = (level: LevelCrossed, words = '') => {
  const all = [words, howMissed(level)].filter(Boolean).join('; ');
  return all ? ` (${all})` : '';
};

/** The fact alone, to follow the name: "missed 6 of the 7 lessons taken so far (two excused)". */
export function levelFact(level: LevelCrossed): string {
  const { kind, missed, taken, value, since } = level;
  switch (kind) {
    case 'share':
      return `missed ${missed} of ${taken} lessons taken${withHow(level, percent(value))}`;
    case 'early':
      return missed === taken
        ? `missed all ${taken} lessons taken so far${withHow(level)}`
        : `missed ${missed} of the ${taken} lessons taken so far${withHow(level)}`;
    case 'streak':
      return `was away from the last ${inWords(value)} lessons in a row${withHow(level)}, since ${day(since)}`;
    case 'missing':
      return `did not hand in ${inWords(value)} of the last ${inWords(taken)} pieces of work`;
  }
}

/** The fact, and the line that it is over, where there is one. */
export function levelWords(level: LevelCrossed): string {
  const { kind, line, since } = level;
  const over = kind === 'share' ? `, at or over the ${percent(line)} line since ${day(since)}` : '';
  return levelFact(level) + over;
}
