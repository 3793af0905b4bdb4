import distance from 'damerau-levenshtein';
import { isEnglishWord } from '../englishWords';

const days = 'monday tuesday wednesday thursday friday saturday sunday tomorrow yesterday'.split(' ');
/** Short ways of writing. */
const short: Record<string, string> = {
  ...Object.fromEntries(
    ['tmr', 'tmw', 'tmrw', 'tomoz', 'tomoro', '2moro', '2morrow'].map((word) => [word, 'tomorrow']),
  ),
  nxt: 'next',
  wkend: 'weekend',
  wkends: 'weekends',
  wk: 'week',
  wks: 'weeks',
  mth: 'month',
  mths: 'months',
};
const wordShape = /\b[a-z0-9]{2,11}\b/gi;

/** The day that a word is a slip of the keys of; null for a day, a word of the language, or no day at all. */
function dayMeant(word: string): string | null {
  if (Object.hasOwn(short, word)) return short[word] ?? null;
  if (word.length < 5 || days.includes(word) || isEnglishWord(word)) return null;
  if (!/(?:d[ay]|ay|row?)$/.test(word)) return null;
  const most = word.length >= 7 ? 2 : 1;
  return days.find((day) => day.startsWith(word.slice(0, 1)) && distance(word, day).steps <= most) ?? null;
}

/** A text with its days spelt out, and where a place in it stood before. */
export interface SpelledText {
  text: string;
  placeBefore: (place: number) => number;
}

/** Days that are misspelt or shortened ("wensday", "tomorow", "tmrw") in full. */
export function withSpelledDays(text: string): SpelledText {
  const edits: { from: number; grows: number; length: number }[] = [];
  let grown = 0;
  const spelled = text.replace(wordShape, (word, at: number) => {
    const day = dayMeant(word.toLowerCase());
    if (day === null) return word;
    edits.push({ from: at + grown, grows: day.length - word.length, length: day.length });
    grown += day.length - word.length;
    return day;
  });
  const placeBefore = (place: number) =>
    edits
      .filter(({ from, length }) => from + length <= place)
      .reduce((before, { grows }) => before - grows, place);
  return { text: spelled, placeBefore };
}
