import { findByName } from '../people/findByName';
import type { Named } from '../people/names';
import { stem } from './stems';
import { wordsOf, type Word } from './words';

/** What is searched for: one word, or several beside each other. */
export interface SearchTerm {
  /** Folded. */
  words: string[];
  /** The last word is only begun. */
  prefix: boolean;
}

const quotes = /["“”„«»]([^"“”„«»]+)["“”„«»]/g;

/**
 * What was typed into the search field: words in any order, phrases between quotation marks, and the last
 * word as far as it is typed. "off-task" is two words beside each other.
 */
export function searchTerms(typed: string): SearchTerm[] {
  const phrases = [...typed.matchAll(quotes)].map(([, phrase = '']) => phrase);
  const rest = typed.replace(quotes, ' ');
  const parts = rest.split(/\s+/).filter(Boolean);
  const last = /\S$/.test(rest) ? parts.length - 1 : -1;
  const term = (text: string, begun: boolean): SearchTerm => {
    const words = wordsOf(text).map(({ folded }) => folded);
    // One letter begins too many words to be of any help.
    return { words, prefix: begun && (words.at(-1)?.length ?? 0) > 1 };
  };
  return [
    ...phrases.map((phrase) => term(phrase, false)),
    ...parts.map((part, at) => term(part, at === last)),
  ]
    .filter(({ words }) => words.length > 0)
    .slice(0, 12);
}

/** A place in a text. */
export interface Span {
  from: number;
  to: number;
}

function fits(words: readonly Word[], at: number, { words: wanted, prefix }: SearchTerm): boolean {
  return wanted.every((known, part) => {
    const word = words[at + part];
    if (!word) return false;
    if (prefix && part === wanted.length - 1 && word.folded.startsWith(known)) return true;
    return stem(word.bare) === stem(known);
  });
}

/** Those of whom a term may be the name, or its beginning. */
export function namedBy<T extends Named>(people: readonly T[], { words }: SearchTerm): T[] {
  return findByName(people, words.join(' '));
}

/**
 * Where the terms stand in a note; null where one of them does not, and is no name of a student the note is tied to.
 * @param tied students of the note: it is found by a family name that it does not say
 */
export function hitsIn(
  text: string,
  terms: readonly SearchTerm[],
  tied: readonly Named[] = [],
): Span[] | null {
  const words = wordsOf(text);
  const hits: Span[] = [];
  for (const term of terms) {
    const found = words.flatMap((word, at) => {
      const last = words[at + term.words.length - 1];
      return last && fits(words, at, term) ? [{ from: word.from, to: last.to }] : [];
    });
    if (found.length === 0 && namedBy(tied, term).length === 0) return null;
    hits.push(...found);
  }
  return hits.toSorted((a, b) => a.from - b.from);
}
