import distance from 'damerau-levenshtein';
import { knownName, nameWords } from '../people/knownName';
import { isNickname } from '../attendance/participants/nicknames';
import type { Student } from '../records/schema';

/** A student as notes are read for. */
export type Named = Pick<Student, 'id' | 'givenName' | 'familyName' | 'called'>;

/** Which part of a name a word is; `second` is a given name's later part ("Jo" of "Mary Jo"). */
export type NamePart = 'first' | 'second' | 'family' | 'particle';

interface Entry {
  id: string;
  part: NamePart;
}

interface Parts {
  first: ReadonlySet<string>;
  second: ReadonlySet<string>;
  family: readonly string[];
  telling: readonly string[];
}

/** A roster made ready for reading: made once, used at every key. */
export interface NameIndex {
  byWord: ReadonlyMap<string, readonly Entry[]>;
  partsOf: ReadonlyMap<string, Parts>;
  /** Words of names by their length, for slips of the keys. */
  byLength: ReadonlyMap<number, readonly string[]>;
}

function partsOf(student: Named): Parts {
  const { family, telling } = knownName(student);
  const [called = '', ...calledMore] = nameWords(student.called);
  const [given = '', ...givenMore] = nameWords(student.givenName);
  // "Min-jun" is written "Minjun" as often.
  const asOne = [student.called, student.givenName]
    .filter((name) => /[-‐‑]/.test(name))
    .map((name) => nameWords(name).join(''));
  const first = new Set([called, given, ...asOne].filter(Boolean));
  return {
    first,
    second: new Set([...calledMore, ...givenMore].filter((word) => !first.has(word))),
    family,
    telling,
  };
}

/** Makes a roster ready. @param students all that a note could be about */
export function nameIndex(students: readonly Named[]): NameIndex {
  const byWord = new Map<string, Entry[]>();
  const parts = new Map<string, Parts>();
  const add = (word: string, entry: Entry) => {
    const found = byWord.get(word);
    if (found) found.push(entry);
    else byWord.set(word, [entry]);
  };
  for (const student of students) {
    const { id } = student;
    const own = partsOf(student);
    parts.set(id, own);
    for (const word of own.first) add(word, { id, part: 'first' });
    for (const word of own.second) add(word, { id, part: 'second' });
    for (const word of new Set(own.family))
      if (!own.first.has(word)) add(word, { id, part: own.telling.includes(word) ? 'family' : 'particle' });
  }
  const byLength = new Map<number, string[]>();
  for (const word of byWord.keys()) {
    const found = byLength.get(word.length);
    if (found) found.push(word);
    else byLength.set(word.length, [word]);
  }
  return { byWord, partsOf: parts, byLength };
}

/** What a word is of a student's name; null when it is no part of it. */
export function partIn(index: NameIndex, id: string, word: string): NamePart | null {
  return index.byWord.get(word)?.find((entry) => entry.id === id)?.part ?? null;
}

/** Does a single letter begin the student's family name, or a part of it? */
export function beginsFamily(index: NameIndex, id: string, letter: string): boolean {
  return index.partsOf.get(id)?.telling.some((word) => word.startsWith(letter)) ?? false;
}

export function beginsFirst(index: NameIndex, id: string, letter: string): boolean {
  return [...(index.partsOf.get(id)?.first ?? [])].some((word) => word.startsWith(letter));
}

const shortestSlip = 4;

/**
 * Is one word another with one slip of the keys (two in long ones)? Short ones only by two letters that
 * changed places or one that was left out or doubled, for Omar and Omer are two people.
 */
function isSlip(written: string, known: string): boolean {
  if (known.length < shortestSlip || Math.abs(written.length - known.length) > 1) return false;
  const { steps } = distance(written, known);
  const swapped = written[0] === known[1] && written[1] === known[0];
  if (written[0] !== known[0] && !swapped) return false;
  if (steps === 2) return known.length >= 8;
  if (steps !== 1) return false;
  return known.length > shortestSlip || written.length !== known.length || isSwap(written, known);
}

/** Of one length and one step apart: two letters changed places where no letter is new. */
function isSwap(a: string, b: string): boolean {
  const letters = (word: string) => Array.from(word).sort().join('');
  return letters(a) === letters(b);
}

/** Words of names that a written one may be a slip of; the nearest only. */
export function slipsOf(index: NameIndex, written: string): string[] {
  const near = [-1, 0, 1]
    .flatMap((by) => index.byLength.get(written.length + by) ?? [])
    .filter((known) => isSlip(written, known))
    .map((known) => ({ known, steps: distance(written, known).steps }));
  const least = Math.min(...near.map(({ steps }) => steps));
  return near.filter(({ steps }) => steps === least).map(({ known }) => known);
}

/** Students whose given name goes by this one too ("Dan" for Daniel). */
export function nicknamed(index: NameIndex, word: string): string[] {
  return [...index.partsOf]
    .filter(([, { first }]) => [...first].some((name) => isNickname(word, name)))
    .map(([id]) => id);
}
