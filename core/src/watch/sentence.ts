import { format, parseISO } from 'date-fns';
import type { LevelCrossed } from './levels';

const numberWords = ['no', 'one', 'two', 'three', 'four', 'five', 'six', 'seven', 'eight', 'nine', 'ten'];

/** Small numbers in words, as one says them. */
export function inWords(count: number): string {
  return numberWords[count] ?? String(count);
}

/** With a space that does not break, so that the sign stays with its number. */
const percent = (share: number) => `${Math.round(share * 100)}\u00A0%`;
const day = (date: string) => format(parseISO(date), 'd MMMM');

function sentenceOf(level: LevelCrossed): string {
  if (level.kind === 'streak')
    return `Away from the last ${inWords(level.value)} lessons in a row, since ${day(level.since)}.`;
  return (
    `Missed ${level.missed} of ${level.taken} lessons taken (${percent(level.value)}), ` +
    `at or over the ${percent(level.line)} line since ${day(level.since)}.`
  );
}

/**
 * The evidence in plain words, strongest first, then how the class compares.
 * @param levels at least one @param classMedian share missed by the student in the middle, 0 to 1
 */
export function absentSentence(levels: readonly LevelCrossed[], classMedian: number): string {
  const compared = `The student in the middle of the class missed ${percent(classMedian)}.`;
  return [...levels.map(sentenceOf), compared].join(' ');
}
