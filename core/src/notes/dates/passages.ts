import type { Word } from '../words';

/** A part of a text that is read for dates by itself. */
export interface Passage {
  from: number;
  text: string;
  words: Word[];
}

/** Sentences are read together up to so many characters: what is looked for grows with the square of it. */
const usualLength = 400;
/** A sentence that never ends is cut between two words. */
const longest = 1200;

/**
 * Cuts a text between sentences, so that reading it takes time in proportion to its length.
 * @param words of the text, in order
 */
export function passagesOf(text: string, words: readonly Word[]): Passage[] {
  const passages: Passage[] = [];
  let from = 0;
  let own: Word[] = [];
  for (const word of words) {
    const length = word.from - from;
    const isNewSentence = word.sentence !== own.at(-1)?.sentence;
    if (own.length > 0 && ((length > usualLength && isNewSentence) || length > longest)) {
      passages.push({ from, text: text.slice(from, word.from), words: own });
      from = word.from;
      own = [];
    }
    own.push(word);
  }
  return [...passages, { from, text: text.slice(from), words: own }];
}
