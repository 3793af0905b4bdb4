import { foldName } from '../people/names';

/** A word of a text: where it stands (UTF-16 offsets) and what it is compared by. */
export interface Word {
  from: number;
  to: number;
  written: string;
  /** Without case, accents and curly apostrophes. */
  folded: string;
  /** Without the ending of a possessive ("Dario's"), with the offset where that ends. */
  bare: string;
  bareTo: number;
  possessive: boolean;
  capital: boolean;
  /** First of a sentence, or of a part after a colon or a dash: there a capital tells nothing. */
  opens: boolean;
  /** Words of one sentence have the same number. */
  sentence: number;
  /** What stands between the word before and this one. */
  gap: string;
}

const wordShape = /[\p{L}\p{N}][\p{L}\p{M}\p{N}]*(?:['’ʼ][\p{L}\p{M}]+)*/gu;
const sentenceEnd = /[.!?;\n\r]/;
const opening = /[.!?;:\n\r"“”()]|[-–—]\s|^\s*[-–—•*]\s*$/;
const possessiveEnd = /^(.+?)(?:'s|')$/;

/** "T." in "Mei T." ends no sentence. */
const isInitial = (word: Word | undefined, gap: string) =>
  word !== undefined && word.written.length === 1 && word.capital && /^\.\s*$/.test(gap);

/**
 * The words of a text with their places, in order. Hyphens stand between words; apostrophes within them.
 */
export function wordsOf(text: string): Word[] {
  const words: Word[] = [];
  let end = 0;
  let sentence = 0;
  for (const { 0: written, index } of text.matchAll(wordShape)) {
    const last = words.at(-1);
    const gap = text.slice(end, index);
    // "9.05" and "3.5" are one thing, not two sentences.
    const decimal = gap === '.' && /\d$/.test(last?.written ?? '') && /^\d/.test(written);
    const ends = sentenceEnd.test(gap) && !decimal && !isInitial(last, gap);
    if (ends) sentence += 1;
    words.push({ ...wordAt(written, index, text), opens: !last || ends || opening.test(gap), sentence, gap });
    end = index + written.length;
  }
  return words;
}

function wordAt(written: string, from: number, text: string): Omit<Word, 'opens' | 'sentence' | 'gap'> {
  const to = from + written.length;
  const folded = foldName(written);
  const owned = possessiveEnd.exec(folded)?.[1];
  // "James’ book": the apostrophe after a final s stands outside the word.
  const endsInS = folded.endsWith('s') && /^['’]\s/.test(text.slice(to, to + 2));
  return {
    from,
    to,
    written,
    folded: folded.replace(/'/g, ''),
    bare: (owned ?? folded).replace(/'/g, ''),
    bareTo: owned === undefined ? to : to - 2,
    possessive: owned !== undefined || endsInS,
    capital: /^\p{Lu}/u.test(written),
  };
}

/**
 * Do capitals tell anything in this text? Not where everything is in capitals, or nearly every word
 * begins with one.
 */
export function capitalsTell(words: readonly Word[]): boolean {
  const inside = words.filter(({ opens, written }) => !opens && /^\p{L}/u.test(written));
  const small = inside.filter(({ capital }) => !capital).length;
  return small >= 1 && small >= inside.length * 0.25;
}
