import { foldName, type Named } from './names';

const wordsOf = (text: string) =>
  foldName(text)
    .split(/[\s'-]+/)
    .filter(Boolean);

/** What the words of a part of a name begin, written apart or as one: "Min-jun" has min, jun and minjun. */
function beginnings(part: string): string[] {
  const words = wordsOf(part);
  return words.flatMap((word, at) => (at < words.length - 1 ? [word, words.slice(at).join('')] : [word]));
}

/**
 * Whose name somebody may mean who types the beginnings of its words, in any order: "bra od" is Odalys Brandt.
 * Case, accents, apostrophes and hyphens do not matter: "minjun" is Min-jun, "obri" O'Brien.
 * @param people in any order, which is kept
 * @param written nothing finds everybody
 * @returns those of whom each word typed begins a word of the given, family or called name
 */
export function findByName<T extends Named>(people: readonly T[], written: string): T[] {
  const wanted = foldName(written).split(' ').filter(Boolean);
  return people.filter(({ givenName, familyName, called }) => {
    const own = [givenName, familyName, called].flatMap(beginnings);
    const begins = (typed: string) => own.some((word) => word.startsWith(typed));
    return wanted.every(
      (word) => wordsOf(word.replace(/-/g, '')).every(begins) || wordsOf(word).every(begins),
    );
  });
}
