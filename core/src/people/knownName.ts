import type { Student } from '../records/schema';
import { foldName } from './names';
import { isParticle } from './particles';

type Named = Pick<Student, 'givenName' | 'familyName' | 'called'>;

/** Words that say something of the device or the person, and are no name. */
const noNames = new Set(
  'mr mrs ms miss dr prof guest host cohost organizer organiser presenter external me you ipad iphone phone laptop tablet pc mobile android macbook chromebook mac pro air mini galaxy pixel huawei xiaomi samsung oneplus handy telefon'.split(
    ' ',
  ),
);

/** A name's words without case, accents, marks and what is no name: "Mei's iPad (Guest)" is `mei`. */
export function nameWords(written: string): string[] {
  return foldName(written)
    .replace(/'s\b/g, '')
    .replace(/'/g, '')
    .split(/[^\p{L}\p{N}]+/u)
    .filter((word) => word !== '' && !noNames.has(word) && !/^\p{L}?\d+$/u.test(word));
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
  given: string[];
  family: string[];
  /** Of the family name, those that must be said: not the particles. */
  telling: string[];
}

export function knownName({ givenName, familyName, called }: Named): KnownName {
  const family = nameWords(familyName);
  const telling = family.filter((word) => !isParticle(word));
  return {
    first: [...new Set([...nameWords(called), ...nameWords(givenName)])],
    given: nameWords(givenName),
    family,
    telling: telling.length > 0 ? telling : family,
  };
}
