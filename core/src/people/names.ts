import type { Student } from '../records/schema';

export type Named = Pick<Student, 'givenName' | 'familyName' | 'called'>;

/** How a student is addressed: the called name where there is one, then the family name. */
export function displayName({ givenName, familyName, called }: Named): string {
  return [called || givenName, familyName].filter(Boolean).join(' ');
}

/** The name to say aloud: called, given, or the only one there is. */
export function shortName({ givenName, familyName, called }: Named): string {
  return called || givenName || familyName;
}

const collator = new Intl.Collator('en', { sensitivity: 'base', numeric: true });

/** Order of a class list, by the name one says, then by family name. */
export function byDisplayName(a: Named, b: Named): number {
  return collator.compare(displayName(a), displayName(b));
}

export type NameOrder = 'given' | 'family';

/** Order of a class list by family name, then by the name one says; a single name stands by itself. */
function byFamilyName(a: Named, b: Named): number {
  const key = (named: Named) => `${named.familyName || shortName(named)}, ${shortName(named)}`;
  return collator.compare(key(a), key(b));
}

export function byName(order: NameOrder): (a: Named, b: Named) => number {
  return order === 'family' ? byFamilyName : byDisplayName;
}

/** Letters that Unicode does not take apart into a letter and a mark. */
const plainLetters: Record<string, string> = {
  ı: 'i',
  ł: 'l',
  ø: 'o',
  đ: 'd',
  ð: 'd',
  þ: 'th',
  ß: 'ss',
  æ: 'ae',
  œ: 'oe',
};

/** A name without case, accents, or spaces that differ: what two spellings of one name share. */
export function foldName(name: string): string {
  return name
    .normalize('NFKD')
    .replace(/\p{M}/gu, '')
    .replace(/[’ʼ`´]/g, "'")
    .toLowerCase()
    .replace(/[ıłøđðþßæœ]/g, (letter) => plainLetters[letter] ?? letter)
    .replace(/\s+/g, ' ')
    .trim();
}
