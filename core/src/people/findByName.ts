import { foldName, type Named } from './names';

const wordsOf = (text: string) =>
  foldName(text)
    .split(/[\s'-]+/)
    .filter(Boolean);

/**
 * Whose name somebody may mean who types the beginnings of its words, in any order: "bra od" is Odalys Brandt.
 * Case, accents and spelling of apostrophes do not matter.
 * @param people in any order, which is kept
 * @param written nothing finds everybody
 * @returns those of whom each word typed begins a word of the given, family or called name
 */
export function findByName<T extends Named>(people: readonly T[], written: string): T[] {
  const wanted = wordsOf(written);
  return people.filter(({ givenName, familyName, called }) => {
    const own = wordsOf(`${givenName} ${familyName} ${called}`);
    return wanted.every((beginning) => own.some((word) => word.startsWith(beginning)));
  });
}
