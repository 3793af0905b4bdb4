import distance from 'damerau-levenshtein';
import { isGivenName } from '../../people/givenNames';
import type { KnownName } from '../../people/knownName';
import { isParticle } from '../../people/particles';
import { isNickname } from './nicknames';

/**
 * How a written name fits a student, surest first: the whole name in any order; with a part more or
 * less; with an initial; by a nickname; with one slip of the keys; by one name alone; or only so
 * nearly that it has to be asked.
 */
export const fits = ['name', 'part', 'initial', 'nickname', 'typo', 'lone', 'near'] as const;
export type Fit = (typeof fits)[number];

export const fitRank = (fit: Fit) => fits.indexOf(fit);

const shortestTypo = 5;

/**
 * One slip of the keys: a letter left out, doubled, another one, or two swapped. Not where it makes another name of a
 * given one: Mario and Maria, Karin and Karen, Daniel and Daniela are as likely somebody else.
 */
function isTypo(written: string, known: string, ofGivenName: boolean): boolean {
  if (written === known || known.length < shortestTypo || written[0] !== known[0]) return false;
  if (Math.abs(written.length - known.length) > 1 || distance(written, known).steps !== 1) return false;
  if (!ofGivenName) return true;
  return !written.startsWith(known) && !known.startsWith(written) && !isGivenName(written);
}

/** A letter that was hit twice: "Wrenn". */
function isDoubled(written: string, known: string): boolean {
  const at = Array.from(written).findIndex((letter, index) => letter !== known[index]);
  return (
    written.length === known.length + 1 &&
    known.length >= 4 &&
    at > 0 &&
    written[at] === written[at - 1] &&
    written.slice(0, at) + written.slice(at + 1) === known &&
    !isGivenName(written)
  );
}

function isNear(written: string, known: string): boolean {
  const most = known.length >= 8 ? 2 : 1;
  if (known.length < 4 || Math.abs(written.length - known.length) > most) return false;
  return distance(written, known).steps <= most;
}

const contains = (words: readonly string[], all: readonly string[]) =>
  all.every((word) => words.includes(word));
const begins = (names: readonly string[], letter: string) => names.some((name) => name.startsWith(letter));
const isInitial = (word: string) => word.length === 1;

function wholeFit(words: readonly string[], { first, family, telling }: KnownName): Fit | null {
  const hasFirst = words.some((word) => first.includes(word));
  const extra = words.filter((word) => !first.includes(word) && !family.includes(word) && !isParticle(word));
  const middle = extra.every((word) => isInitial(word) && words.length > 2);
  if (hasFirst && contains(words, telling)) {
    if (extra.length === 0 || (middle && telling.length > 0)) return 'name';
    return telling.length > 0 ? 'part' : 'near';
  }
  // "Dario Ortega" for Dario Ortega Ruiz.
  if (hasFirst && extra.length === 0 && telling.some((word) => words.includes(word))) return 'part';
  const joined = words.join('');
  const orders = first.flatMap((given) => [given + family.join(''), family.join('') + given]);
  return family.length > 0 && orders.includes(joined) ? 'name' : null;
}

/** Do letters begin some names, one after the other and from the first on? */
const beginInOrder = (letters: readonly string[], names: readonly string[]) =>
  letters.length > 0 && letters.every((letter, at) => names[at]?.startsWith(letter) ?? false);

/** The letters of words that are initials, also of several written as one: "J.-B." and "JB". */
function initialsOf(words: readonly string[], names: readonly string[]): string[] {
  return words.flatMap((word) => {
    const several = word.length > 1 && word.length <= 3 && beginInOrder(Array.from(word), names);
    return isInitial(word) ? [word] : several ? Array.from(word) : [];
  });
}

/** One half of a name, and the other by its first letters: "M.-J. Lee", "Bram d. W.", "Rosa L.". */
function initialFit(words: readonly string[], { first, given, family, telling }: KnownName): Fit | null {
  if (words.length < 2 || telling.length === 0) return null;
  const rest = (letters: readonly string[]) =>
    words.filter((word) => !isInitial(word) && word !== letters.join('') && !isParticle(word));
  const ofGiven = initialsOf(
    words.filter((word) => !telling.includes(word)),
    given,
  );
  const named = rest(ofGiven);
  const byFamily = named.length > 0 && named.every((word) => telling.includes(word));
  const called = first.filter((name) => !given.includes(name));
  if (
    byFamily &&
    (beginInOrder(ofGiven, given) || (ofGiven.length === 1 && begins(called, ofGiven[0] ?? '')))
  )
    return 'initial';
  // The first letter fits, and another does not: perhaps a middle name, perhaps somebody else.
  if (byFamily && given[0]?.startsWith(ofGiven[0] ?? '-')) return 'near';
  const letters = words.filter(isInitial);
  const byGiven = rest([]).length > 0 && rest([]).every((word) => first.includes(word));
  return byGiven && (beginInOrder(letters, family) || beginInOrder(letters, telling)) ? 'initial' : null;
}

function nicknameFit(words: readonly string[], { first, telling }: KnownName): Fit | null {
  const nick = words.find((word) => first.some((name) => isNickname(word, name)));
  if (!nick) return null;
  const rest = words.filter((word) => word !== nick);
  if (telling.length === 0) return rest.length === 0 ? 'nickname' : null;
  if (rest.length === 0) return 'lone';
  if (contains(rest, telling)) return 'nickname';
  const [only = ''] = rest;
  return rest.length === 1 && isInitial(only) && begins(telling.slice(0, 1), only) ? 'nickname' : null;
}

/** One word of two or more is a slip of the keys; the others are right. */
function typoFit(words: readonly string[], { first, telling }: KnownName): Fit | null {
  if (telling.length === 0 || words.length < 2) return null;
  const givenRight = words.some((word) => first.includes(word));
  // Of several family names one is enough: "Odalyz Ortega".
  const familyRight =
    telling.some((word) => words.includes(word)) && (telling.length > 1 || contains(words, telling));
  const wrong = words.filter((word) => !first.includes(word) && !telling.includes(word) && !isParticle(word));
  const [slip, another] = wrong;
  if (slip === undefined) return null;
  if (another === undefined && familyRight && !givenRight)
    return first.some((name) => isTypo(slip, name, true) || isDoubled(slip, name))
      ? 'typo'
      : first.some((name) => isNear(slip, name))
        ? 'near'
        : null;
  if (another === undefined && givenRight && !familyRight) {
    const missing = telling.filter((word) => !words.includes(word));
    if (missing.length !== 1) return null;
    if (missing.some((name) => isTypo(slip, name, false))) return 'typo';
    return missing.some((name) => isNear(slip, name)) ? 'near' : null;
  }
  const both =
    first.some((name) => isNear(slip, name)) && telling.some((name) => isNear(another ?? '', name));
  return both ? 'near' : null;
}

function loneFit(words: readonly string[], { first, telling }: KnownName): Fit | null {
  const [word = ''] = words;
  if (words.length !== 1 || isInitial(word)) return null;
  if (first.includes(word) || telling.includes(word)) return 'lone';
  return [...first, ...telling].some((name) => isNear(word, name)) ? 'near' : null;
}

/** The same given name with another family name: perhaps a student, perhaps a stranger. */
function nearFit(words: readonly string[], { first }: KnownName): Fit | null {
  return words.some((word) => first.includes(word)) ? 'near' : null;
}

/** How a written name's words fit a student's; null when it is another's. */
export function nameFit(words: readonly string[], known: KnownName): Fit | null {
  if (words.length === 0) return null;
  return (
    wholeFit(words, known) ??
    initialFit(words, known) ??
    nicknameFit(words, known) ??
    typoFit(words, known) ??
    loneFit(words, known) ??
    nearFit(words, known)
  );
}

/** The whole family name with another given name: a call name that nobody knows, a parent's account, or a stranger. */
export const hasFamilyName = (words: readonly string[], { telling }: KnownName): boolean =>
  telling.length > 0 && contains(words, telling);
