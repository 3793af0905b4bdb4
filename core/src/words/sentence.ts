/** A part of a page's sentence that can be tapped, and what it leads to. */
export interface Phrase<To> {
  words: string;
  to: To;
}

/** What a page says in words: plain text, and phrases that lead further. */
export type Sentence<To> = readonly (string | Phrase<To>)[];

/** A sentence as it is read aloud. */
export const spoken = (sentence: Sentence<unknown>): string =>
  sentence.map((part) => (typeof part === 'string' ? part : part.words)).join('');
