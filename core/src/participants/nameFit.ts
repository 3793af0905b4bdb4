import distance from 'damerau-levenshtein';
import { foldName } from '../people/names';
import type { Student } from '../records/schema';
import { isNickname } from './nicknames';

/**
 * How a written name fits a student, surest first: the whole name in any order; with a part more or
 * less; with an initial; by a nickname; with one slip of the keys; by one name alone; or only so
 * nearly that it has to be asked.
 */
export const fits = ['name', 'part', 'initial', 'nickname', 'typo', 'lone', 'near'] as const;
export type Fit = (typeof fits)[number];

export const fitRank = (fit: Fit) => fits.indexOf(fit);

type Named = Pick<Student, 'givenName' | 'familyName' | 'called'>;

/** Words that say something of the device or the person, and are no name. */
const noNames = new Set(
  'mr mrs ms miss dr prof guest host cohost organizer organiser presenter external me you ipad iphone phone laptop tablet pc mobile android macbook chromebook'.split(
    ' ',
  ),
);
const particles = new Set(
  'al bin da das de del della den der di dos du el ibn la le ni san ter van von zu'.split(' '),
);

/** A name's words without case, accents, marks and what is no name: "Mei's iPad (Guest)" is `mei`. */
export function nameWords(written: string): string[] {
  return foldName(written)
    .replace(/'s\b/g, '')
    .replace(/'/g, '')
    .split(/[^\p{L}\p{N}]+/u)
    .filter((word) => word !== '' && !noNames.has(word) && !/^\d+$/.test(word));
}

/** The same words in any order, whatever marks and devices stand beside them. */
export function isSameName(a: string, b: string): boolean {
  const words = nameWords(a).sort().join(' ');
  return words !== '' && words === nameWords(b).sort().join(' ');
}

/** A student's name as written ones are compared with it. */
export interface KnownName {
  /** Given and called names. */
  first: string[];
  family: string[];
  /** Of the family name, those that must be said: not the particles. */
  telling: string[];
}

export function knownName({ givenName, familyName, called }: Named): KnownName {
  const family = nameWords(familyName);
  const telling = family.filter((word) => !particles.has(word));
  return {
    first: [...new Set([...nameWords(called), ...nameWords(givenName)])],
    family,
    telling: telling.length > 0 ? telling : family,
  };
}

const shortestTypo = 5;

/** One slip of the keys that does not make another name of it: a letter inside left out, doubled, or two swapped. */
function isTypo(written: string, known: string): boolean {
  if (written === known || known.length < shortestTypo || written[0] !== known[0]) return false;
  if (Math.abs(written.length - known.length) > 1 || distance(written, known).steps !== 1) return false;
  // Mario and Maria, Karin and Karen, Daniel and Daniela: as likely somebody else.
  const longer = written.startsWith(known) || known.startsWith(written);
  return !longer && (written.length !== known.length || isSwap(written, known));
}

/** Two letters beside each other that changed places. */
function isSwap(a: string, b: string): boolean {
  let at = 0;
  while (at < a.length && a[at] === b[at]) at += 1;
  return a[at] === b[at + 1] && a[at + 1] === b[at];
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
  const extra = words.filter(
    (word) => !first.includes(word) && !family.includes(word) && !particles.has(word),
  );
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

function initialFit(words: readonly string[], { first, telling }: KnownName): Fit | null {
  if (words.length !== 2 || telling.length === 0) return null;
  const letter = words.find(isInitial);
  const name = words.find((word) => !isInitial(word));
  if (!letter || !name) return null;
  const fitting =
    (first.includes(name) && begins(telling.slice(0, 1), letter)) ||
    (telling.includes(name) && begins(first, letter));
  return fitting ? 'initial' : null;
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
  const familyRight = contains(words, telling);
  const wrong = words.filter(
    (word) => !first.includes(word) && !telling.includes(word) && !particles.has(word),
  );
  const [slip, another] = wrong;
  if (slip === undefined) return null;
  if (another === undefined && familyRight && !givenRight)
    return first.some((name) => isTypo(slip, name))
      ? 'typo'
      : first.some((name) => isNear(slip, name))
        ? 'near'
        : null;
  if (another === undefined && givenRight && !familyRight) {
    const missing = telling.filter((word) => !words.includes(word));
    if (missing.length !== 1) return null;
    if (missing.some((name) => isTypo(slip, name))) return 'typo';
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
