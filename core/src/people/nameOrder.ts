import { addressFit, type NameOrder } from './cutName';
import { isGivenName } from './givenNames';
import { foldName } from './names';

/** The two ends of a name written as one, or the cells of two columns, with the address beside them. */
export interface NameEnds {
  first: string;
  last: string;
  email: string;
}

const isSorted = (words: readonly string[]) =>
  words.every(
    (word, at) => at === 0 || foldName(words[at - 1] ?? '').localeCompare(foldName(word), 'en') <= 0,
  );

/** So few names are in order by chance. */
const fewestInOrder = 6;

/**
 * Which part of the names of a list stands first, by all of them together: addresses tell most, then given names that
 * are known, then by which part the list is in order. Without any sign the given name stands first.
 */
export function nameOrderOf(names: readonly NameEnds[]): NameOrder {
  let given = 0;
  for (const { first, last, email } of names) {
    given += addressFit(email, first, last) - addressFit(email, last, first);
    if (isGivenName(first) !== isGivenName(last)) given += isGivenName(first) ? 1 : -1;
  }
  if (names.length >= fewestInOrder) {
    const byFirst = isSorted(names.map(({ first }) => first));
    const byLast = isSorted(names.map(({ last }) => last));
    // Class lists are in order of family names more often than not.
    if (byFirst !== byLast) given += names.length * (byLast ? 0.5 : -0.3);
  }
  return given >= 0 ? 'given_first' : 'family_first';
}
